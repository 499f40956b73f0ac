import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { setTimeout as delay } from 'node:timers/promises';
import { freePort } from './free-port';

/** A server whose command was killed a moment ago is still closing. */
const WAIT_MS = 8_000;

/**
 * Returns the port at which a studio was last opened or, at its first start, a free one that is kept from then on. A browser keeps bench events
 * that are not yet acknowledged under the page's address: on another port it would not find them. So a port that is taken is an error, said in a
 * sentence, and the port never changes by itself.
 */
export async function studioPort(folder: string, waitMs = WAIT_MS): Promise<number> {
  const file = join(folder, 'port');
  const last = existsSync(file) ? Number(readFileSync(file, 'utf8')) : Number.NaN;
  if (Number.isInteger(last) && last > 0 && last < 65_536) {
    for (const until = Date.now() + waitMs; !(await isFree(last)); await delay(200)) if (Date.now() >= until) throw new Error(saysTaken(last));
    return last;
  }
  const port = await freePort();
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(file, String(port), { mode: 0o600 });
  return port;
}

const saysTaken = (port: number): string =>
  `Port ${port}, at which this studio is always opened, is taken by another program. Close that one and start again. ` +
  `With CAZUELA_PORT=${port + 1} it opens at another address for once; steps that wait in a browser are sent only from the usual one.`;

function isFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}
