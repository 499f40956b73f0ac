import type { CoatKnowledge } from '../../coat/prediction/knowledge';
import type { PieceShape } from '../../geometry/piece-form';
import { safeOrder } from '../order/order';
import type { PiecePlan } from '../../plan/piece-plan';
import { timeSteps, type TimedStep } from '../steps/step-times';
import type { BodyFacts, GlazeFacts } from '../../plan/facts';

export interface AlternativesQuestion {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  body: BodyFacts;
  /** Pieces made alike: while the others are handled, the first of them dries. */
  count: number;
  knowledge?: (glaze: GlazeFacts) => CoatKnowledge;
  /** Pairs of step keys that must keep this order, whatever it costs. */
  pins?: readonly { before: string; after: string }[];
}

/**
 * Returns the steps of a plan in this order, with their seconds and waits.
 *
 * @param question - plan, shape, glazes, body and what is known of them
 * @param keys - step keys of the plan, each once
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * timedOrder({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false }, count: 1 }, ['check']).length
 * // 1
 */
export function timedOrder({ plan, shape, glazes, body, knowledge }: AlternativesQuestion, keys: readonly string[]): TimedStep[] {
  const all = safeOrder({ plan, glazes });
  const steps = keys.map((key) => all.find((step) => step.key === key)!);
  return timeSteps({ steps, glazes, body, wallMm: shape.wallMm, ...(knowledge ? { knowledge } : {}) });
}
