import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt } from '../scripts/lib/build';
import { freePort } from '../scripts/lib/free-port';
import { PrivateMariaDb } from '../scripts/lib/private-mariadb';
import { startServer, stopServer } from '../scripts/lib/server-process';
import { coreRows } from './core.bench';
import { listRows } from './list.bench';
import { show } from './measure';
import { pageRows } from './page.bench';

const asked = process.argv.slice(2);
const wanted = (part: string): boolean => asked.length === 0 || asked.includes(part);

/** `./cazuela bench [core] [page] [list]`: measured on this machine, in one run. Nothing here is asserted by the tests. */
if (wanted('core')) show(coreRows());
if (wanted('page') || wanted('list')) {
  await ensureBuilt((line) => console.log(line));
  const folder = mkdtempSync(join(tmpdir(), 'cazuela-bench-'));
  const database = await PrivateMariaDb.start(folder);
  const server = await startServer({ db: database.address, port: await freePort(), demo: true });
  try {
    if (wanted('page')) show(await pageRows(server.address));
    if (wanted('list')) show(await listRows(server.address, database.address));
  } finally {
    await stopServer(server.child);
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
