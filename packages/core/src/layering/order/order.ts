import { rimIsApart, type PiecePlan } from '../../plan/piece-plan';
import { isAfterFiring, stepsOf, type PieceStep } from '../steps/steps';
import { coatingKindOf, type Layer } from '../../plan/layer';
import { isOnWall, isOutside, type Strip } from '../../plan/strip';
import type { GlazeFacts } from '../../plan/facts';

/** A pair of steps of which the first must come before the second, with the rule that says so. */
export interface Precedence {
  before: string;
  after: string;
  rule: 'O1' | 'O2' | 'O3' | 'O4' | 'O5' | 'O7' | 'O8';
}

/**
 * Returns what must come before what: rules O1–O4, O7, O8, and each stack bottom up (O5).
 *
 * @param question - `plan` and its `steps`
 * @example
 * precedencesOf({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, steps: stepsOf({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] } }) }).length > 0
 * // true
 */
export function precedencesOf({ plan, steps }: { plan: PiecePlan; steps: readonly PieceStep[] }): Precedence[] {
  const layers = steps.filter((step) => step.kind === 'layer' && !isAfterFiring(step));
  return [
    ...frame(steps),
    ...fired(plan, steps),
    ...footFirst(layers, steps, plan),
    ...insideFirst(layers),
    ...partedFirst(plan, layers),
    ...masked(plan, layers),
    ...stacked(plan, layers),
  ];
}

/** The check comes first, wiping the foot last. */
function frame(steps: readonly PieceStep[]): Precedence[] {
  return steps.flatMap((step): Precedence[] => [
    ...(step.key === 'check' ? [] : [{ before: 'check', after: step.key, rule: 'O1' } as const]),
    ...(step.key === 'wipeFoot' || isAfterFiring(step) ? [] : [{ before: step.key, after: 'wipeFoot', rule: 'O7' } as const]),
  ]);
}

/** Lustre goes on fired glaze, and has a firing of its own. */
function fired(plan: PiecePlan, steps: readonly PieceStep[]): Precedence[] {
  if (!steps.some((step) => step.kind === 'fire')) return [];
  const lustres = steps.filter((step) => step.kind === 'layer' && isAfterFiring(step));
  const upperFirst = outerStacks(plan).flatMap((stack) => {
    const own = lustres.filter((step) => stack.some((layer) => step.key.includes(layer.id)));
    return own.slice(1).map((step, at): Precedence => ({ before: own[at]!.key, after: step.key, rule: 'O5' }));
  });
  return [
    ...steps.filter((step) => !isAfterFiring(step)).map((step): Precedence => ({ before: step.key, after: 'fire', rule: 'O5' })),
    ...lustres.flatMap((step): Precedence[] => [
      { before: 'fire', after: step.key, rule: 'O5' },
      { before: step.key, after: 'fireLustre', rule: 'O5' },
    ]),
    { before: 'fire', after: 'fireLustre', rule: 'O5' },
    ...upperFirst,
  ];
}

function footFirst(layers: readonly PieceStep[], steps: readonly PieceStep[], plan: PiecePlan): Precedence[] {
  const foot = steps.find((step) => step.key === 'wax');
  if (!foot) return [];
  if (foot.kind === 'spongeOff') return layers.map((step) => ({ before: step.key, after: 'wax', rule: 'O3' }));
  const untape = steps.some((step) => step.key === 'unmask:foot');
  const lowest = lowestColours(plan);
  return layers.flatMap((step): Precedence[] => [
    // Wash and underglaze go into bare clay before anything is waxed.
    step.layer && lowest.has(step.layer.id) ? { before: step.key, after: 'wax', rule: 'O3' } : { before: 'wax', after: step.key, rule: 'O3' },
    ...(untape ? [{ before: step.key, after: 'unmask:foot', rule: 'O8' } as const] : []),
  ]);
}

/** Slip, underglaze and wash that lie on the clay itself. */
function lowestColours(plan: PiecePlan): Set<string> {
  return new Set(
    outerStacks(plan).flatMap((stack) => {
      const glazeAt = stack.findIndex((layer) => coatingKindOf(layer) === 'glaze');
      return stack.slice(0, glazeAt < 0 ? stack.length : glazeAt).map((layer) => layer.id);
    }),
  );
}

function insideFirst(layers: readonly PieceStep[]): Precedence[] {
  const isGlaze = (step: PieceStep): boolean => step.layer !== undefined && coatingKindOf(step.layer) === 'glaze';
  const inner = layers.filter((step) => (step.zones.includes('inside') && !step.zones.includes('outside')) || step.face === 'inside');
  return layers
    .filter((step) => !step.zones.includes('inside') && step.face !== 'inside' && isGlaze(step))
    .flatMap((outer) => inner.map((step): Precedence => ({ before: step.key, after: outer.key, rule: 'O2' })));
}

/** A rim or strip that is glazed first is waxed over before the outside goes on. */
function partedFirst(plan: PiecePlan, layers: readonly PieceStep[]): Precedence[] {
  const of = (own: readonly Layer[]): PieceStep[] => layers.filter((step) => own.some((layer) => step.key.includes(layer.id)));
  const parted: [wax: string, own: readonly Layer[]][] = [
    ...(rimIsApart(plan) ? [['waxOver', plan.zones.rim] as [string, Layer[]]] : []),
    ...(plan.strips ?? []).flatMap((strip) =>
      strip.first && strip.layers.length > 0 ? [[`waxOver:${strip.id}`, strip.layers] as [string, Layer[]]] : [],
    ),
  ];
  const lowest = lowestColours(plan);
  // Decoration in the clay itself is ended at the band by hand, before anything is waxed.
  const after = plan.zones.outside.filter((layer) => !lowest.has(layer.id));
  return parted.flatMap(([wax, own]) => [
    ...of(own).map((step): Precedence => ({ before: step.key, after: wax, rule: 'O4' })),
    ...of(after).map((step): Precedence => ({ before: wax, after: step.key, rule: 'O3' })),
  ]);
}

function masked(plan: PiecePlan, layers: readonly PieceStep[]): Precedence[] {
  const outer = layers.filter((step) => step.zones.some((zone) => zone !== 'inside') && step.face !== 'inside');
  const inner = layers.filter((step) => step.zones.includes('inside') || step.face === 'inside');
  return (plan.masks ?? []).flatMap((mask): Precedence[] => {
    const key = `mask:${mask.id}`;
    const steps = mask.where === 'hole' ? layers : isOutside(mask) ? outer : inner;
    if (mask.kind === 'scrape' || mask.kind === 'sponge') return steps.map((step) => ({ before: step.key, after: key, rule: 'O3' }));
    const lies = (own: readonly Layer[], step: PieceStep): boolean => own.some((layer) => step.key.includes(layer.id));
    const { under, above } = aroundLayer(plan, mask.overLayerId);
    return [
      ...steps.flatMap((step): Precedence[] => {
        if (mask.overLayerId === undefined) return [{ before: key, after: step.key, rule: 'O3' }];
        if (lies(under, step)) return [{ before: step.key, after: key, rule: 'O4' }];
        return lies(above, step) ? [{ before: key, after: step.key, rule: 'O3' }] : [];
      }),
      ...(mask.kind === 'tape' ? steps.map((step): Precedence => ({ before: step.key, after: `unmask:${mask.id}`, rule: 'O8' })) : []),
      ...(mask.kind === 'tape' ? [{ before: key, after: `unmask:${mask.id}`, rule: 'O8' } as const] : []),
    ];
  });
}

/** Returns what lies beneath a layer, itself included, and what goes over it, in whichever stack it is. */
function aroundLayer(plan: PiecePlan, layerId: string | undefined): { under: Layer[]; above: Layer[] } {
  const stacks = outerStacks(plan).flatMap((stack) => {
    const at = stack.findIndex((layer) => layer.id === layerId);
    return at < 0 ? [] : [{ under: stack.slice(0, at + 1), above: stack.slice(at + 1) }];
  });
  return { under: stacks.flatMap((stack) => stack.under), above: stacks.flatMap((stack) => stack.above) };
}

function stacked(plan: PiecePlan, layers: readonly PieceStep[]): Precedence[] {
  const pairs: Precedence[] = [];
  for (const stack of outerStacks(plan)) {
    for (let i = 1; i < stack.length; i++) {
      const lower = layers.find((step) => step.key.includes(stack[i - 1]!.id));
      const upper = layers.find((step) => step.key.includes(stack[i]!.id));
      if (lower && upper && lower !== upper) pairs.push({ before: lower.key, after: upper.key, rule: 'O5' });
    }
  }
  return pairs;
}

/**
 * Returns the stacks that lie on one another, bottom up. A strip lies over what is around it, or beneath it, unless it was glazed first.
 *
 * @param plan - the plan
 * @example
 * outerStacks({ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }).length
 * // 3
 */
export function outerStacks(plan: PiecePlan): Layer[][] {
  const { zones, strips = [] } = plan;
  const { inside, outside, rim, foot } = zones;
  const own = strips.filter((strip) => strip.layers.length > 0);
  const main = rimIsApart(plan) ? [outside, rim] : rim.length > 0 || !own.some(isOnWall) ? [[...outside, ...rim]] : [];
  const stackOf = (strip: Strip): Layer[] => {
    if (strip.first) return [...strip.layers];
    const around = isOutside(strip) ? outside : inside;
    return strip.under ? [...strip.layers, ...around] : [...around, ...strip.layers];
  };
  return [inside, ...main, ...own.map(stackOf), foot];
}

/**
 * Returns the steps in a valid order. Every precedence is kept; among what may come next, light goes before dark (O6), then the bucket in
 * hand. A joint dip with further coats inside may contradict O2 for the outer coats; the stack then decides.
 *
 * @param question - `plan` and `glazes`
 * @example
 * safeOrder({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] })[0].kind
 * // 'check'
 */
export function safeOrder({ plan, glazes }: { plan: PiecePlan; glazes: readonly GlazeFacts[] }): PieceStep[] {
  const steps = stepsOf({ plan });
  const pairs = precedencesOf({ plan, steps });
  const lightness = new Map(glazes.map((glaze) => [glaze.bucketId, glaze.lightness]));
  const waiting = [...steps];
  const done: PieceStep[] = [];
  while (waiting.length > 0) {
    const isFree = (step: PieceStep): boolean => !pairs.some((pair) => pair.after === step.key && waiting.some((other) => other.key === pair.before));
    const free = waiting.filter(isFree);
    const candidates = free.length > 0 ? free : waiting;
    const lastBucket = done.at(-1)?.layer?.bucketId;
    const rank = (step: PieceStep): number => {
      if (!step.layer) return -1;
      return 1 - (lightness.get(step.layer.bucketId) ?? 0.5) - (step.layer.bucketId === lastBucket ? 0.001 : 0);
    };
    const next = candidates.reduce((best, step) => (rank(step) < rank(best) ? step : best));
    done.push(next);
    waiting.splice(waiting.indexOf(next), 1);
  }
  return done;
}

/**
 * Returns the steps in the potter's own order where there is one; steps that it does not name go where the safe order has them.
 *
 * @param question - `plan` and `glazes`
 * @example
 * chosenOrder({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] })[0].kind
 * // 'check'
 */
export function chosenOrder({ plan, glazes }: { plan: PiecePlan; glazes: readonly GlazeFacts[] }): PieceStep[] {
  const safe = safeOrder({ plan, glazes });
  const known = plan.order.filter((key) => safe.some((step) => step.key === key));
  if (known.length !== safe.length) return safe;
  return known.map((key) => safe.find((step) => step.key === key)!);
}
