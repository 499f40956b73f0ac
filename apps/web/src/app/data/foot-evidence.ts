import type { BucketSummary, Piece, Result } from '@cazuela/contract';
import { attempt, flowInFiring, footToTell, learnFromFeet, shapeOf, type FootSeen, type GlazeFacts } from '@cazuela/core';
import { glazeOf } from './coat-learning';

/** The newest results are enough, and each costs a run. */
const MOST_FEET = 40;

/** What the fired pieces of a studio tell of how their glazes flow: a foot that stayed clean, or stuck. */
export function feetSeen(
  results: readonly Result[],
  pieces: readonly Piece[],
  facts: readonly GlazeFacts[],
  buckets: readonly BucketSummary[],
): FootSeen[] {
  const newest = [...results].sort((a, b) => b.firedAt.localeCompare(a.firedAt)).slice(0, MOST_FEET);
  return newest.flatMap(({ body }): FootSeen[] => {
    const plan = pieces.find((piece) => piece.id === body.pieceId)?.body.plan;
    if (!plan) return [];
    const told = attempt(() => footToTell({ plan, shape: shapeOf(plan), glazes: facts, firingRatio: flowInFiring({ cone: body.coneReached }) }));
    if (told.kind !== 'ok' || !told.value) return [];
    const { bucketId, lnReach } = told.value;
    const bucket = buckets.find((one) => one.id === bucketId);
    const planned = plan.versions?.find((one) => one.bucketId === bucketId);
    // The bucket holds another recipe by now: its glaze is not the one that was fired.
    if (!bucket || (planned && planned.recipeVersionId !== bucket.recipeVersionId)) return [];
    return [{ glazeId: glazeOf(bucket), lnReach, isClean: !body.faults.some(cameDown) }];
  });
}

/** Glazes with what fired feet say of their flow. */
export function withFeet(facts: readonly GlazeFacts[], feet: readonly FootSeen[], buckets: readonly BucketSummary[]): GlazeFacts[] {
  return facts.map((glaze) => {
    const bucket = buckets.find((one) => one.id === glaze.bucketId);
    return bucket ? { ...glaze, flow: learnFromFeet(glaze.flow, glazeOf(bucket), feet) } : glaze;
  });
}

const cameDown = ({ fault, where }: Result['body']['faults'][number]): boolean => fault === 'stuck' || (fault === 'ran' && where === 'foot');
