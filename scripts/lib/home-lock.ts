import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, realpathSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import { join } from 'node:path';

/** What is stored about the process that has a home open. */
export interface HomeHolder {
  pid: number;
  command: string;
  /** Its address and the port of its database, once they are known. */
  address?: string;
  databasePort?: number;
}

export interface HomeLock {
  tell: (more: Pick<HomeHolder, 'address' | 'databasePort'>) => void;
  release: () => void;
}

/**
 * Takes a home for this process: only one at a time may run its database. Throws, with who has it and where, when another one does. The lock ends
 * with the process, however it ends; `running.json` in the home says who has it.
 */
export async function lockHome(folder: string, command: string): Promise<HomeLock> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const socket = await listen(socketName(folder));
  if (!socket) throw new Error(saysHeld(readHolder(folder)));
  socket.unref();
  const file = holderFile(folder);
  const holder: HomeHolder = { pid: process.pid, command };
  const write = (): void => {
    writeFileSync(`${file}.new`, JSON.stringify(holder), { mode: 0o600 });
    renameSync(`${file}.new`, file);
  };
  write();
  return {
    tell: (more) => {
      Object.assign(holder, more);
      write();
    },
    release: () => {
      rmSync(file, { force: true });
      socket.close();
    },
  };
}

/** Returns who has the home open now, if anybody does. */
export async function homeHolder(folder: string): Promise<HomeHolder | undefined> {
  const holder = readHolder(folder);
  if (!holder) return undefined;
  const socket = await listen(socketName(folder));
  socket?.close();
  return socket ? undefined : holder;
}

function saysHeld(holder: HomeHolder | undefined): string {
  const who = holder ? ` (./cazuela ${holder.command}, process ${holder.pid})` : '';
  return `This studio is open already${holder?.address ? `, at ${holder.address}` : ''}${who}. Use that one, or close it first.`;
}

const holderFile = (folder: string): string => join(folder, 'running.json');

function readHolder(folder: string): HomeHolder | undefined {
  try {
    return JSON.parse(readFileSync(holderFile(folder), 'utf8')) as HomeHolder;
  } catch {
    return undefined;
  }
}

/** A socket name without a file, known to the kernel for as long as the process lives: a killed process leaves nothing behind. */
const socketName = (folder: string): string => `\0cazuela-${createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 32)}`;

function listen(name: string): Promise<Server | undefined> {
  return new Promise((resolve, reject) => {
    const server = createServer((connection) => connection.destroy());
    server.once('error', (error: NodeJS.ErrnoException) => (error.code === 'EADDRINUSE' ? resolve(undefined) : reject(error)));
    server.listen(name, () => resolve(server));
  });
}
