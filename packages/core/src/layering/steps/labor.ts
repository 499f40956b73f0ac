import { changeMinutes } from '../order/cheapest-order';
import type { Preparation } from './preparations';
import type { PieceStep } from './steps';

/** Labor of a plan, minutes: one figure with one meaning wherever it is told. */
export interface PlanLabor {
  /** At one piece. */
  pieceMinutes: number;
  /** Fetching buckets and washing tools between them, once for all the pieces. */
  bucketMinutes: number;
  /** All pieces with their buckets, and what is made ready before. */
  allMinutes: number;
}

/**
 * Returns the labor of steps in their order, each done at all the pieces before the next.
 *
 * @param question - `steps` in order; `count` of pieces, 1 or more; `lightness` of each bucket, 0 black – 1 white; `preparations`, none when left out
 * @example
 * laborOf({ steps: [{ key: 'wax', kind: 'wax', zones: ['foot'], laborSeconds: 40 }], count: 3, lightness: new Map() }) // { pieceMinutes: 0.66666667, bucketMinutes: 0, allMinutes: 2 }
 */
export function laborOf({
  steps,
  count,
  lightness,
  preparations = [],
}: {
  steps: readonly PieceStep[];
  count: number;
  lightness: ReadonlyMap<string, number>;
  preparations?: readonly Pick<Preparation, 'laborMinutes'>[];
}): PlanLabor {
  const pieceMinutes = steps.reduce((sum, step) => sum + step.laborSeconds, 0) / 60;
  const buckets = steps.flatMap((step) => (step.layer ? [step.layer.bucketId] : []));
  const bucketMinutes = buckets.reduce((sum, bucketId, at) => sum + changeMinutes(buckets[at - 1], bucketId, lightness), 0);
  const preparationMinutes = preparations.reduce((sum, one) => sum + one.laborMinutes, 0);
  return { pieceMinutes, bucketMinutes, allMinutes: count * pieceMinutes + bucketMinutes + preparationMinutes };
}
