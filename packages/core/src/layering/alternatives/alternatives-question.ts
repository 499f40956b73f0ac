import type { CoatKnowledge } from '../../coat/prediction/knowledge';
import { safeOrder } from '../order/order';
import type { PiecePlan } from '../../plan/piece-plan';
import { timeSteps, type TimedStep } from '../steps/step-times';
import type { BodyFacts, GlazeFacts } from '../../plan/facts';
import type { PieceRunQuestion } from '../../run/piece-run';
import type { RunForecast } from '../../run/run-forecast';
import type { SafeLine } from '../../run/safe-line';

export interface AlternativesQuestion extends PieceRunQuestion {
  body: BodyFacts;
  /** Pieces made alike: while the others are handled, the first of them dries. */
  count: number;
  knowledge?: (glaze: GlazeFacts) => CoatKnowledge;
  /** Pairs of step keys that must keep this order, whatever it costs. */
  pins?: readonly { before: string; after: string }[];
  /** From draws of the plan as it is; drawn here when left out. */
  forecast?: RunForecast;
  safeLine?: SafeLine;
  /** `quickLook` prices every alternative by a quick look alone; the best are drawn when left out. */
  runFrom?: RunForecast['from'];
}

/**
 * Returns the question of how far another plan runs, in the same firing and with the same glazes.
 *
 * @param question - as asked
 * @param plan - the plan to run
 * @example
 * runQuestionOf({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] }, { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 4, rimBandMm: 0, order: [], putAside: [] }).plan.waxFootMm
 * // 4
 */
export const runQuestionOf = ({ shape, glazes, firingRatio, texture, overlaps }: PieceRunQuestion, plan: PiecePlan): PieceRunQuestion => ({
  plan,
  shape,
  glazes,
  ...(firingRatio === undefined ? {} : { firingRatio }),
  ...(texture === undefined ? {} : { texture }),
  ...(overlaps === undefined ? {} : { overlaps }),
});

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
