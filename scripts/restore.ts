import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { MIGRATIONS } from '../apps/server/src/db/migrate';
import { checkBackup, restoreBackup } from './lib/backup';
import { clearHome, hostedDatabase, studioFolder, withStudioDatabase } from './lib/studio-database';

/** `./cazuela restore file`: a backup becomes the studio of an empty home. */
const [file] = process.argv.slice(2);
const folder = studioFolder('start');
const isPrivate = !hostedDatabase();
try {
  if (!file) throw new Error('Which one? ./cazuela restore FILE puts a backup into an empty home.');
  if (isPrivate && existsSync(join(folder, 'data')))
    throw new Error(`There is a studio in ${folder} already. Restore into an empty home: CAZUELA_HOME=/another/folder ./cazuela restore ${file}`);
  await checkBackup(file);
  const known = MIGRATIONS.map(({ name }) => name);
  const head = await withStudioDatabase('restore', folder, (db) => restoreBackup(db, file, known)).catch((error: unknown) => {
    if (isPrivate) clearHome(folder);
    throw error;
  });
  console.log(`The studio is as it was at ${head.madeAt}. Open it with: ./cazuela start`);
} catch (error) {
  console.error((error as Error).message);
  process.exit(1);
}
