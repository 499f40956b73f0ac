import type { CoatKnowledge, CoatMap, CoatMapQuestion } from '@cazuela/core';

export interface MapQuestion {
  /** Returned with the answer: only the newest is drawn. */
  ask: number;
  question: CoatMapQuestion;
  knowledge: CoatKnowledge;
}

export type MapAnswer = { kind: 'map'; ask: number; map: CoatMap } | { kind: 'failed'; ask: number; message: string };
