import { mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { loadDemo } from '../../demo/load-demo';
import { backupsIn, checkBackup, restoreBackup, writeBackup } from '../lib/backup';
import { backupWhenDue, KEPT } from '../lib/daily-backup';
import type { MariaDbAddress } from '../lib/private-mariadb';
import { configFrom } from '../../apps/server/src/config';
import { MIGRATIONS } from '../../apps/server/src/db/migrate';
import { readEnv } from '../../apps/server/src/env';
import { start, type Running } from '../../apps/server/src/start';
import { emptyDatabase } from '../../apps/server/test/empty-database';

const KNOWN = MIGRATIONS.map(({ name }) => name);
const NOW = new Date('2026-03-10T10:00:00.000Z');
const LISTS = [
  'powders',
  'bodies',
  'recipes',
  'batches',
  'buckets',
  'coats',
  'windows',
  'tiles',
  'runner-tiles',
  'series',
  'pieces',
  'days',
  'kilns',
  'loads',
  'schedules',
  'firings',
  'results',
  'changes',
];
const FILES = ['cazuela.json', 'powders.csv', 'recipes.csv', 'batches.csv', 'dips.csv', 'runner-tiles.csv'];

const open = (db: MariaDbAddress, demo = false): Promise<Running> =>
  start(
    {
      ...configFrom(readEnv({ CAZUELA_LOG: 'silent' })),
      db: { host: db.host, port: db.port, user: db.user, password: db.password, database: db.database, tls: false },
    },
    demo ? loadDemo : undefined,
  );

/** Every list, every file and every photo of a studio, as they are sent out. */
async function everything({ address }: Running): Promise<Record<string, string>> {
  const text = async (path: string): Promise<string> => Buffer.from(await (await fetch(`${address}${path}`)).arrayBuffer()).toString('latin1');
  const [studio] = JSON.parse(await text('/api/studios')) as [{ id: string }];
  const paths = [...LISTS, ...FILES.map((file) => `files/${file}`)];
  const all: Record<string, string> = {};
  for (const path of paths) all[path] = (await text(`/api/studios/${studio.id}/${path}`)).replace(/"writtenAt": "[^"]*"/, '');
  for (const { id } of JSON.parse(all['buckets']!) as { id: string }[]) all[id] = await text(`/api/studios/${studio.id}/buckets/${id}`);
  for (const { body } of JSON.parse(all['results']!) as { body: { photoId: string } }[])
    all[body.photoId] = await text(`/api/studios/${studio.id}/photos/${body.photoId}`);
  return all;
}

describe('a backup', () => {
  let folder: string;
  let db: MariaDbAddress;
  let studio: Running;
  let file: string;
  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'cazuela-backup-'));
    db = await emptyDatabase();
    studio = await open(db, true);
    file = join(folder, 'one.cazuela-backup.sql.gz');
    await writeBackup(db, file, NOW);
  });
  afterAll(async () => {
    await studio.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  it('put into an empty database gives every list, file, history and photo as they were', async () => {
    const before = await everything(studio);
    const into = await emptyDatabase();
    await restoreBackup(into, file, KNOWN);
    const again = await open(into);
    const after = await everything(again);
    await again.stop();
    expect(Object.keys(after)).toEqual(Object.keys(before));
    for (const [what, text] of Object.entries(before)) expect([what, after[what] === text]).toEqual([what, true]);
    expect(Object.keys(before).length).toBeGreaterThan(LISTS.length + FILES.length + 10);
  });

  it('says what it is, is read to its end, and is plain SQL within', async () => {
    expect(await checkBackup(file)).toMatchObject({ madeAt: NOW.toISOString(), migrations: KNOWN });
    expect(gunzipSync(readFileSync(file)).toString('utf8')).toContain('CREATE TABLE `bench_events`');
  });

  it.each([
    ['cut off', (bytes: Buffer) => bytes.subarray(0, bytes.length - 400), 'cut off'],
    ['changed in one bit', (bytes: Buffer) => bytes.map((byte, at) => (at === bytes.length >> 1 ? byte ^ 1 : byte)), 'cut off'],
    ['none at all', () => Buffer.from('to whom it may concern'), 'no backup'],
  ])('that is %s is refused before anything is written', async (_what, spoil, words) => {
    const bad = join(folder, 'bad.cazuela-backup.sql.gz');
    writeFileSync(bad, spoil(readFileSync(file)));
    const into = await emptyDatabase();
    await expect(restoreBackup(into, bad, KNOWN)).rejects.toThrow(words);
    rmSync(bad);
    await restoreBackup(into, file, KNOWN);
  });

  it('goes into an empty database only, and into no older program', async () => {
    await expect(restoreBackup(db, file, KNOWN)).rejects.toThrow('There is a studio in this database already');
    await expect(restoreBackup(await emptyDatabase(), file, KNOWN.slice(0, -1))).rejects.toThrow('newer Cazuela');
  });

  it('is made once a day by itself, and a number of days is kept', async () => {
    const home = mkdtempSync(join(folder, 'home-'));
    const days = Array.from({ length: KEPT + 2 }, (_, day) => new Date(NOW.getTime() + day * 86_400_000));
    for (const day of days) {
      const made = await backupWhenDue(home, db, day);
      utimesSync(made!, day, day);
      expect(await backupWhenDue(home, db, new Date(day.getTime() + 3_600_000))).toBeUndefined();
    }
    const kept = backupsIn(join(home, 'backups'));
    expect(kept).toHaveLength(KEPT);
    expect(kept[0]!.madeAt).toEqual(days.at(-1));
  });

  it('that could not be made leaves nothing behind', async () => {
    const failed = join(folder, 'failed.cazuela-backup.sql.gz');
    await expect(writeBackup({ ...db, password: 'wrong' }, failed, NOW)).rejects.toThrow('Access denied');
    expect(backupsIn(folder).map((one) => one.file)).toEqual([file]);
  });
});
