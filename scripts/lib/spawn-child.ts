import { spawn, type ChildProcess, type SpawnOptions } from 'node:child_process';
import { existsSync } from 'node:fs';

const SETPRIV = '/usr/bin/setpriv';

/** Starts a program that the kernel asks to stop when this process ends, however it ends. */
export function spawnChild(command: string, args: readonly string[], options: SpawnOptions): ChildProcess {
  // Debian's util-linux, which every machine has, sets the signal and then becomes the program itself.
  if (!existsSync(SETPRIV)) return spawn(command, args, options);
  return spawn(SETPRIV, ['--pdeathsig', 'TERM', command, ...args], options);
}
