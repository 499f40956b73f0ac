import type { DrawnRuns, PieceRunQuestion, RunForecast, RunMoment, SafeLine } from '@cazuela/core';

/** What a worker is asked. */
export type RunJob =
  /** Its share of the films, and for one of the workers the picture too. */
  | { kind: 'draw'; question: PieceRunQuestion; fromFilm: number; untilFilm: number; alone: boolean }
  /** The lowest safe line, from the draws that were made of each side. */
  | { kind: 'line'; question: PieceRunQuestion; drawn: Readonly<Record<string, DrawnRuns>> }
  /** A quick look, while a hand moves. */
  | { kind: 'look'; question: PieceRunQuestion };

/** Sides by their key. */
export type RunMessage =
  | { kind: 'moments'; side: string; moments: readonly RunMoment[]; hangsMm3: number }
  | { kind: 'progress'; films: number }
  | { kind: 'drawn'; side: string; drawn: DrawnRuns }
  | { kind: 'safeLine'; line: SafeLine }
  | { kind: 'looked'; forecast: RunForecast }
  | { kind: 'done' }
  | { kind: 'failed'; message: string };
