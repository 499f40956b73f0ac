import { planFault } from '../../plan/check-plan';
import { cheapestOrder } from '../order/cheapest-order';
import { outerStacks, precedencesOf, safeOrder } from '../order/order';
import { changed, changesWorthTrying, flakingPairs, isStep, THIN_MM } from './plan-changes';
import type { PiecePlan } from '../../plan/piece-plan';
import { outsideRun, SHELF_MARGIN_MM } from '../outside-run';
import type { TimedStep } from '../steps/step-times';
import { laborOf } from '../steps/labor';
import { timedOrder, type AlternativesQuestion } from './alternatives-question';
import { DRY_THROUGH_HOURS } from '../../coat/wall/wall-state';
import type { PlanChange } from '../../plan/plan-change';

export interface PlanRisk {
  what: 'flakes' | 'cracks' | 'noSuchCoat' | 'runs';
  /** Chance that a piece is spoilt, 0–1: a rule of the bench. */
  chance: number;
}

/** One alternative to the drawn plan: its changes, its steps in order, its cost and its risks. */
export interface PlanAlternative {
  changes: readonly PlanChange[];
  plan: PiecePlan;
  steps: readonly TimedStep[];
  /** For all the pieces together, minutes. */
  laborMinutes: number;
  waitMinutes: number;
  /** How many times it is left to dry overnight. */
  nights: number;
  risks: readonly PlanRisk[];
  /** Chance that one piece comes out as drawn, 0–1. */
  goodShare: number;
  skill: 1 | 2 | 3;
  /** Cost in minutes, by which alternatives are ranked. */
  price: number;
}

/** Labor to make a spoilt piece again, minutes. */
const REMAKE_MINUTES = 40;
/** Waiting costs less than labor, and nobody waits up for a night. */
const WAIT_WORTH = 0.25;
const NIGHT_WORTH_MINUTES = 45;
const GUM_MINUTES = 5;
const CRACKS_ABOVE_MM = 1;

/**
 * Returns the alternatives to a plan, best first: as drawn in its cheapest order, and with each set of changes that takes a risk away or
 * stands for a step nobody wants. No two are alike. Prices and chances are rules of the bench.
 *
 * @param question - plan, shape, glazes, body, how many pieces, and what is known of the glazes
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * planAlternatives({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false }, count: 1 })[0].skill
 * // 1
 */
export function planAlternatives(question: AlternativesQuestion): PlanAlternative[] {
  const alternatives = changesWorthTrying(question).flatMap((changes) => {
    const plan = changes.reduce((made, change) => changed(made, change, question), question.plan);
    // Wax above the rim keeps all glaze off, so it is no alternative.
    if (changes.length > 0 && planFault(plan)) return [];
    return priced(question, plan, changes) ?? [];
  });
  const seen = new Set<string>();
  return alternatives
    .sort((a, b) => a.price - b.price || a.changes.length - b.changes.length)
    .filter((alternative) => {
      const key = JSON.stringify([
        alternative.plan.zones,
        alternative.plan.strips,
        alternative.plan.rimFirst,
        alternative.plan.gumIn,
        alternative.plan.waxFootMm,
        alternative.plan.footBy,
        alternative.plan.masks,
        alternative.steps.map((step) => step.key),
      ]);
      return !seen.has(key) && seen.add(key);
    });
}

function priced(question: AlternativesQuestion, plan: PiecePlan, changes: readonly PlanChange[]): PlanAlternative | undefined {
  const { glazes, count } = question;
  const pins = [...(question.pins ?? []), ...(plan.pins ?? [])];
  const lightness = new Map(glazes.map((glaze) => [glaze.bucketId, glaze.lightness]));
  const usual = safeOrder({ plan, glazes });
  const before = [...precedencesOf({ plan, steps: usual }), ...pins];
  const found = cheapestOrder({ steps: usual, before, lightness });
  if (found.kind === 'contradiction') return undefined;
  const steps = timedOrder({ ...question, plan }, found.keys);
  if (steps.some((step) => plan.unwanted?.steps?.some((unwanted) => isStep(step, unwanted)))) return undefined;
  const laborMinutes = laborOf({ steps, count, lightness }).allMinutes + (plan.gumIn?.length ?? 0) * GUM_MINUTES;
  let waitMinutes = 0;
  let nights = 0;
  steps.forEach((step, at) => {
    const stepMinutes = (count * step.laborSeconds) / 60;
    const next = steps[at + 1];
    if (!next) return;
    if (step.waitFor === 'dryThrough') nights += 1;
    // The first piece dries while the others are handled.
    else waitMinutes += Math.max(0, step.waitMinutes - (stepMinutes * (count - 1)) / count);
  });
  const risks = risksOf(question, plan, steps);
  const goodShare = risks.reduce((share, risk) => share * (1 - risk.chance), 1);
  const skill = plan.rimFirst || plan.strips?.some((strip) => strip.first) ? 3 : steps.some((step) => step.layer?.method === 'brush') ? 2 : 1;
  const price =
    laborMinutes + WAIT_WORTH * waitMinutes + nights * NIGHT_WORTH_MINUTES + (1 - goodShare) * count * REMAKE_MINUTES + changes.length * skill;
  const wait = waitMinutes + nights * DRY_THROUGH_HOURS * 60;
  return { changes, plan: { ...plan, order: found.keys }, steps, laborMinutes, waitMinutes: wait, nights, risks, goodShare, skill, price };
}

/** Chances by rules of the bench: worse above half a millimetre, better with gum. */
const FLAKES = { asDrawn: 0.5, thick: 0.7, gummed: 0.15 } as const;

/** A film alone is a little more than wanted; a full wall or no suction gives another coat altogether. */
const MISSED = { film: 0.2, other: 0.7 } as const;

function risksOf({ shape, glazes }: AlternativesQuestion, plan: PiecePlan, steps: readonly TimedStep[]): PlanRisk[] {
  const risks: PlanRisk[] = flakingPairs(plan, glazes).map(({ upper, lower }) => ({
    what: 'flakes',
    chance: plan.gumIn?.includes(lower.bucketId) ? FLAKES.gummed : upper.coatMm > THIN_MM ? FLAKES.thick : FLAKES.asDrawn,
  }));
  for (const stack of outerStacks(plan)) {
    if (stack.length > 0 && stack.reduce((sum, layer) => sum + layer.coatMm, 0) > CRACKS_ABOVE_MM) risks.push({ what: 'cracks', chance: 0.25 });
  }
  const missed = steps.flatMap((step) => (step.dip && step.dip.kind !== 'ok' ? [step.dip.kind] : []));
  if (missed.length > 0)
    risks.push({ what: 'noSuchCoat', chance: missed.every((kind) => kind === 'filmAlreadyExceeds') ? MISSED.film : MISSED.other });
  const run = outsideRun({ plan, shape, glazes });
  if (run && run.edgeMm < run.runMm) risks.push({ what: 'runs', chance: 0.5 });
  else if (run && run.edgeMm < run.run95Mm + SHELF_MARGIN_MM) risks.push({ what: 'runs', chance: 0.15 });
  return risks;
}
