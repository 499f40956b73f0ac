import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { backupName, backupsIn, writeBackup } from './backup';
import type { MariaDbAddress } from './private-mariadb';
import { backupFolder } from './studio-database';

const EVERY_MS = 24 * 3_600_000;
/** Checked more often than a backup is made: a machine may be off at night. */
const LOOK_MS = 30 * 60_000;
const FIRST_LOOK_MS = 60_000;
/** Two weeks of daily backups. Those made by hand elsewhere are never deleted. */
export const KEPT = 14;

/**
 * Makes one backup a day while the studio is open and deletes the oldest. A failure is reported and tried again. Returns a function that stops it.
 */
export function keepDailyBackups(folder: string, db: MariaDbAddress, say: (line: string) => void): () => void {
  let isAt = false;
  const look = (): void => {
    if (isAt) return;
    isAt = true;
    backupWhenDue(folder, db, new Date())
      .catch((error: unknown) => say(`Today's backup could not be made: ${(error as Error).message}`))
      .finally(() => (isAt = false));
  };
  const timers = [setTimeout(look, FIRST_LOOK_MS), setInterval(look, LOOK_MS)];
  for (const timer of timers) timer.unref();
  return () => timers.forEach((timer) => clearTimeout(timer));
}

/** Makes a backup when the newest is older than a day. Returns its file when it did. */
export async function backupWhenDue(folder: string, db: MariaDbAddress, now: Date): Promise<string | undefined> {
  const backups = backupFolder(folder);
  const [newest] = backupsIn(backups);
  if (newest && now.getTime() - newest.madeAt.getTime() < EVERY_MS) return undefined;
  const file = join(backups, backupName(now));
  await writeBackup(db, file, now);
  for (const old of backupsIn(backups).slice(KEPT)) rmSync(old.file, { force: true });
  return file;
}
