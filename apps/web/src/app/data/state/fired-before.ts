import type { BucketSummary, CoatWindowDocument, Piece, Result, RunnerTile, StepTile } from '@cazuela/contract';
import { glazeIdOf, type BucketRecord } from '@cazuela/core';

/** From here on a piece came out well. */
const GOOD_STARS = 4;

interface Known {
  buckets: readonly BucketSummary[];
  pieces: readonly Piece[];
  results: readonly Result[];
  windows: readonly CoatWindowDocument[];
  tiles: readonly StepTile[];
  runners: readonly RunnerTile[];
}

/** What was fired before a piece, by the buckets of its coats. */
export interface FiredBefore {
  /** Whether the glaze was on the clay of the piece before, on a tile or a piece. */
  isTestedOnClay: (result: Result, bodyId: string) => ReadonlyMap<string, boolean>;
  /** What was recorded of the bucket when the last good piece with its glaze was made. */
  lastGood: (result: Result) => ReadonlyMap<string, BucketRecord>;
}

/** All results are looked at once; then each piece is found fast. */
export function firedBefore(known: Known): FiredBefore {
  const glazeOf = new Map(known.buckets.map((bucket) => [bucket.id, glazeIdOf(bucket)]));
  const clayOf = new Map(known.pieces.map(({ id, body }) => [id, body.bodyId]));
  const oldestFirst = [...known.results].sort((a, b) => Date.parse(a.firedAt) - Date.parse(b.firedAt));
  /** When a glaze came out of the fire on a clay first, ms. */
  const firstMs = new Map<string, number>();
  const fired = (glazeId: string, bodyId: string | undefined, at: string | undefined): void => {
    if (!bodyId || !at) return;
    const key = `${glazeId} ${bodyId}`;
    firstMs.set(key, Math.min(firstMs.get(key) ?? Infinity, Date.parse(at)));
  };
  for (const { glazeId, bodyId, changes } of known.windows) fired(glazeId, bodyId, changes[0]?.at);
  for (const { body } of known.tiles) fired(body.glazeId, body.bodyId, body.firedAt);
  for (const { body } of known.runners) for (const { glazeId } of body.layers) fired(glazeId, body.bodyId, body.firedAt);
  const good = new Map<string, { ms: number; bucket: BucketRecord }[]>();
  for (const { body, glazedWith, firedAt } of oldestFirst) {
    const isGood = body.stars >= GOOD_STARS && body.faults.length === 0;
    for (const { bucketId, record } of glazedWith) {
      const glazeId = glazeOf.get(bucketId ?? '');
      if (!glazeId) continue;
      fired(glazeId, clayOf.get(body.pieceId), firedAt);
      if (!isGood || !record?.bucket) continue;
      const before = good.get(glazeId) ?? [];
      before.push({ ms: Date.parse(firedAt), bucket: record.bucket });
      good.set(glazeId, before);
    }
  }
  const bucketsOf = ({ glazedWith }: Result): (readonly [bucketId: string, glazeId: string])[] =>
    glazedWith.flatMap(({ bucketId }) => {
      const glazeId = bucketId ? glazeOf.get(bucketId) : undefined;
      return bucketId && glazeId ? [[bucketId, glazeId] as const] : [];
    });
  return {
    isTestedOnClay: (result, bodyId) =>
      new Map(
        bucketsOf(result).map(([bucketId, glazeId]) => [bucketId, (firstMs.get(`${glazeId} ${bodyId}`) ?? Infinity) < Date.parse(result.firedAt)]),
      ),
    lastGood: (result) =>
      new Map(
        bucketsOf(result).flatMap(([bucketId, glazeId]) => {
          const before = good.get(glazeId)?.findLast(({ ms }) => ms < Date.parse(result.firedAt));
          return before ? [[bucketId, before.bucket] as const] : [];
        }),
      ),
  };
}
