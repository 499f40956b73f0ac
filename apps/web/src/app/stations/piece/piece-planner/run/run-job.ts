import {
  attempt,
  drawFilms,
  isHarmful,
  joinDraws,
  overlapOf,
  quickForecast,
  runLayers,
  safeLine,
  sideKey,
  sidesToRun,
  solveRun,
  type DrawnRuns,
  type PieceRunQuestion,
  type SideToRun,
} from '@cazuela/core';
import type { RunJob, RunMessage } from './run-protocol';

/** Moments of the firing that are kept, so that a slider moves without asking again. */
const LOOKS = 12;
/** Films between two messages of progress. */
const AT_ONCE = 10;

type Say = (message: RunMessage) => void;

/** What one worker does of a run. */
export function doRunJob(job: RunJob, say: Say): void {
  const { question } = job;
  const done = attempt(() => {
    if (job.kind === 'look') say({ kind: 'looked', forecast: quickForecast(question) });
    else if (job.kind === 'line') say({ kind: 'safeLine', line: safeLine(question, job.drawn) });
    else draw(question, job, say);
  });
  say(done.kind === 'refused' ? { kind: 'failed', message: done.error.message } : { kind: 'done' });
}

/** The picture first, then the films of each side. */
function draw(question: PieceRunQuestion, { fromFilm, untilFilm, alone }: Extract<RunJob, { kind: 'draw' }>, say: Say): void {
  const sides = sidesToRun(question);
  if (alone) sides.forEach((side) => sayMoments(side, say));
  let films = 0;
  for (const side of sides.filter(isHarmful)) {
    const parts: DrawnRuns[] = [];
    for (let from = fromFilm; from < untilFilm; from += AT_ONCE) {
      const until = Math.min(untilFilm, from + AT_ONCE);
      parts.push(drawFilms(side, from, until));
      films += until - from;
      say({ kind: 'progress', films });
    }
    say({ kind: 'drawn', side: sideKey(side), drawn: joinDraws(parts) });
  }
}

function sayMoments(side: SideToRun, say: Say): void {
  const { strip, stuckMm, gathers } = side;
  const lookAt = Array.from({ length: LOOKS }, (_, look) => look / LOOKS);
  const { moments, hangsMm3 } = solveRun({ strip, stuckMm, gathers, layers: runLayers(side), overlap: overlapOf(side), lookAt });
  say({ kind: 'moments', side: sideKey(side), moments, hangsMm3 });
}
