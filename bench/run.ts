import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt } from '../scripts/lib/build';
import { freePort } from '../scripts/lib/free-port';
import { PrivateMariaDb } from '../scripts/lib/private-mariadb';
import { startServer, stopServer } from '../scripts/lib/server-process';
import { benchRows } from './bench.bench';
import { bucketRows } from './bucket.bench';
import { coatPageRows, coatRows } from './coat.bench';
import { coreRows } from './core.bench';
import { dayPageRows } from './day-page.bench';
import { dayRows } from './day.bench';
import { loadPageRows } from './load-page.bench';
import { loadRows } from './load.bench';
import { logPageRows, logRows } from './log.bench';
import { importRows } from './import.bench';
import { jobRows } from './jobs.bench';
import { listRows } from './list.bench';
import { shelfRows } from './shelf.bench';
import { show } from './measure';
import { pageRows } from './page.bench';
import { pieceRows } from './piece.bench';
import { resultRows } from './result.bench';
import { runRows } from './run.bench';
import { wallPageRows } from './wall-page.bench';

const PARTS = [
  'core',
  'coat',
  'run',
  'day',
  'load',
  'log',
  'result',
  'wall',
  'piece',
  'page',
  'bench',
  'bucket',
  'list',
  'shelf',
  'import',
  'jobs',
] as const;
const asked = process.argv.slice(2).filter((word) => !/^\d+$/.test(word));
/** Minutes for which the scale runs: `./cazuela bench bench 10` for the long look at its memory. */
const minutes = Number(process.argv.slice(2).find((word) => /^\d+$/.test(word)) ?? 1);
const unknown = asked.find((word) => !PARTS.some((part) => part === word));
if (unknown) {
  console.error(`There is no part “${unknown}”. Measure any of: ${PARTS.join(', ')}; all of them when none is named.`);
  process.exit(1);
}
const wanted = (part: (typeof PARTS)[number]): boolean => asked.length === 0 || asked.includes(part);

/** `./cazuela bench [parts]`: measured on this machine, in one run. Nothing here is asserted by the tests. */
if (wanted('core')) show(coreRows());
if (wanted('coat')) show(coatRows());
if (wanted('run')) show(runRows());
if (wanted('day')) show(dayRows());
if (wanted('load')) show(loadRows());
if (wanted('result')) show(resultRows());
if (wanted('log')) show(logRows());
if (PARTS.some((part) => part !== 'core' && part !== 'run' && part !== 'jobs' && wanted(part))) {
  await ensureBuilt((line) => console.log(line));
  const folder = mkdtempSync(join(tmpdir(), 'cazuela-bench-'));
  const database = await PrivateMariaDb.start(folder);
  const server = await startServer({ db: database.address, port: await freePort(), demo: true, env: { CAZUELA_WRITES_PER_MINUTE: '100000' } });
  try {
    if (wanted('coat')) show(await coatPageRows(server.address));
    if (wanted('day')) show(await dayPageRows(server.address));
    if (wanted('load')) show(await loadPageRows(server.address));
    if (wanted('log')) show(await logPageRows(server.address));
    if (wanted('wall')) show(await wallPageRows(server.address, database.address));
    if (wanted('piece')) show(await pieceRows(server.address));
    if (wanted('page')) show(await pageRows(server.address));
    if (wanted('bench')) show(await benchRows(server.address, minutes));
    if (wanted('bucket')) show(await bucketRows(server.address, database.address));
    if (wanted('list')) show(await listRows(server.address, database.address));
    if (wanted('shelf')) show(await shelfRows(server.address, database.address));
    if (wanted('import')) show(await importRows(server.address, database.address));
  } finally {
    await stopServer(server.child);
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
if (wanted('jobs')) {
  await ensureBuilt((line) => console.log(line));
  show(jobRows());
}
