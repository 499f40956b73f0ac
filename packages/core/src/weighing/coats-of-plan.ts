import type { PieceShape } from '../geometry/piece-form';
import { areasOf } from '../plan/areas';
import type { PiecePlan } from '../plan/piece-plan';
import type { PiecesToCoat } from './for-pieces';

/**
 * Returns the coats that a plan takes from these buckets: what "enough for these pieces" is counted from.
 *
 * @param question - `plan`, `shape`, `count` of pieces, and `bucketIds`
 * @example
 * coatsOfPlan({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), count: 12, bucketIds: new Set(['ash']) })[0].count
 * // 12
 */
export function coatsOfPlan({
  plan,
  shape,
  count,
  bucketIds,
}: {
  plan: PiecePlan;
  shape: PieceShape;
  count: number;
  bucketIds: ReadonlySet<string>;
}): PiecesToCoat[] {
  return areasOf({ plan, shape }).flatMap(({ layers, takesCm2: areaCm2 }) =>
    layers
      .filter((layer) => bucketIds.has(layer.bucketId) && areaCm2 > 0)
      .map((layer) => ({ count, areaCm2, coatMm: layer.coatMm, method: layer.method })),
  );
}
