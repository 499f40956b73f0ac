import { randomBytes } from 'node:crypto';
import { createConnection } from 'mariadb';
import type { MariaDbAddress } from '../../../scripts/lib/private-mariadb';

/** The throw-away MariaDB of this run. */
export const sharedDatabase = (): MariaDbAddress => JSON.parse(process.env['CAZUELA_TEST_DB']!) as MariaDbAddress;

/** Makes an empty database in a MariaDB. Test files share one process when Jest runs in band, so the name differs there too. */
export async function emptyDatabase(address = sharedDatabase()): Promise<MariaDbAddress> {
  const { host, port, user, password } = address;
  const database = `cazuela_${randomBytes(6).toString('hex')}`;
  // A machine that stalls for a moment is no reason to fail.
  const admin = await createConnection({ connectTimeout: 30_000, host, port, user, password });
  await admin.query(`CREATE DATABASE ${database}`);
  await admin.end();
  return { ...address, database };
}
