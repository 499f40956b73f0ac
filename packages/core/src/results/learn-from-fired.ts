import { feetSeen, withFeet, type BucketOfRecipe } from '../learning/fired-feet';
import { learnFromRunners, type RunnerRecord } from '../learning/runner-readings';
import type { GlazeFacts } from '../plan/facts';
import type { PiecePlan } from '../plan/piece-plan';
import type { PairFlow } from '../run/piece-run';
import { firedRuns, withFiredRuns, type MeasuredPiece } from './fired-runs';

/**
 * Returns glazes and pairs with all that the studio's fires taught of how they flow: runner tiles first, then pieces whose run was measured, then feet
 * that stayed clean or stuck. A piece counts once: by its run where that was measured, else by its foot.
 *
 * @param records - what the studio has
 * @param records.tiles - all runner tiles
 * @param records.results - all results
 * @param records.pieces - pieces with their plans
 * @param records.facts - glazes with their flow before any fire
 * @param records.buckets - the buckets they are in
 * @example
 * learnFromFired({ tiles: [], results: [], pieces: [], facts: [], buckets: [] }) // { facts: [], overlaps: [] }
 */
export function learnFromFired(records: {
  tiles: readonly RunnerRecord[];
  results: readonly MeasuredPiece[];
  pieces: readonly { id: string; body: { plan: PiecePlan } }[];
  facts: readonly GlazeFacts[];
  buckets: readonly BucketOfRecipe[];
}): { facts: GlazeFacts[]; overlaps: PairFlow[] } {
  const { tiles, results, pieces, facts, buckets } = records;
  if (facts.length === 0) return { facts: [], overlaps: [] };
  const ofTiles = learnFromRunners({ tiles, facts, buckets });
  const { runs, bounds } = firedRuns({ results, pieces, buckets, ...ofTiles });
  const ofRuns = withFiredRuns({ ...ofTiles, buckets }, runs);
  const unmeasured = results.filter(({ body }) => body.ranMm === undefined);
  const feet = [...bounds, ...feetSeen({ results: unmeasured, pieces, facts: ofRuns.facts, buckets })];
  return { facts: withFeet({ facts: ofRuns.facts, feet, buckets }), overlaps: ofRuns.overlaps };
}
