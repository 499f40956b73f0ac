import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { homeHolder, lockHome } from './home-lock';
import { PrivateMariaDb, type MariaDbAddress } from './private-mariadb';
import { HOME } from './project';

export const studioFolder = (command: string): string => join(HOME, command === 'demo' ? 'demo' : 'studio');
export const backupFolder = (folder: string): string => join(folder, 'backups');

/** The database that the studio hosts itself, when the environment names one. */
export function hostedDatabase(): MariaDbAddress | undefined {
  const {
    CAZUELA_DB_HOST: host,
    CAZUELA_DB_PORT,
    CAZUELA_DB_USER,
    CAZUELA_DB_PASSWORD,
    CAZUELA_DB_NAME,
    CAZUELA_DB_TLS,
    CAZUELA_DB_CA,
  } = process.env;
  if (!host) return undefined;
  const isSecure = CAZUELA_DB_TLS === 'on' || CAZUELA_DB_TLS === 'skip-verify';
  return {
    host,
    port: Number(CAZUELA_DB_PORT ?? 3306),
    user: CAZUELA_DB_USER ?? 'cazuela',
    password: CAZUELA_DB_PASSWORD ?? '',
    database: CAZUELA_DB_NAME ?? 'cazuela',
    ...(isSecure ? { tls: { verify: CAZUELA_DB_TLS === 'on', ...(CAZUELA_DB_CA ? { caFile: CAZUELA_DB_CA } : {}) } } : {}),
  };
}

/**
 * Does something with the database of a studio: the hosted one, the one that is running now, or the private one, started for it and stopped again.
 */
export async function withStudioDatabase<T>(command: string, folder: string, work: (db: MariaDbAddress) => Promise<T>): Promise<T> {
  const hosted = hostedDatabase();
  if (hosted) return work(hosted);
  const holder = await homeHolder(folder);
  if (holder?.databasePort) return work(PrivateMariaDb.addressIn(folder, holder.databasePort));
  const lock = await lockHome(folder, command);
  try {
    const database = await PrivateMariaDb.start(folder);
    try {
      return await work(database.address);
    } finally {
      await database.stop();
    }
  } finally {
    lock.release();
  }
}

/** An empty home stays empty when the restore failed. */
export function clearHome(folder: string): void {
  for (const name of ['data', 'tmp', 'secrets.json', 'init.sql', 'mariadbd.log']) rmSync(join(folder, name), { recursive: true, force: true });
}
