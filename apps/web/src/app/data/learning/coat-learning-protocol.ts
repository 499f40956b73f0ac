import { coverageOf, learnCoats, type CoatLearning, type CoatObservation, type Coverage, type WallObservation } from '@cazuela/core';

/** How many of the newest dips tell how often the ranges held. */
export const NEWEST_DIPS = 9;

export interface CoatLearningQuestion {
  observations: readonly CoatObservation[];
  walls: readonly WallObservation[];
}

/** What was learnt first, because it is waited for. */
export type CoatLearningAnswer = { kind: 'learnt'; learning: CoatLearning } | { kind: 'coverage'; coverage: Coverage };

export function answerCoatLearning({ observations, walls }: CoatLearningQuestion, say: (answer: CoatLearningAnswer) => void): void {
  say({ kind: 'learnt', learning: learnCoats({ observations, walls }) });
  say({ kind: 'coverage', coverage: coverageOf({ observations, newest: NEWEST_DIPS }) });
}
