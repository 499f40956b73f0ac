import type { PiecePlan } from './piece-plan';

/** A lid or a saucer that is planned, glazed and fired with its piece: one of each for every piece. */
export interface PiecePart {
  id: string;
  name: string;
  plan: PiecePlan;
}

export interface PieceWithParts {
  plan: PiecePlan;
  parts?: PiecePart[] | undefined;
}

export const MOST_PARTS = 4;

/**
 * Returns the plan of a part; that of the piece itself where the id is of none.
 *
 * @param whole - the `plan` of the piece and its `parts`
 * @param partId - of a part
 * @example
 * planOfPart({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] } }, 'lid').shapeId
 * // 'cup'
 */
export const planOfPart = ({ plan, parts = [] }: PieceWithParts, partId: string): PiecePlan => parts.find(({ id }) => id === partId)?.plan ?? plan;

/**
 * Returns a piece with a changed plan of one part. One firing and one set of glazes serve all parts: they change together.
 *
 * @param whole - the piece
 * @param partId - of a part; the piece itself where there is none of it
 * @param plan - its new plan
 * @example
 * withPartPlan({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] } }, '', { shapeId: 'bowl', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 5, rimBandMm: 0, order: [], putAside: [] }).plan.shapeId
 * // 'bowl'
 */
export function withPartPlan<T extends PieceWithParts>(whole: T, partId: string, plan: PiecePlan): T {
  const { parts } = whole;
  if (!parts) return { ...whole, plan };
  const isPart = parts.some(({ id }) => id === partId);
  return {
    ...whole,
    plan: isPart ? withShared(whole.plan, plan) : plan,
    parts: parts.map((part) => ({ ...part, plan: part.id === partId ? plan : withShared(part.plan, plan) })),
  };
}

function withShared(plan: PiecePlan, { cone, firing, decoratingColours, gumIn, thinned }: PiecePlan): PiecePlan {
  const shared = { cone, firing, decoratingColours, gumIn, thinned };
  const same = (Object.keys(shared) as (keyof typeof shared)[]).every((key) => plan[key] === shared[key]);
  return same ? plan : { ...plan, ...shared };
}
