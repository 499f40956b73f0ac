import {
  attempt,
  chosenOrder,
  handWarnings,
  LAST_RULES,
  orderWarnings,
  pieceWarnings,
  shapeOf,
  sortWarnings,
  timeSteps,
  type BodyFacts,
  type CoatKnowledge,
  type GlazeFacts,
  type PairFlow,
  type PiecePlan,
  type RunForecast,
  type TimedStep,
} from '@cazuela/core';

/** What is known of a plan's glazes and clay: enough to time its steps and to hear its rules. */
export interface KnownOfPlan {
  glazes: readonly GlazeFacts[];
  body: BodyFacts | undefined;
  knowledge: (glaze: GlazeFacts) => CoatKnowledge;
  overlaps: readonly PairFlow[];
}

/** The timed steps of a plan; none without a clay, or where the rules refuse it. */
export function stepsOn(plan: PiecePlan, { glazes, body, knowledge }: KnownOfPlan, wallMm = shapeOf(plan).wallMm): TimedStep[] {
  if (!body) return [];
  const timed = attempt(() => timeSteps({ steps: chosenOrder({ plan, glazes }), glazes, body, wallMm, knowledge }));
  return timed.kind === 'ok' ? timed.value : [];
}

/** The worst that speaks against a plan, by the forecast of its run; by a quick look where there is none. What is true of nearly every piece is left out. */
export function worstOn(plan: PiecePlan, known: KnownOfPlan, forecast?: RunForecast): string | undefined {
  const { glazes, body, overlaps } = known;
  const steps = stepsOn(plan, known);
  const question = { plan, shape: shapeOf(plan), glazes, overlaps, ...(body ? { body } : {}), ...(forecast ? { forecast } : {}) };
  const all = attempt(() => [...orderWarnings({ plan, steps, glazes }), ...handWarnings({ plan, steps, glazes }), ...pieceWarnings(question)]);
  const [worst] = all.kind === 'ok' ? sortWarnings({ warnings: all.value, putAside: plan.putAside }) : [];
  return worst && !LAST_RULES.has(worst.rule) ? worst.what : undefined;
}
