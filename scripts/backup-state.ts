import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { backupsIn, checkBackup } from './lib/backup';
import { backupFolder, studioFolder } from './lib/studio-database';

/** For `./cazuela doctor`: how old the newest backup is, and whether it can be read to its end. */
const OLD_HOURS = 48;
const folder = studioFolder('start');
const [newest] = backupsIn(backupFolder(folder));
const tell = (isWell: boolean, words: string): never => {
  console.log(`  ${isWell ? 'ok      ' : 'missing '} ${words}`);
  process.exit(isWell ? 0 : 1);
};
if (!newest) {
  const isEmpty = !existsSync(join(folder, 'data'));
  tell(isEmpty, isEmpty ? 'backup: no studio here yet' : 'backup: there is none; ./cazuela backup makes one, and ./cazuela start one a day');
}
try {
  const { bytes, madeAt } = await checkBackup(newest!.file);
  const hours = (Date.now() - Date.parse(madeAt)) / 3_600_000;
  const age = hours < 48 ? `${Math.round(hours)} h old` : `${Math.round(hours / 24)} days old`;
  tell(hours < OLD_HOURS, `backup: ${age}, read to its end (${(bytes / 1e6).toFixed(1)} MB unpacked), ${newest!.file}`);
} catch (error) {
  tell(false, `backup: ${newest!.file}: ${(error as Error).message}`);
}
