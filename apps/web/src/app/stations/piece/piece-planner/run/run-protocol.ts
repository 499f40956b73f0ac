import type { DrawnRuns, RunMoment, SafeLine, SafeLineQuestion } from '@cazuela/core';

/** What a worker is asked: its share of the draws, and for one of them the picture and the safe line too. */
export interface RunJob {
  question: SafeLineQuestion;
  draws: number;
  seed: number;
  alone: boolean;
}

/** Sides by their key. */
export type RunMessage =
  | { kind: 'moments'; side: string; moments: readonly RunMoment[]; hangsMm3: number }
  | { kind: 'progress'; done: number }
  | { kind: 'drawn'; side: string; drawn: DrawnRuns }
  | { kind: 'safeLine'; line: SafeLine }
  | { kind: 'done' }
  | { kind: 'failed'; message: string };
