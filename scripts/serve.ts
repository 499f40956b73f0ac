import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as delay } from 'node:timers/promises';
import { ensureBuilt } from './lib/build';
import { PrivateMariaDb, type MariaDbAddress } from './lib/private-mariadb';
import { HOME } from './lib/project';
import { studioPort } from './lib/studio-port';
import { startServer, stopServer, type ServerProcess } from './lib/server-process';

/** `./cazuela demo [--fresh]` and `./cazuela start`. */
const [command, ...flags] = process.argv.slice(2);
const demo = command === 'demo';
const say = (line: string): void => console.log(line);
const folder = join(HOME, demo ? 'demo' : 'studio');

/** A server that dies is started again, but not for ever. */
const RESTARTS_IN_A_ROW = 5;

let database: PrivateMariaDb | undefined;
let server: ServerProcess | undefined;
let stopping = false;

async function stop(code: number): Promise<void> {
  if (stopping) return;
  stopping = true;
  if (server) await stopServer(server.child);
  if (database) await database.stop();
  process.exit(code);
}

process.on('SIGINT', () => void stop(0));
process.on('SIGTERM', () => void stop(0));
process.on('SIGHUP', () => void stop(0));

/** A MariaDB the studio hosts itself, when the environment names one. */
function hostedDatabase(): MariaDbAddress | undefined {
  const host = process.env['CAZUELA_DB_HOST'];
  if (demo || !host) return undefined;
  return {
    host,
    port: Number(process.env['CAZUELA_DB_PORT'] ?? 3306),
    user: process.env['CAZUELA_DB_USER'] ?? 'cazuela',
    password: process.env['CAZUELA_DB_PASSWORD'] ?? '',
    database: process.env['CAZUELA_DB_NAME'] ?? 'cazuela',
  };
}

async function ownDatabase(): Promise<MariaDbAddress> {
  if (demo && flags.includes('--fresh')) {
    // Started and stopped once, so that a database left over from a killed run lets go of the folder.
    await (await PrivateMariaDb.start(folder)).stop();
    rmSync(folder, { recursive: true, force: true });
  }
  database = await PrivateMariaDb.start(folder);
  void keepDatabase(database);
  return database.address;
}

async function keepDatabase(db: PrivateMariaDb): Promise<void> {
  for (let restarts = 0; restarts < RESTARTS_IN_A_ROW && !stopping; restarts++) {
    await db.died();
    if (stopping) return;
    say('The database stopped by itself; starting it again …');
    await delay(500);
    await db.launch();
  }
}

async function keepServer(db: MariaDbAddress, port: number): Promise<void> {
  for (let restarts = 0; restarts < RESTARTS_IN_A_ROW; restarts++) {
    await new Promise((resolve) => server!.child.once('exit', resolve));
    if (stopping) return;
    say('The server stopped by itself; starting it again …');
    server = await startServer({ db, port, demo });
  }
  throw new Error('The server keeps stopping. Its words are above.');
}

try {
  await ensureBuilt(say);
  const db = hostedDatabase() ?? (await ownDatabase());
  const port = Number(process.env['CAZUELA_PORT'] ?? 0) || (await studioPort(folder));
  server = await startServer({ db, port, demo });
  say(`${demo ? 'Taller La Perdiz, the demo studio, is open at' : 'Your studio is open at'} ${server.address}`);
  say('Ctrl-C closes it; what you did is kept.');
  await keepServer(db, port);
} catch (error) {
  if (!stopping) {
    console.error(error instanceof Error ? error.message : error);
    await stop(1);
  }
}
