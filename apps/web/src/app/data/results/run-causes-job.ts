import { attempt, runCauses, type PieceRunQuestion, type RunCauses } from '@cazuela/core';

export interface RunCausesJob {
  question: PieceRunQuestion;
  coatTimes: ReadonlyMap<string, number>;
  coneReached?: string | undefined;
}

/** What one worker does; undefined where the plan cannot be run. */
export function doRunCausesJob({ question, ...done }: RunCausesJob): RunCauses | undefined {
  const made = attempt(() => runCauses(question, done));
  return made.kind === 'ok' ? made.value : undefined;
}
