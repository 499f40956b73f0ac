import type { ClayBody, PieceBody } from '@cazuela/contract';
import type { GlazeFacts, PiecePlan } from '@cazuela/core';
import type { KnownOfPlan } from '../figures/plan-on';

/** The plan with something another: its clay body, its cone, the SG of one bucket. As planned where nothing is. */
export interface PlanVariant {
  bodyId?: string;
  cone?: string;
  bucket?: { bucketId: string; sg: number };
}

/** What a variant changes of the piece. */
export function variantChange({ bodyId, cone, bucket }: PlanVariant, plan: PiecePlan): Partial<PieceBody> {
  const thinned = bucket && { thinned: [...(plan.thinned ?? []).filter((one) => one.bucketId !== bucket.bucketId), bucket] };
  return {
    ...(bodyId ? { bodyId, lotId: undefined } : {}),
    ...(cone || thinned ? { plan: { ...plan, ...(cone ? { cone } : {}), ...thinned } } : {}),
  };
}

/** A variant in the words of the bench. */
export function variantWords(
  { bodyId, cone, bucket }: PlanVariant,
  { bodies, names }: { bodies: readonly ClayBody[]; names: ReadonlyMap<string, string> },
): string {
  const words = [
    ...(bodyId ? [`on ${bodies.find(({ id }) => id === bodyId)?.name ?? 'another body'}`] : []),
    ...(cone ? [`at cone ${cone}`] : []),
    ...(bucket ? [`${names.get(bucket.bucketId) ?? 'the glaze'} at SG ${bucket.sg.toFixed(2)}`] : []),
  ].join(', ');
  return words ? words.charAt(0).toUpperCase() + words.slice(1) : 'As planned';
}

/** What a variant stands on. A plan thins only part of a bucket; a thicker one is thicker as a whole. */
export const knownOfVariant = (known: KnownOfPlan, { bucket }: PlanVariant): KnownOfPlan =>
  bucket ? { ...known, glazes: known.glazes.map((glaze) => (glaze.bucketId === bucket.bucketId ? { ...glaze, sg: bucket.sg } : glaze)) } : known;

/** Whether a bucket would have to be thicker than it stands: no plan does that. */
export const isThicker = ({ bucket }: PlanVariant, glazes: readonly GlazeFacts[]): boolean =>
  bucket !== undefined && glazes.some(({ bucketId, sg }) => bucketId === bucket.bucketId && bucket.sg >= sg);
