import { attempt } from '../checks/potter-error';
import { plannedCoatOf, type DayStep, type PieceDone, type StepDone } from './day-plan';
import { coatDeviation, type CoatDeviation, type CoatDone } from './deviation';

/** A piece whose coat is not as the others of its lot. */
export interface OddPiece {
  /** In the order in which they were done, from 1. */
  piece: number;
  deviation: CoatDeviation;
}

/**
 * Returns what a step made of its coat; undefined where it has none, or nothing was timed, measured or weighed that says it.
 *
 * @param step - as it was planned
 * @param done - how it was done; its `sg` is the bucket's at that moment
 * @example
 * stepDeviation({ id: 's', itemId: 'i', kind: 'wax', words: '', laborSeconds: 60, waitMinutes: 15 }, {}) // undefined
 */
export function stepDeviation(step: DayStep, done: StepDone): CoatDeviation | undefined {
  const gains = gainsOf(done.pieces);
  return deviationOf(step, done, { seconds: done.seconds, gainGrams: middle(gains) });
}

/**
 * Returns the pieces of a lot whose own seconds or weights gave another coat than the lot's.
 *
 * @param step - as it was planned
 * @param done - how it was done
 * @example
 * oddPieces({ id: 's', itemId: 'i', kind: 'wax', words: '', laborSeconds: 60, waitMinutes: 15 }, {}) // []
 */
export function oddPieces(step: DayStep, done: StepDone): OddPiece[] {
  const lot = stepDeviation(step, done)?.verdict ?? 'asPlanned';
  return (done.pieces ?? []).flatMap((one, at) => {
    const [gainGrams] = gainsOf([one]);
    if (one.seconds === undefined && gainGrams === undefined) return [];
    const deviation = deviationOf(step, done, { seconds: one.seconds ?? done.seconds, gainGrams });
    return deviation && deviation.verdict !== lot ? [{ piece: at + 1, deviation }] : [];
  });
}

/**
 * Returns the seconds that stand for all pieces that were timed: the middle one; undefined where none was.
 *
 * @param pieces - in any order
 * @example
 * middleSeconds([{ seconds: 4 }, { seconds: 9 }, { seconds: 3 }]) // 4
 */
export const middleSeconds = (pieces: readonly PieceDone[]): number | undefined => middle(pieces.flatMap(({ seconds }) => seconds ?? []));

function deviationOf(step: DayStep, { method, coatMm, sg }: StepDone, measured: Pick<CoatDone, 'seconds' | 'gainGrams'>): CoatDeviation | undefined {
  const planned = plannedCoatOf(step);
  if (!planned) return undefined;
  // Done in another way, its seconds say nothing.
  const isOtherWay = method !== undefined && method !== step.method;
  const seconds = isOtherWay ? undefined : measured.seconds;
  const isTold =
    coatMm !== undefined || seconds !== undefined || measured.gainGrams !== undefined || (!isOtherWay && sg !== undefined && step.sg !== undefined);
  if (!isTold) return undefined;
  const made = attempt(() => coatDeviation(planned, { seconds, sg, coatMm, gainGrams: measured.gainGrams }));
  return made.kind === 'ok' ? made.value : undefined;
}

const gainsOf = (pieces: readonly PieceDone[] = []): number[] =>
  pieces.flatMap(({ beforeGrams, afterGrams }) =>
    beforeGrams !== undefined && afterGrams !== undefined && afterGrams > beforeGrams ? [afterGrams - beforeGrams] : [],
  );

function middle(values: readonly number[]): number | undefined {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) / 2)];
}
