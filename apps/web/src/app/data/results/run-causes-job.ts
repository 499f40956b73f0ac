import { attempt, runCauses, type PieceRunQuestion, type RunCauses, type RunDone } from '@cazuela/core';

export interface RunCausesJob extends RunDone {
  question: PieceRunQuestion;
}

/** What one worker does; undefined where the plan cannot be run. */
export function doRunCausesJob({ question, ...done }: RunCausesJob): RunCauses | undefined {
  const made = attempt(() => runCauses(question, done));
  return made.kind === 'ok' ? made.value : undefined;
}
