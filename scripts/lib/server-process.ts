import type { ChildProcess } from 'node:child_process';
import type { MariaDbAddress } from './private-mariadb';
import { DEMO_SERVER_FILE, SERVER_FILE, WEB_FOLDER } from './project';
import { spawnChild } from './spawn-child';

export interface ServerOptions {
  db: MariaDbAddress;
  port: number;
  /** Whether an empty database gets the demo studio. */
  demo: boolean;
  /** Further environment, e.g. limits for a test. */
  env?: Record<string, string>;
  /** Whether its messages are shown. */
  stderr?: 'inherit' | 'ignore';
  /** Called with the process as soon as it exists, before it listens. */
  began?: (child: ChildProcess) => void;
}

export interface ServerProcess {
  address: string;
  child: ChildProcess;
}

const LISTEN_WAIT_MS = 60_000;

/** Starts the built server as its own process and waits until it listens. */
export function startServer({ db, port, demo, env = {}, stderr = 'inherit', began }: ServerOptions): Promise<ServerProcess> {
  const child = spawnChild(process.execPath, ['--enable-source-maps', demo ? DEMO_SERVER_FILE : SERVER_FILE], {
    stdio: ['ignore', 'pipe', stderr],
    // A process group of its own: Ctrl-C reaches the command, which stops the server and then the database, in that order.
    detached: true,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      CAZUELA_PORT: String(port),
      CAZUELA_DB_HOST: db.host,
      CAZUELA_DB_PORT: String(db.port),
      CAZUELA_DB_USER: db.user,
      CAZUELA_DB_PASSWORD: db.password,
      CAZUELA_DB_NAME: db.database,
      CAZUELA_WEB: WEB_FOLDER,
      ...env,
    },
  });
  began?.(child);
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => {
      child.kill('SIGKILL');
      reject(new Error('The server did not listen within a minute.'));
    }, LISTEN_WAIT_MS);
    let text = '';
    child.stdout!.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const match = /\{"listening":"([^"]+)"\}/.exec(text);
      if (!match) return;
      clearTimeout(timer);
      // It writes nothing more there; whatever comes is not kept.
      text = '';
      child.stdout!.removeAllListeners('data').resume();
      resolve({ address: match[1]!, child });
    });
    child.once('exit', (code) => {
      clearTimeout(timer);
      reject(new Error(`The server ended before it listened (${code}). Its words are above.`));
    });
  });
}

/** Asks the server to stop and waits for it, with a time limit. */
export async function stopServer(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  const timer = setTimeout(() => child.kill('SIGKILL'), 5_000);
  await gone;
  clearTimeout(timer);
}
