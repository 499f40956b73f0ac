import type { PieceShape } from '../geometry/piece-form';
import { areasOf } from '../plan/areas';
import type { PiecePlan } from '../plan/piece-plan';
import type { PiecesToCoat } from './for-pieces';

/** The coats that a plan takes from these buckets, for so many pieces: what "enough for these pieces" is counted from. */
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
  return areasOf({ plan, shape }).flatMap(({ layers, areaCm2 }) =>
    layers
      .filter((layer) => bucketIds.has(layer.bucketId) && areaCm2 > 0)
      .map((layer) => ({ count, areaCm2, coatMm: layer.coatMm, method: layer.method })),
  );
}
