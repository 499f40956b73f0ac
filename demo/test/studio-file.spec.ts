import { buffer } from 'node:stream/consumers';
import { promisify } from 'node:util';
import type { Result, Studio, StudioOutcome } from '@cazuela/contract';
import { fromBuffer, type Entry, type ZipFile } from 'yauzl';
import { ZipFile as ZipWriter } from 'yazl';
import type { StudioFile } from '../../apps/server/src/features/files/studio-file/studio-tables';
import { serverUnderTest, type ServerUnderTest } from '../../apps/server/test/server-under-test';
import { loadDemo } from '../load-demo';

type Zip = Map<string, Buffer>;

/** Everything in a zip, by its name. */
async function unzipped(bytes: Buffer): Promise<Zip> {
  const zip = await promisify<Buffer, { lazyEntries: true }, ZipFile>(fromBuffer)(bytes, { lazyEntries: true });
  const files: Zip = new Map();
  await new Promise<void>((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      zip.openReadStream(entry, (error, stream) => {
        if (error) return reject(error);
        void buffer(stream).then((content) => {
          files.set(entry.fileName, content);
          zip.readEntry();
        }, reject);
      });
    });
    zip.on('end', () => resolve());
    zip.readEntry();
  });
  return files;
}

async function zipped(files: Record<string, string>): Promise<Buffer> {
  const zip = new ZipWriter();
  for (const [name, text] of Object.entries(files)) zip.addBuffer(Buffer.from(text), name);
  zip.end();
  return buffer(zip.outputStream);
}

const studioJson = (zip: Zip): StudioFile => JSON.parse(zip.get('studio.json')!.toString('utf8')) as StudioFile;

describe('a whole studio as one file', () => {
  let home: ServerUnderTest;
  let demo: Studio;
  let bytes: Buffer;
  let file: Zip;
  beforeAll(async () => {
    home = await serverUnderTest();
    await home.context.models.powders.destroy({ where: {} });
    await home.context.models.studios.destroy({ where: {} });
    await loadDemo(home.context);
    demo = ((await home.any.get('/api/studios').expect(200)).body as [Studio])[0];
    // Photos are counted when their colours are first asked for.
    await home.any.get(`/api/studios/${demo.id}/photo-colours`).expect(200);
    bytes = await download(home, demo.id);
    file = await unzipped(bytes);
  }, 60_000);

  const download = async (server: ServerUnderTest, studioId: string): Promise<Buffer> =>
    (
      await server.any
        .get(`/api/studios/${studioId}/files/studio.zip`)
        .buffer()
        .parse((response, done) => void buffer(response as unknown as NodeJS.ReadableStream).then((whole) => done(null, whole)))
        .expect(200)
    ).body as Buffer;
  const bringIn = (server: ServerUnderTest, studioId: string, zip: Buffer) =>
    server.any.post(`/api/studios/${studioId}/files/studio`).attach('file', zip, 'studio.zip');

  it('has every record and every photo', () => {
    const { tables, studio } = studioJson(file);
    expect(studio.name).toBe('Taller La Perdiz');
    for (const table of [
      'recipes',
      'buckets',
      'pieces',
      'days',
      'coatWindows',
      'bodies',
      'tiles',
      'runnerTiles',
      'firings',
      'results',
      'resultChanges',
    ] as const)
      expect([table, tables[table].length]).toEqual([table, expect.any(Number)]);
    expect(tables.results.length).toBeGreaterThan(8);
    for (const { id } of tables.photos) expect(file.get(`photos/${id}.jpg`)!.subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]));
  });

  it('comes back into an empty studio as it was, and a second time adds nothing', async () => {
    const away = await serverUnderTest();
    const outcome = (await bringIn(away, away.studio.id, bytes).expect(201)).body as StudioOutcome;
    expect(outcome.left).toEqual([]);
    expect(outcome.photos).toBe(studioJson(file).tables.photos.length);
    const back = await unzipped(await download(away, away.studio.id));
    const [before, after] = [studioJson(file).tables, studioJson(back).tables];
    for (const table of Object.keys(before) as (keyof typeof before)[]) {
      // The generic powders of a new studio are there already, under ids of their own.
      if (['powders', 'stockMoves', 'powderUses', 'recipeVersions', 'batches', 'buckets', 'benchEvents', 'series'].includes(table)) {
        expect([table, after[table].length]).toEqual([table, before[table].length]);
        continue;
      }
      const byText = (row: object): string => JSON.stringify(Object.entries(row).filter(([, value]) => typeof value !== 'object'));
      const sorted = (rows: readonly object[]): object[] => [...rows].sort((a, b) => byText(a).localeCompare(byText(b)));
      expect([table, sorted(after[table])]).toEqual([table, sorted(before[table])]);
    }
    expect([...back.keys()].sort()).toEqual([...file.keys()].sort());
    for (const [name, content] of file) if (name !== 'studio.json') expect(back.get(name)!.equals(content)).toBe(true);
    const again = (await bringIn(away, away.studio.id, bytes).expect(201)).body as StudioOutcome;
    expect(again).toMatchObject({ added: 0, photos: 0, left: [] });
    // What the bench shows is there too.
    const buckets = (await away.get('/buckets').expect(200)).body as { id: string; contents: object | null }[];
    expect(buckets.filter(({ contents }) => contents).length).toBeGreaterThan(4);
  }, 60_000);

  it('beside the studio it came from it is a copy with ids of its own', async () => {
    const other = await home.otherStudio();
    const outcome = (await bringIn(home, other.id, bytes).expect(201)).body as StudioOutcome;
    expect(outcome.left).toEqual([]);
    const copy = studioJson(await unzipped(await download(home, other.id))).tables;
    expect(copy.results).toHaveLength(studioJson(file).tables.results.length);
    expect(copy.results.every(({ pieceId }) => copy.pieces.some(({ id }) => id === pieceId))).toBe(true);
    const again = (await bringIn(home, other.id, bytes).expect(201)).body as StudioOutcome;
    expect(again).toMatchObject({ added: 0, photos: 0 });
    expect(studioJson(await unzipped(await download(home, demo.id))).tables.results).toHaveLength(studioJson(file).tables.results.length);
  }, 60_000);

  it('a code that is taken here is not given twice', async () => {
    const away = await serverUnderTest();
    const { tables, ...head } = studioJson(file);
    const bucket = tables.buckets[0]!;
    const alone = (id: string): string => {
      const empty = Object.fromEntries(Object.keys(tables).map((table) => [table, []]));
      const own = { ...bucket, id, recipeId: null, recipeVersionId: null, contents: null };
      return JSON.stringify({ ...head, tables: { ...empty, buckets: [own] } });
    };
    await bringIn(away, away.studio.id, await zipped({ 'studio.json': alone(bucket.id) })).expect(201);
    const other = alone('0198c0de-0000-7000-8000-000000000001');
    const outcome = (await bringIn(away, away.studio.id, await zipped({ 'studio.json': other })).expect(201)).body as StudioOutcome;
    expect(outcome.left[0]).toContain(`${bucket.code} is taken here`);
    const codes = ((await away.get('/buckets').expect(200)).body as { code: string }[]).map(({ code }) => code);
    expect(new Set(codes).size).toBe(2);
  });

  it('a photo that is no photo, or is missing, takes nothing down with it in silence', async () => {
    const away = await serverUnderTest();
    const json = file.get('studio.json')!.toString('utf8');
    const outcome = (await bringIn(away, away.studio.id, await zipped({ 'studio.json': json })).expect(201)).body as StudioOutcome;
    expect(outcome.photos).toBe(0);
    expect(outcome.left).toContain('A photo is named in the file, and is not in it.');
    for (const { body } of (await away.get('/results').expect(200)).body as Result[]) expect([body.photoId, body.photoIds ?? []]).toEqual([null, []]);
    expect((await away.get('/results').expect(200)).body).toHaveLength(studioJson(file).tables.results.length);
    const { photos } = studioJson(file).tables;
    const third = await serverUnderTest();
    await bringIn(third, third.studio.id, await zipped({ 'studio.json': json, [`photos/${photos[0]!.id}.jpg`]: 'just words' })).expect(415);
    expect((await third.get('/pieces').expect(200)).body).toEqual([]);
  }, 60_000);

  const without = (table: keyof StudioFile['tables']): string => {
    const whole = studioJson(file);
    return JSON.stringify({ ...whole, tables: { ...whole.tables, [table]: [], photos: [] } });
  };
  const twice = (table: 'kilns'): string => {
    const whole = studioJson(file);
    return JSON.stringify({ ...whole, tables: { ...whole.tables, [table]: [...whole.tables[table], ...whole.tables[table]], photos: [] } });
  };
  let fresh: ServerUnderTest;
  beforeAll(async () => {
    fresh = await serverUnderTest();
  });

  it.each<[string, () => Promise<Buffer>, string]>([
    ['no zip', () => Promise.resolve(Buffer.from('just words')), 'no zip of a studio'],
    ['a zip of something else', () => zipped({ 'notes.txt': 'hello' }), 'no studio.json'],
    ['broken text', () => zipped({ 'studio.json': '{"format":' }), 'no JSON'],
    ['another format', () => zipped({ 'studio.json': '{"format":"cazuela"}' }), 'does not fit'],
    ['a zip that was cut short', () => Promise.resolve(bytes.subarray(0, bytes.length / 2)), 'zip'],
    ['a piece whose clay is not in it', () => zipped({ 'studio.json': without('bodies') }), 'points to one that is not in it'],
    ['a kiln that stands in it twice', () => zipped({ 'studio.json': twice('kilns') }), 'stands in this file twice'],
    [
      'a coat that no pot has',
      () =>
        zipped({
          'studio.json': file
            .get('studio.json')!
            .toString('utf8')
            .replace(/"coatMm":[\d.]+/, '"coatMm":900'),
        }),
      'does not fit',
    ],
  ])('%s is refused in words, and nothing of it stays', async (_name, made, words) => {
    const answer = await bringIn(fresh, fresh.studio.id, await made());
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.status).toBeLessThan(500);
    expect((answer.body as { detail: string }).detail).toContain(words);
    expect((await fresh.get('/pieces').expect(200)).body).toEqual([]);
  });
});
