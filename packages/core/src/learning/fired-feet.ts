import { glazeIdOf, type GlazeInBucket } from '../bucket/events/glaze-id';
import { attempt } from '../checks/potter-error';
import { shapeOf } from '../geometry/shapes';
import { flowInFiring } from '../melt/kiln-place';
import type { GlazeFacts } from '../plan/facts';
import type { PiecePlan } from '../plan/piece-plan';
import { footToTell, learnFromFeet, type FootSeen } from './foot-evidence';

/** How many results are looked at: the newest are enough, and each costs a run. */
const MOST_FEET = 40;

/** A fired piece, as the records keep it. */
export interface FiredPiece {
  firedAt: string;
  body: { pieceId: string; coneReached: string; faults: readonly { fault: string; where: string }[]; foot?: 'clean' | 'touched' | undefined };
}

/** A bucket that knows which version of its recipe is in it. */
export type BucketOfRecipe = GlazeInBucket & { recipeVersionId: string | null };

/**
 * Returns what the feet of fired pieces say of how their glazes flow: a foot that stayed clean, or stuck. At most the 40 newest results are
 * looked at. A result says nothing where nobody looked at the foot, where its bucket holds another recipe by now, or where more than one glaze
 * decides the foot.
 *
 * @param records - what the studio has
 * @param records.results - the results of the studio
 * @param records.pieces - its pieces with their plans
 * @param records.facts - its glazes
 * @param records.buckets - its buckets
 * @example
 * feetSeen({ results: [], pieces: [], facts: [], buckets: [] }) // []
 */
export function feetSeen({
  results,
  pieces,
  facts,
  buckets,
}: {
  results: readonly FiredPiece[];
  pieces: readonly { id: string; body: { plan: PiecePlan } }[];
  facts: readonly GlazeFacts[];
  buckets: readonly BucketOfRecipe[];
}): FootSeen[] {
  const newest = [...results].sort((a, b) => b.firedAt.localeCompare(a.firedAt)).slice(0, MOST_FEET);
  return newest.flatMap(({ body }): FootSeen[] => {
    const plan = pieces.find((piece) => piece.id === body.pieceId)?.body.plan;
    const isClean = isFootClean(body);
    if (!plan || isClean === undefined) return [];
    const asked = attempt(() => footToTell({ plan, shape: shapeOf(plan), glazes: facts, firingRatio: flowInFiring({ cone: body.coneReached }) }));
    if (asked.kind !== 'ok' || !asked.value) return [];
    const { bucketId, lnReach } = asked.value;
    const bucket = buckets.find((one) => one.id === bucketId);
    const planned = plan.versions?.find((one) => one.bucketId === bucketId);
    // The bucket holds another recipe by now: its glaze is not the one that was fired.
    if (!bucket || (planned && planned.recipeVersionId !== bucket.recipeVersionId)) return [];
    return [{ glazeId: glazeIdOf(bucket), lnReach, isClean }];
  });
}

/** Undefined where nobody said a word about it. */
function isFootClean({ faults, foot }: FiredPiece['body']): boolean | undefined {
  if (faults.some(isAtFoot) || foot === 'touched') return false;
  return foot === 'clean' ? true : undefined;
}

const isAtFoot = ({ fault, where }: { fault: string; where: string }): boolean => fault === 'stuck' || (fault === 'ran' && where === 'foot');

/**
 * Returns glazes with what fired feet say of their flow.
 *
 * @param question - what the studio has
 * @param question.facts - the glazes
 * @param question.feet - from `feetSeen`
 * @param question.buckets - the buckets the glazes are in
 * @example
 * withFeet({ facts: [], feet: [], buckets: [] }) // []
 */
export function withFeet({
  facts,
  feet,
  buckets,
}: {
  facts: readonly GlazeFacts[];
  feet: readonly FootSeen[];
  buckets: readonly GlazeInBucket[];
}): GlazeFacts[] {
  return facts.map((glaze) => {
    const bucket = buckets.find((one) => one.id === glaze.bucketId);
    return bucket ? { ...glaze, flow: learnFromFeet(glaze.flow, glazeIdOf(bucket), feet) } : glaze;
  });
}
