import { mkdtempSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const IN_MEMORY = '/dev/shm';
const ROOM_BYTES = 2 * 1024 ** 3;

/** Returns a folder for a database that is thrown away: in memory where there is room, because every test would wait for a slow disk. */
export function throwAwayFolder(name: string): string {
  return mkdtempSync(join(hasRoom(IN_MEMORY) ? IN_MEMORY : tmpdir(), `cazuela-${name}-`));
}

function hasRoom(folder: string): boolean {
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize > ROOM_BYTES;
  } catch {
    return false;
  }
}
