import { closeSync, createWriteStream, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { BACKUP_VERSION, readBackup, addHeaderAndChecksum, type BackupHeader } from './backup-file';
import { ask, mariadbClient } from './mariadb-client';
import type { MariaDbAddress } from './private-mariadb';

export interface BackupState extends BackupHeader {
  bytes: number;
}

/** Writes everything in the database, photos too, as it is at one moment while people go on working. All of the file or none of it. */
export async function writeBackup(db: MariaDbAddress, file: string, now: Date): Promise<BackupHeader> {
  const head: BackupHeader = { version: BACKUP_VERSION, madeAt: now.toISOString(), migrations: await migrationsIn(db) };
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const unfinished = `${file}.unfinished`;
  const dump = mariadbClient('mariadb-dump', db, [
    '--single-transaction',
    '--quick',
    '--hex-blob',
    '--skip-comments',
    '--no-tablespaces',
    db.database,
  ]);
  try {
    await Promise.all([
      pipeline(dump.out, addHeaderAndChecksum(head), createGzip({ level: 6 }), createWriteStream(unfinished, { mode: 0o600 })),
      dump.ended,
    ]);
    sync(unfinished);
    renameSync(unfinished, file);
    sync(dirname(file));
  } finally {
    rmSync(unfinished, { force: true });
  }
  return head;
}

/** Reads a backup to its end. Throws, in a sentence, when it is none of ours, was cut off or changed. */
export async function checkBackup(file: string): Promise<BackupState> {
  let state: BackupState | undefined;
  await readBackup(file, async (sql, head) => {
    let bytes = 0;
    for await (const chunk of sql) bytes += (chunk as Buffer).length;
    state = { ...head, bytes };
  });
  return state!;
}

/** Puts a backup into an empty database, after reading it to its end. Throws when the database is not empty, or the backup is too new. */
export async function restoreBackup(db: MariaDbAddress, file: string, known: readonly string[]): Promise<BackupHeader> {
  const head = await checkBackup(file);
  const unknown = head.migrations.filter((name) => !known.includes(name));
  if (unknown.length > 0) throw new Error(`This backup was made by a newer Cazuela (${unknown.join(', ')}). Restore it with that one.`);
  if ((await ask(db, `SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = '${db.database}'`)) !== '0')
    throw new Error('There is a studio in this database already. A backup goes into an empty one only.');
  await readBackup(file, async (sql) => {
    const into = mariadbClient('mariadb', db, [db.database]);
    into.out.resume();
    await Promise.all([pipeline(sql, into.in), into.ended]);
  });
  return head;
}

export interface BackupFile {
  file: string;
  madeAt: Date;
}

/** Returns the backups in a folder, newest first. */
export function backupsIn(folder: string): BackupFile[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => name.endsWith(BACKUP_ENDING))
    .sort()
    .reverse()
    .map((name) => ({ file: join(folder, name), madeAt: statSync(join(folder, name)).mtime }));
}

export const BACKUP_ENDING = '.cazuela-backup.sql.gz';
export const backupName = (now: Date): string => `${now.toISOString().slice(0, 19).replaceAll(':', '-')}${BACKUP_ENDING}`;

const migrationsIn = async (db: MariaDbAddress): Promise<string[]> => (await ask(db, 'SELECT name FROM migrations ORDER BY name')).split('\n');

function sync(path: string): void {
  const open = openSync(path, 'r');
  fsyncSync(open);
  closeSync(open);
}
