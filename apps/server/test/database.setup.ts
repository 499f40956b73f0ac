import { PrivateMariaDb } from '../../../scripts/lib/private-mariadb';
import { throwAwayFolder } from '../../../scripts/lib/throw-away-folder';

/** One throw-away MariaDB for all server tests; each test file makes a database of its own in it. */
export default async function startDatabase(): Promise<void> {
  const folder = throwAwayFolder('jest');
  const database = await PrivateMariaDb.start(folder, { durable: false });
  process.env['CAZUELA_TEST_DB'] = JSON.stringify(database.address);
  (globalThis as { cazuelaTest?: unknown }).cazuelaTest = { database, folder };
}
