import { spawnSync, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createConnection } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as delay } from 'node:timers/promises';
import { freePort } from './free-port';
import { spawnChild } from './spawn-child';

export interface MariaDbAddress {
  host: string;
  port: number;
  user: string;
  password: string;
  database: string;
  /** TLS options for a database elsewhere; on loopback nothing is encrypted. */
  tls?: { verify: boolean; caFile?: string };
}

const ADMIN_TOOLS = ['/usr/sbin/mariadbd', '/usr/bin/mariadbd', '/usr/sbin/mysqld'];
const START_TRIES = 3;
const START_WAIT_MS = 30_000;
const STOP_WAIT_MS = 20_000;

/**
 * A MariaDB of our own on loopback: own data folder, own socket, a port asked from the system, a generated password. Never the machine's own
 * service. Durability is MariaDB's default, which is full.
 */
export class PrivateMariaDb {
  private child: ChildProcess | undefined;
  private stopping = false;

  private constructor(
    private readonly folder: string,
    readonly address: MariaDbAddress,
    private readonly durable: boolean,
    private readonly moreArgs: readonly string[],
  ) {}

  /** `durable: false` is for tests only: their data folder is thrown away. */
  static async start(
    folder: string,
    { durable = true, moreArgs = [] }: { durable?: boolean; moreArgs?: readonly string[] } = {},
  ): Promise<PrivateMariaDb> {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    const data = join(folder, 'data');
    await stopLeftOver(folder);
    if (!existsSync(join(data, 'mysql'))) install(data, ownTemp(folder));
    let lastError: unknown;
    for (let attempt = 0; attempt < START_TRIES; attempt++) {
      const db = new PrivateMariaDb(folder, addressOf(folder, await freePort()), durable, moreArgs);
      try {
        await db.launch();
        return db;
      } catch (error) {
        lastError = error;
      }
    }
    throw lastError;
  }

  /** Returns the address of the database in a folder, while it runs on this port. */
  static addressIn(folder: string, port: number): MariaDbAddress {
    return addressOf(folder, port);
  }

  /** Starts the same server again on the same port, after it was stopped or died. */
  async launch(): Promise<void> {
    this.stopping = false;
    const { folder, address } = this;
    const initFile = join(folder, 'init.sql');
    writeFileSync(initFile, initSql(address), { mode: 0o600 });
    const child = spawnChild(
      mariadbd(),
      [
        '--no-defaults',
        `--datadir=${join(folder, 'data')}`,
        `--socket=${socketPath(folder)}`,
        `--pid-file=${join(folder, 'mariadbd.pid')}`,
        `--log-error=${join(folder, 'mariadbd.log')}`,
        '--bind-address=127.0.0.1',
        `--port=${address.port}`,
        '--skip-name-resolve',
        '--skip-log-bin',
        '--character-set-server=utf8mb4',
        '--collation-server=utf8mb4_unicode_ci',
        '--sql-mode=STRICT_ALL_TABLES,NO_ZERO_DATE,NO_ZERO_IN_DATE,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION',
        '--max-allowed-packet=32M',
        `--init-file=${initFile}`,
        ...(this.durable ? [] : ['--innodb-flush-log-at-trx-commit=0', '--innodb-doublewrite=0']),
        ...this.moreArgs,
        ...(process.getuid?.() === 0 ? ['--user=root'] : []),
      ],
      { stdio: 'ignore', detached: true, env: { ...process.env, TMPDIR: ownTemp(folder) } },
    );
    this.child = child;
    const exited = new Promise<never>((_resolve, reject) => {
      child.once('error', reject);
      child.once('exit', (code) => reject(new Error(`MariaDB did not start (${code}). Its log: ${join(folder, 'mariadbd.log')}`)));
    });
    exited.catch(() => undefined);
    await Promise.race([this.answers(), exited]);
  }

  get running(): boolean {
    return this.child !== undefined && this.child.exitCode === null && this.child.signalCode === null;
  }

  /** Resolves when the process ends without being asked to. */
  async died(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null) return;
    await new Promise((resolve) => child.once('exit', resolve));
    if (this.stopping) await new Promise(() => undefined);
  }

  /** As when the power fails: without a shutdown. */
  kill(): void {
    this.child?.kill('SIGKILL');
  }

  /** A clean shutdown, with a time limit. */
  async stop(): Promise<void> {
    this.stopping = true;
    if (!this.child || !this.running) return;
    const gone = new Promise((resolve) => this.child!.once('exit', resolve));
    this.child.kill('SIGTERM');
    const timer = setTimeout(() => this.child?.kill('SIGKILL'), STOP_WAIT_MS);
    await gone;
    clearTimeout(timer);
  }

  private async answers(): Promise<void> {
    const until = Date.now() + START_WAIT_MS;
    while (Date.now() < until) {
      if (await canConnect(this.address.port)) return;
      await delay(50);
    }
    throw new Error(`MariaDB did not answer within ${START_WAIT_MS / 1000} s. Its log: ${join(this.folder, 'mariadbd.log')}`);
  }
}

/** Returns the server program, if Debian's package is installed. */
export function findMariadbd(): string | undefined {
  return ADMIN_TOOLS.find((path) => existsSync(path));
}

function mariadbd(): string {
  const found = findMariadbd();
  if (!found) throw new Error('MariaDB is not installed. Install it with: sudo apt-get install mariadb-server');
  return found;
}

/** A starting server deletes the temporary tables it finds, also those of another one: each has a folder of its own. */
function ownTemp(folder: string): string {
  const temp = join(folder, 'tmp');
  mkdirSync(temp, { recursive: true, mode: 0o700 });
  return temp;
}

function install(data: string, temp: string): void {
  const root = process.getuid?.() === 0 ? ['--user=root'] : [];
  const made = spawnSync(
    'mariadb-install-db',
    ['--no-defaults', `--datadir=${data}`, '--auth-root-authentication-method=normal', '--skip-test-db', ...root],
    { encoding: 'utf8', env: { ...process.env, TMPDIR: temp } },
  );
  if (made.status !== 0) {
    rmSync(data, { recursive: true, force: true });
    throw new Error(`MariaDB could not make its data folder:\n${made.stderr || made.stdout || String(made.error)}`);
  }
}

/** Runs before the server listens, at every start: it makes the same accounts again, whoever was here before. */
function initSql({ user, password, database }: MariaDbAddress): string {
  return [
    `CREATE DATABASE IF NOT EXISTS \`${database}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`,
    `CREATE USER IF NOT EXISTS '${user}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
    `ALTER USER '${user}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
    `GRANT ALL ON \`${database}%\`.* TO '${user}'@'127.0.0.1';`,
    `ALTER USER 'root'@'localhost' IDENTIFIED BY '${password}';`,
    `DELETE FROM mysql.global_priv WHERE User = '' OR (User = 'root' AND Host <> 'localhost');`,
    'FLUSH PRIVILEGES;',
    '',
  ].join('\n');
}

const addressOf = (folder: string, port: number): MariaDbAddress => ({
  host: '127.0.0.1',
  port,
  user: 'cazuela',
  password: readSecrets(folder).password,
  database: 'cazuela',
});

function readSecrets(folder: string): { password: string } {
  const file = join(folder, 'secrets.json');
  if (!existsSync(file)) writeFileSync(file, JSON.stringify({ password: randomBytes(24).toString('hex') }), { mode: 0o600 });
  return JSON.parse(readFileSync(file, 'utf8')) as { password: string };
}

/** Unix sockets have short names; paths of deep project folders would not fit. */
function socketPath(folder: string): string {
  const near = join(folder, 'mariadbd.sock');
  return near.length < 100 ? near : join(tmpdir(), `cazuela-${Buffer.from(folder).toString('hex').slice(-24)}.sock`);
}

/** A database whose parent was killed still holds the data folder: it is asked to stop first. */
async function stopLeftOver(folder: string): Promise<void> {
  const pidFile = join(folder, 'mariadbd.pid');
  if (!existsSync(pidFile)) return;
  const pid = Number(readFileSync(pidFile, 'utf8').trim());
  if (!isOurs(pid, folder)) return;
  process.kill(pid, 'SIGTERM');
  const until = Date.now() + STOP_WAIT_MS;
  while (Date.now() < until && isOurs(pid, folder)) await delay(50);
}

function isOurs(pid: number, folder: string): boolean {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(folder);
  } catch {
    return false;
  }
}

function canConnect(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = createConnection({ host: '127.0.0.1', port });
    const end = (answer: boolean): void => {
      socket.destroy();
      resolve(answer);
    };
    socket.once('data', () => end(true));
    socket.once('error', () => end(false));
    socket.setTimeout(1_000, () => end(false));
  });
}
