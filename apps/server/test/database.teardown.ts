import { rmSync } from 'node:fs';
import type { PrivateMariaDb } from '../../../scripts/lib/private-mariadb';

export default async function stopDatabase(): Promise<void> {
  const { database, folder } = (globalThis as unknown as { cazuelaTest: { database: PrivateMariaDb; folder: string } }).cazuelaTest;
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
