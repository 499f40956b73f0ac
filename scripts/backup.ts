import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { backupName, writeBackup } from './lib/backup';
import { backupFolder, hostedDatabase, studioFolder, withStudioDatabase } from './lib/studio-database';

/** `./cazuela backup [file]`: all records and photos of the studio in one file, also while people are at work. */
const folder = studioFolder('start');
const now = new Date();
const file = resolve(process.argv[2] ?? join(backupFolder(folder), backupName(now)));
try {
  if (existsSync(file)) throw new Error(`${file} is there already: nothing is written over. Choose another name.`);
  if (!hostedDatabase() && !existsSync(join(folder, 'data'))) throw new Error('There is no studio here yet: nothing to keep.');
  await withStudioDatabase('backup', folder, (db) => writeBackup(db, file, now));
  console.log(`Kept in ${file}`);
  console.log('It holds everything of the studio, photos too. Keep a copy on another machine.');
} catch (error) {
  console.error((error as Error).message);
  process.exit(1);
}
