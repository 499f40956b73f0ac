import { rmSync } from 'node:fs';
import { setTimeout as delay } from 'node:timers/promises';
import { ensureBuilt } from './lib/build';
import { keepDailyBackups } from './lib/daily-backup';
import { lockHome, type HomeLock } from './lib/home-lock';
import { PrivateMariaDb, type MariaDbAddress } from './lib/private-mariadb';
import { RestartBudget } from './lib/restart-budget';
import { startServer, stopServer, type ServerProcess } from './lib/server-process';
import { hostedDatabase, studioFolder } from './lib/studio-database';
import { studioPort } from './lib/studio-port';

/** `./cazuela demo [--fresh]` and `./cazuela start`. */
const [command = 'start', ...flags] = process.argv.slice(2);
const demo = command === 'demo';
const say = (line: string): void => console.log(line);
const folder = studioFolder(command);

let lock: HomeLock | undefined;
let database: PrivateMariaDb | undefined;
let server: ServerProcess | undefined;
let stopping = false;

async function stop(code: number): Promise<void> {
  if (stopping) return;
  stopping = true;
  if (server) await stopServer(server.child);
  if (database) await database.stop();
  lock?.release();
  process.exit(code);
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void stop(0));

async function fail(error: unknown): Promise<void> {
  if (stopping) return;
  console.error(error instanceof Error ? error.message : error);
  await stop(1);
}

async function ownDatabase(): Promise<MariaDbAddress> {
  if (demo && flags.includes('--fresh')) {
    // Started and stopped once, so that a database left over from a killed run releases the folder.
    await (await PrivateMariaDb.start(folder)).stop();
    for (const name of ['data', 'tmp']) rmSync(`${folder}/${name}`, { recursive: true, force: true });
  }
  database = await PrivateMariaDb.start(folder);
  keepDatabase(database).catch(fail);
  return database.address;
}

async function keepDatabase(db: PrivateMariaDb): Promise<void> {
  for (const budget = new RestartBudget('The database'); ; budget.spend()) {
    await db.died();
    if (stopping) return;
    say('The database stopped by itself; starting it again …');
    await delay(500);
    await db.launch();
  }
}

async function keepServer(db: MariaDbAddress, port: number): Promise<void> {
  for (const budget = new RestartBudget('The server'); ; budget.spend()) {
    await new Promise((resolve) => server!.child.once('exit', resolve));
    if (stopping) return;
    say('The server stopped by itself; starting it again …');
    server = await startAgain(db, port, budget);
  }
}

/** The database may be starting again at the same time: a start that fails is tried again too. */
async function startAgain(db: MariaDbAddress, port: number, budget: RestartBudget): Promise<ServerProcess> {
  for (;;) {
    try {
      return await startServer({ db, port, demo });
    } catch (error) {
      say((error as Error).message);
      budget.spend();
      await delay(1_000);
    }
  }
}

try {
  await ensureBuilt(say);
  const hosted = demo ? undefined : hostedDatabase();
  // Whoever hosts the database may have several servers on it: only a private one belongs to this home.
  if (!hosted) lock = await lockHome(folder, command);
  const port = Number(process.env['CAZUELA_PORT'] ?? 0) || (await studioPort(folder));
  const db = hosted ?? (await ownDatabase());
  server = await startServer({ db, port, demo });
  lock?.tell({ address: server.address, databasePort: db.port });
  if (!demo) keepDailyBackups(folder, db, say);
  say(`${demo ? 'Taller La Perdiz, the demo studio, is open at' : 'Your studio is open at'} ${server.address}`);
  say('Ctrl-C closes it; what you did is kept.');
  await keepServer(db, port);
} catch (error) {
  await fail(error);
}
