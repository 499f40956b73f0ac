import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { backupName, backupsIn, writeBackup } from './backup';
import type { MariaDbAddress } from './private-mariadb';
import { backupFolder } from './studio-database';

const EVERY_MS = 24 * 3_600_000;
/** Looked for more often than made: a machine may be off at night. */
const LOOK_MS = 30 * 60_000;
const FIRST_LOOK_MS = 60_000;
/** Two weeks of days. Those made by hand elsewhere are nobody's but the potter's. */
export const KEPT = 14;

/** One backup a day while the studio is open, the oldest let go. What goes wrong is said, and tried again. Gives a function that ends it. */
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

/** Makes one when the newest is older than a day. Gives its file when it did. */
export async function backupWhenDue(folder: string, db: MariaDbAddress, now: Date): Promise<string | undefined> {
  const backups = backupFolder(folder);
  const [newest] = backupsIn(backups);
  if (newest && now.getTime() - newest.madeAt.getTime() < EVERY_MS) return undefined;
  const file = join(backups, backupName(now));
  await writeBackup(db, file, now);
  for (const old of backupsIn(backups).slice(KEPT)) rmSync(old.file, { force: true });
  return file;
}
