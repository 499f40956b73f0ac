import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The same loop in plain C, compiled now: its median time in ms and the sum it computed; undefined without a compiler. */
function besideC(source: string, args: readonly (number | string)[]): { ms: number; sum: number } | undefined {
  const folder = mkdtempSync(join(tmpdir(), 'cazuela-c-'));
  try {
    const program = join(folder, 'loop');
    execFileSync('cc', ['-O2', '-o', program, new URL(`c/${source}`, import.meta.url).pathname, '-lm'], { stdio: 'pipe' });
    const [ms, sum] = execFileSync(program, args.map(String), { encoding: 'utf8' }).trim().split(' ').map(Number);
    return { ms: ms!, sum: sum! };
  } catch {
    return undefined;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const TURNS = 5;

/**
 * Runs ours and C in turn and returns the quietest turn of each: other work on the machine comes and goes, and would fall on one of the two.
 * Without a compiler only ours.
 */
export function inTurnWithC(
  ours: () => number,
  source: string,
  args: readonly (number | string)[],
): { ms: number; c: { ms: number; sum: number } | undefined } {
  const turns = Array.from({ length: TURNS }, () => ({ ms: ours(), c: besideC(source, args) }));
  const { c } = turns.reduce((least, turn) => ((turn.c?.ms ?? 0) < (least.c?.ms ?? 0) ? turn : least));
  return { ms: Math.min(...turns.map((turn) => turn.ms)), c };
}
