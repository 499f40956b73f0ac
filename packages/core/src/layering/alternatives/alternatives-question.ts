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
  /** Pieces made alike: while they are handled, the first of them dries. */
  count: number;
  knowledge?: (glaze: GlazeFacts) => CoatKnowledge;
  /** Pairs of step keys that somebody wants in this order whatever it costs. */
  pins?: readonly { before: string; after: string }[];
}

/** The steps of a plan in this order, in time. */
export function timedOrder({ plan, shape, glazes, body, knowledge }: AlternativesQuestion, keys: readonly string[]): TimedStep[] {
  const all = safeOrder({ plan, glazes });
  const steps = keys.map((key) => all.find((step) => step.key === key)!);
  return timeSteps({ steps, glazes, body, wallMm: shape.wallMm, ...(knowledge ? { knowledge } : {}) });
}
