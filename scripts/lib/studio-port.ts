import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { freePort } from './free-port';

/**
 * The port a studio was opened at last, while it is free, else another that is kept from then on. A browser keeps bench
 * work not yet acknowledged under the page's address: with a new port at every start it would not be found again.
 */
export async function studioPort(folder: string): Promise<number> {
  const file = join(folder, 'port');
  const last = existsSync(file) ? Number(readFileSync(file, 'utf8')) : Number.NaN;
  if (Number.isInteger(last) && last > 0 && last < 65_536 && (await isFree(last))) return last;
  const port = await freePort();
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(file, String(port), { mode: 0o600 });
  return port;
}

function isFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}
