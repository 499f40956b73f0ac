import { flakesOff } from '../coat/crack-advice';
import type { CoatKnowledge } from '../coat/knowledge';
import type { PieceShape } from '../geometry/piece-form';
import { cheapestOrder } from './cheapest-order';
import { outerStacks, precedencesOf, safeOrder } from './order';
import { withLayers, type BodyFacts, type GlazeFacts, type Layer, type PiecePlan } from './piece-plan';
import { outsideRun, SHELF_MARGIN_MM } from './outside-run';
import { timeSteps, type TimedStep } from './step-times';
import { DRY_THROUGH_HOURS } from '../coat/wall-water';

/** What is done otherwise than drawn. */
export type WayChange = 'gum' | 'rimFirst' | 'stripFirst' | 'thinner' | 'brush' | 'oneDip' | 'insideFirst' | 'higherWax';

export interface WayRisk {
  what: 'flakes' | 'cracks' | 'noSuchCoat' | 'runs';
  /** Chance that a piece is spoilt, 0–1: by rules of the bench, to be learnt. */
  chance: number;
}

/** One way to the wanted piece: its changes, its steps in their order, what it costs and risks. */
export interface WayThere {
  changes: readonly WayChange[];
  plan: PiecePlan;
  steps: readonly TimedStep[];
  /** For all the pieces together, minutes. */
  handMinutes: number;
  waitMinutes: number;
  /** Left overnight somewhere on the way. */
  overnight: boolean;
  risks: readonly WayRisk[];
  /** How likely one piece comes out as drawn. */
  goodShare: number;
  skill: 1 | 2 | 3;
  /** Minutes that all of it is worth, by which ways are ranked. */
  price: number;
}

export interface WaysQuestion {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  body: BodyFacts;
  /** Pieces made alike: while they are handled, the first of them dries. */
  count: number;
  knowledge?: (glaze: GlazeFacts) => CoatKnowledge;
  /** Pairs of step keys that somebody wants in this order whatever it costs. */
  pins?: readonly { before: string; after: string }[];
  /** Changes nobody wants. */
  forbidden?: readonly WayChange[];
}

/** A spoilt piece is made again, minutes of hands. */
const REMAKE_MINUTES = 40;
/** Waiting is worth less than hands, and a night is slept through. */
const WAIT_WORTH = 0.25;
const NIGHT_WORTH_MINUTES = 45;
const GUM_MINUTES = 5;
const THIN_MM = 0.5;
const MOST_CHANGES = 5;
const CRACKS_ABOVE_MM = 1;

/** The ways to a plan's zones, best first: as drawn in its cheapest order, and with each change that takes a risk away. No two are alike. */
export function waysThere(question: WaysQuestion): WayThere[] {
  const ways = changesWorthTrying(question).flatMap((changes) => {
    const plan = changes.reduce((made, change) => changed(made, change, question), question.plan);
    return priced(question, plan, changes) ?? [];
  });
  const seen = new Set<string>();
  return ways
    .sort((a, b) => a.price - b.price || a.changes.length - b.changes.length)
    .filter((way) => {
      const key = JSON.stringify([
        way.plan.zones,
        way.plan.strips,
        way.plan.rimFirst,
        way.plan.gumIn,
        way.plan.waxFootMm,
        way.steps.map((step) => step.key),
      ]);
      return !seen.has(key) && seen.add(key);
    });
}

/** Every set of the changes that bear on this plan; more than four at once are no plan any more. */
function changesWorthTrying({ plan, shape, glazes, forbidden = [], ...rest }: WaysQuestion): WayChange[][] {
  const flaking = flakingPairs(plan, glazes);
  const worth: WayChange[] = [];
  if (flaking.length > 0) worth.push('gum', 'thinner');
  if (plan.zones.rim.length > 0 && plan.zones.outside.length > 0 && !plan.rimFirst) worth.push('rimFirst');
  if (flaking.length > 0 && plan.zones.outside.length > 0 && plan.strips?.some((strip) => strip.layers.length > 0 && !strip.first))
    worth.push('stripFirst');
  const steps = timed(
    { plan, shape, glazes, ...rest },
    safeOrder({ plan, glazes }).map((step) => step.key),
  );
  if (steps.some((step) => step.dip && step.dip.kind !== 'ok')) worth.push('brush');
  const [inside, outside] = [plan.zones.inside[0], plan.zones.outside[0]];
  if (inside && outside && inside.bucketId === outside.bucketId) worth.push(inside.way === 'dip' && outside.way === 'dip' ? 'insideFirst' : 'oneDip');
  const run = outsideRun({ plan, shape, glazes });
  if (run && run.edgeMm < run.run95Mm + SHELF_MARGIN_MM) worth.push('higherWax');
  const open = worth.filter((change) => !forbidden.includes(change)).slice(0, MOST_CHANGES);
  return Array.from({ length: 2 ** open.length }, (_, bits) => open.filter((_change, at) => bits & (1 << at)));
}

function changed(plan: PiecePlan, change: WayChange, { shape, glazes, body, count, knowledge }: WaysQuestion): PiecePlan {
  switch (change) {
    case 'gum':
      return { ...plan, gumIn: [...new Set([...(plan.gumIn ?? []), ...flakingPairs(plan, glazes).map(({ lower }) => lower.bucketId)])] };
    case 'rimFirst':
      return { ...plan, rimFirst: true, order: [] };
    case 'stripFirst':
      return { ...plan, strips: (plan.strips ?? []).map((strip) => (strip.layers.length > 0 ? { ...strip, first: true } : strip)), order: [] };
    case 'thinner': {
      const upper = new Set(flakingPairs(plan, glazes).map((pair) => pair.upper.id));
      return withLayers(plan, (layer) => (upper.has(layer.id) ? { ...layer, coatMm: Math.min(layer.coatMm, THIN_MM) } : layer));
    }
    case 'brush': {
      const keys = safeOrder({ plan, glazes }).map((step) => step.key);
      const failing = timed({ plan, shape, glazes, body, count, ...(knowledge ? { knowledge } : {}) }, keys).filter(
        (step) => step.dip && step.dip.kind !== 'ok',
      );
      const isFailing = (layer: Layer): boolean => failing.some((step) => step.key.includes(layer.id));
      return { ...withLayers(plan, (layer) => (isFailing(layer) ? { ...layer, way: 'brush' } : layer)), order: [] };
    }
    case 'oneDip':
    case 'insideFirst': {
      const { inside, outside } = plan.zones;
      const way = change === 'oneDip' ? ('dip' as const) : ('pour' as const);
      const first = (layers: readonly Layer[], to: Layer['way']): Layer[] => layers.map((layer, at) => (at === 0 ? { ...layer, way: to } : layer));
      return { ...plan, zones: { ...plan.zones, inside: first(inside, way), outside: first(outside, 'dip') }, order: [] };
    }
    case 'higherWax': {
      const run = outsideRun({ plan, shape, glazes });
      return run ? { ...plan, waxFootMm: Math.ceil(run.run95Mm + SHELF_MARGIN_MM) } : plan;
    }
  }
}

/** Pairs where the upper coat pulls the lower one off as it dries. A pair that lies in two stacks counts once. */
function flakingPairs(plan: PiecePlan, glazes: readonly GlazeFacts[]): { upper: Layer; lower: Layer }[] {
  const shrinks = (layer: Layer): number | undefined => glazes.find((glaze) => glaze.bucketId === layer.bucketId)?.shrinkShare;
  const pairs = new Map<string, { upper: Layer; lower: Layer }>();
  for (const stack of outerStacks(plan)) {
    stack.slice(1).forEach((upper, at) => {
      const lower = stack[at]!;
      const [above, beneath] = [shrinks(upper), shrinks(lower)];
      if (above !== undefined && beneath !== undefined && flakesOff({ upper: above, lower: beneath }))
        pairs.set(upper.id + lower.id, { upper, lower });
    });
  }
  return [...pairs.values()];
}

function timed({ plan, shape, glazes, body, knowledge }: WaysQuestion, keys: readonly string[]): TimedStep[] {
  const all = safeOrder({ plan, glazes });
  const steps = keys.map((key) => all.find((step) => step.key === key)!);
  return timeSteps({ steps, glazes, body, wallMm: shape.wallMm, ...(knowledge ? { knowledge } : {}) });
}

function priced(question: WaysQuestion, plan: PiecePlan, changes: readonly WayChange[]): WayThere | undefined {
  const { glazes, count } = question;
  const pins = [...(question.pins ?? []), ...(plan.pins ?? [])];
  const usual = safeOrder({ plan, glazes });
  const before = [...precedencesOf({ plan, steps: usual }), ...pins];
  const found = cheapestOrder({ steps: usual, before, lightness: new Map(glazes.map((glaze) => [glaze.bucketId, glaze.lightness])) });
  if (found.kind === 'contradiction') return undefined;
  const steps = timed({ ...question, plan }, found.keys);
  let handMinutes = found.changeMinutes + (plan.gumIn?.length ?? 0) * GUM_MINUTES;
  let waitMinutes = 0;
  let overnight = false;
  steps.forEach((step, at) => {
    const hands = (count * step.handSeconds) / 60;
    handMinutes += hands;
    const next = steps[at + 1];
    if (!next) return;
    if (step.waitFor === 'dryThrough') overnight = true;
    // The first piece dries while the others are in hand.
    else waitMinutes += Math.max(0, step.waitMinutes - (hands * (count - 1)) / count);
  });
  const risks = risksOf(question, plan, steps);
  const goodShare = risks.reduce((share, risk) => share * (1 - risk.chance), 1);
  const skill = plan.rimFirst || plan.strips?.some((strip) => strip.first) ? 3 : steps.some((step) => step.layer?.way === 'brush') ? 2 : 1;
  const price =
    handMinutes +
    WAIT_WORTH * waitMinutes +
    (overnight ? NIGHT_WORTH_MINUTES : 0) +
    (1 - goodShare) * count * REMAKE_MINUTES +
    changes.length * skill;
  const wait = waitMinutes + (overnight ? DRY_THROUGH_HOURS * 60 : 0);
  return { changes, plan: { ...plan, order: found.keys }, steps, handMinutes, waitMinutes: wait, overnight, risks, goodShare, skill, price };
}

/** Chances of the bench: worse over half a millimetre, better with gum. */
const FLAKES = { asDrawn: 0.5, thick: 0.7, gummed: 0.15 } as const;

/** The film alone is a little more than wanted; a full wall or no suction gives another coat altogether. */
const MISSED = { film: 0.2, other: 0.7 } as const;

function risksOf({ shape, glazes }: WaysQuestion, plan: PiecePlan, steps: readonly TimedStep[]): WayRisk[] {
  const risks: WayRisk[] = flakingPairs(plan, glazes).map(({ upper, lower }) => ({
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
