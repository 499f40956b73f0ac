import {
  attempt,
  drawRuns,
  seededUniform,
  joinDraws,
  leadsToShelf,
  overlapOf,
  runLayers,
  safeLine,
  sideKey,
  sidesToRun,
  solveRun,
  type DrawnRuns,
} from '@cazuela/core';
import type { RunJob, RunMessage } from './run-protocol';

/** Moments of the firing that are kept, so that a slider moves without asking again. */
const LOOKS = 12;
/** Draws between two messages of progress. */
const AT_ONCE = 50;

/** One worker's share of a run: the picture first, then the draws, then the lowest safe line. */
export function doRunJob({ question, draws, seed, alone }: RunJob, say: (message: RunMessage) => void): void {
  const sides = attempt(() => sidesToRun(question));
  if (sides.kind === 'refused') return say({ kind: 'failed', message: sides.error.message });
  if (alone) {
    for (const side of sides.value) {
      const { strip, stuckMm, gathers } = side;
      const lookAt = Array.from({ length: LOOKS }, (_, look) => look / LOOKS);
      const { moments, hangsMm3 } = solveRun({ strip, stuckMm, gathers, layers: runLayers(side), overlap: overlapOf(side), lookAt });
      say({ kind: 'moments', side: sideKey(side), moments, hangsMm3 });
    }
  }
  const outer = sides.value.filter(leadsToShelf);
  for (const side of outer) {
    const random = seededUniform(seed);
    const parts: DrawnRuns[] = [];
    for (let done = 0; done < draws; done += AT_ONCE) {
      parts.push(drawRuns(side, { draws: Math.min(AT_ONCE, draws - done), random }));
      // The outside first, because it is waited for.
      if (side.side === 'outside') say({ kind: 'progress', done: Math.min(draws, done + AT_ONCE) });
    }
    say({ kind: 'drawn', side: sideKey(side), drawn: joinDraws(parts) });
  }
  if (alone && outer.length > 0) say({ kind: 'safeLine', line: safeLine(question) });
  say({ kind: 'done' });
}
