import { crackingStacks } from '../rules/drying';
import { planFault } from '../../plan/check-plan';
import { cheapestOrder } from '../order/cheapest-order';
import { precedencesOf, safeOrder } from '../order/order';
import { changed, changesWorthTrying, flakingPairs, isStep, THIN_MM } from './plan-changes';
import type { GlazeFacts } from '../../plan/facts';
import type { Layer } from '../../plan/layer';
import { ZONES, type PiecePlan } from '../../plan/piece-plan';
import type { TimedStep } from '../steps/step-times';
import { laborOf } from '../steps/labor';
import { preparationsOf } from '../steps/preparations';
import { runQuestionOf, timedOrder, type AlternativesQuestion } from './alternatives-question';
import { drawnForecast, quickForecast, worstSide, type RunForecast } from '../../run/run-forecast';
import { SAFE_CHANCE } from '../../run/safe-chance';
import { quickSafeLine, safeLine } from '../../run/safe-line';
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
  /** Chance to reach the shelf, 0–1, and what it is from. The best alternatives are from draws. */
  reachChance: number;
  runFrom: RunForecast['from'];
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

/** So many of the best are shown side by side: none of them stands on a quick look. */
export const ALTERNATIVES_SHOWN = 3;

/**
 * Returns the alternatives to a plan, best first: as drawn in its cheapest order, and with each set of changes that takes a risk away or
 * stands for a step nobody wants. No two are alike. Prices and chances are rules of the bench; the chance to run is from 2,000 draws for the best
 * three, and from a quick look for the others.
 *
 * @param question - plan, shape, glazes, body, how many pieces, and what is known of the glazes
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * planAlternatives({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false }, count: 1 })[0].skill
 * // 1
 */
export function planAlternatives(question: AlternativesQuestion): PlanAlternative[] {
  const asked = withSafeLine(question);
  const forecasts = new Map<string, RunForecast>();
  if (question.forecast?.from === 'draws') forecasts.set(filmKey(question.plan), question.forecast);
  const forecastOf = (plan: PiecePlan): RunForecast => {
    const drawn = forecasts.get(filmKey(plan));
    return drawn ?? quickForecast(runQuestionOf(question, plan));
  };
  let alternatives = changesWorthTrying(asked).flatMap((changes) => {
    const plan = changes.reduce((made, change) => changed(made, change, asked), question.plan);
    // Wax above the rim keeps all glaze off, so it is no alternative.
    if (changes.length > 0 && planFault(plan)) return [];
    return priced(asked, plan, { changes, forecast: forecastOf(plan) }) ?? [];
  });
  for (;;) {
    alternatives = unlike(alternatives.sort((a, b) => a.price - b.price || a.changes.length - b.changes.length));
    const at = alternatives.slice(0, ALTERNATIVES_SHOWN).findIndex(({ runFrom }) => runFrom === 'quickLook');
    if (at < 0 || question.runFrom === 'quickLook') return alternatives;
    const { plan } = alternatives[at]!;
    forecasts.set(filmKey(plan), drawnForecast(runQuestionOf(question, plan)));
    alternatives = alternatives.map((one) =>
      filmKey(one.plan) === filmKey(plan) ? priced(asked, one.plan, { changes: one.changes, forecast: forecastOf(one.plan) })! : one,
    );
  }
}

/** The lowest safe line, where the plan lies below it. */
function withSafeLine(question: AlternativesQuestion): AlternativesQuestion {
  const { plan, forecast } = question;
  if (question.safeLine) return question;
  const worst = worstSide(forecast ?? quickForecast(runQuestionOf(question, plan)));
  if (!worst || worst.nearChance < SAFE_CHANCE) return question;
  const asked = runQuestionOf(question, plan);
  if (question.runFrom !== 'quickLook') return { ...question, safeLine: safeLine(asked) };
  const waxFootMm = quickSafeLine(asked);
  return waxFootMm === undefined ? question : { ...question, safeLine: { kind: 'ok', waxFootMm, chance: SAFE_CHANCE } };
}

/** What decides how far a plan runs: two plans alike in it share their draws. */
function filmKey({
  zones,
  strips,
  order: _order,
  putAside: _aside,
  gumIn: _gum,
  footBy: _foot,
  unwanted: _unwanted,
  pins: _pins,
  ...rest
}: PiecePlan): string {
  const coats = (layers: readonly Layer[]): unknown => layers.map(({ id: _id, method: _method, ...coat }) => coat);
  return JSON.stringify([ZONES.map((zone) => coats(zones[zone])), strips?.map((strip) => ({ ...strip, layers: coats(strip.layers) })), rest]);
}

/** Each plan once, in the order given. */
function unlike(alternatives: readonly PlanAlternative[]): PlanAlternative[] {
  const seen = new Set<string>();
  return alternatives.filter((alternative) => {
    const { zones, strips, rimFirst, gumIn, waxFootMm, footBy, masks } = alternative.plan;
    const key = JSON.stringify([zones, strips, rimFirst, gumIn, waxFootMm, footBy, masks, alternative.steps.map((step) => step.key)]);
    return !seen.has(key) && seen.add(key);
  });
}

function priced(
  question: AlternativesQuestion,
  plan: PiecePlan,
  { changes, forecast }: { changes: readonly PlanChange[]; forecast: RunForecast },
): PlanAlternative | undefined {
  const { glazes, count } = question;
  const pins = [...(question.pins ?? []), ...(plan.pins ?? [])];
  const lightness = new Map(glazes.map((glaze) => [glaze.bucketId, glaze.lightness]));
  const usual = safeOrder({ plan, glazes });
  const before = [...precedencesOf({ plan, steps: usual }), ...pins];
  const found = cheapestOrder({ steps: usual, before, lightness });
  if (found.kind === 'contradiction') return undefined;
  const steps = timedOrder({ ...question, plan }, found.keys);
  if (steps.some((step) => plan.unwanted?.steps?.some((unwanted) => isStep(step, unwanted)))) return undefined;
  const laborMinutes = laborOf({ steps, count, lightness, preparations: preparationsOf(plan, glazes) }).allMinutes;
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
  const reachChance = worstSide(forecast)?.reachChance ?? 0;
  const risks = [...risksOf(plan, glazes, steps), ...(reachChance >= SAFE_CHANCE ? [{ what: 'runs' as const, chance: reachChance }] : [])];
  const goodShare = risks.reduce((share, risk) => share * (1 - risk.chance), reachChance < SAFE_CHANCE ? 1 - reachChance : 1);
  const skill = plan.rimFirst || plan.strips?.some((strip) => strip.first) ? 3 : steps.some((step) => step.layer?.method === 'brush') ? 2 : 1;
  const price =
    laborMinutes + WAIT_WORTH * waitMinutes + nights * NIGHT_WORTH_MINUTES + (1 - goodShare) * count * REMAKE_MINUTES + changes.length * skill;
  const wait = waitMinutes + nights * DRY_THROUGH_HOURS * 60;
  const asOrdered = { ...plan, order: found.keys };
  const run = { reachChance, runFrom: forecast.from };
  return { changes, plan: asOrdered, steps, laborMinutes, waitMinutes: wait, nights, risks, ...run, goodShare, skill, price };
}

/** Chances by rules of the bench: worse above half a millimetre, better with gum. */
const FLAKES = { asDrawn: 0.5, thick: 0.7, gummed: 0.15 } as const;

/** Coats over a millimetre, or one rich in clay by itself (F2). */
const CRACKS = { thick: 0.25, rich: 0.15 } as const;

/** A film alone is a little more than wanted; a full wall or no suction gives another coat altogether. */
const MISSED = { film: 0.2, other: 0.7 } as const;

function risksOf(plan: PiecePlan, glazes: readonly GlazeFacts[], steps: readonly TimedStep[]): PlanRisk[] {
  const risks: PlanRisk[] = flakingPairs(plan, glazes).map(({ upper, lower }) => ({
    what: 'flakes',
    chance: plan.gumIn?.includes(lower.bucketId) ? FLAKES.gummed : upper.coatMm > THIN_MM ? FLAKES.thick : FLAKES.asDrawn,
  }));
  for (const { rich } of crackingStacks(plan, glazes)) risks.push({ what: 'cracks', chance: rich ? CRACKS.rich : CRACKS.thick });
  const missed = steps.flatMap((step) => (step.dip && step.dip.kind !== 'ok' ? [step.dip.kind] : []));
  if (missed.length > 0)
    risks.push({ what: 'noSuchCoat', chance: missed.every((kind) => kind === 'filmAlreadyExceeds') ? MISSED.film : MISSED.other });
  return risks;
}
