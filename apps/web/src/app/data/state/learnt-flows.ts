import type { BucketSummary, Piece, Result, RunnerTile } from '@cazuela/contract';
import { coatTimesOf, firedCoats, learnFromFired, type GlazeFacts, type PairFlow } from '@cazuela/core';

/** What the studio fired, as far as it tells how its glazes flow. */
export interface FiredHere {
  runners: readonly RunnerTile[];
  results: readonly Result[];
  pieces: readonly Piece[];
}

/** Glazes and pairs with what tiles, measured pieces and fired feet taught of how they flow. */
export function learntFlows(
  { runners, results, pieces }: FiredHere,
  { facts, buckets }: { facts: readonly GlazeFacts[]; buckets: readonly BucketSummary[] },
): { facts: GlazeFacts[]; overlaps: PairFlow[] } {
  const ranges = new Map(buckets.map(({ id, body }) => [id, { lowSg: body.sgLow, highSg: body.sgHigh }]));
  const measured = results.map((result) => ({ ...result, coatTimes: coatTimesOf({ coats: firedCoats(result.glazedWith), ranges }) }));
  return learnFromFired({ tiles: runners, results: measured, pieces, facts, buckets });
}
