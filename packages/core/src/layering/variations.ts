import { PotterError } from '../checks/potter-error';
import { flakesOff } from '../coat/drying/crack-advice';
import { outerStacks } from './order/order';
import type { PiecePlan } from '../plan/piece-plan';
import type { Layer } from '../plan/layer';
import type { GlazeFacts } from '../plan/facts';

/** One piece of a set: the bucket of the uppermost coat of each place. */
export interface Variation {
  buckets: Record<string, string>;
}

export interface Variations {
  /** Which glazes are spread over which zones and strips. */
  rule: { palette: string[]; places: string[] };
  pieces: Variation[];
}

/** With more combinations than this, not every one is tried. */
const MOST_COMBINATIONS = 20_000;

/**
 * Returns the pieces that a rule can tell apart: those that no rule of drying forbids.
 *
 * @param question - `plan`; `glazes`; `rule`, its palette and places
 * @throws PotterError for a rule with too many combinations, or none
 * @example
 * combinationsOf({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], rule: { palette: ['ash'], places: ['outside'] } }).length
 * // 1
 */
export function combinationsOf(question: { plan: PiecePlan; glazes: readonly GlazeFacts[]; rule: Variations['rule'] }): Variation[] {
  const { plan, glazes, rule } = question;
  const whole = rule.palette.length ** rule.places.length;
  if (rule.palette.length === 0 || rule.places.length === 0)
    throw new PotterError('emptyList', 'palette', 0, 'Choose the glazes, and the places where they change.');
  if (whole > MOST_COMBINATIONS) throw new PotterError('tooLarge', 'palette', whole, 'That is too many combinations: fewer places, or fewer glazes.');
  return Array.from({ length: whole }, (_, number): Variation => {
    let left = number;
    const buckets: Record<string, string> = {};
    for (const place of rule.places) {
      buckets[place] = rule.palette[left % rule.palette.length]!;
      left = Math.floor(left / rule.palette.length);
    }
    return { buckets };
  }).filter((variation) => holds(variedPlan(plan, variation), glazes));
}

/**
 * Returns a set of which no two are alike and every glaze gets its turn. Piece by piece it takes the combination furthest from those chosen
 * (in most places another glaze), and of those the one whose glazes were used least in their place. The same rule always gives the same set.
 *
 * @param question - as for `combinationsOf`; `count` of pieces
 * @throws PotterError for more pieces than there are combinations
 * @example
 * spreadVariations({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], rule: { palette: ['ash'], places: ['outside'] }, count: 1 }).length
 * // 1
 */
export function spreadVariations(question: { plan: PiecePlan; glazes: readonly GlazeFacts[]; rule: Variations['rule']; count: number }): Variation[] {
  const { rule, count } = question;
  const left = combinationsOf(question);
  if (left.length < count)
    throw new PotterError(
      'impossible',
      'count',
      count,
      `These glazes and places make ${left.length} different pieces, and ${count} are wanted: add a glaze or a place.`,
    );
  const chosen: Variation[] = [];
  const used = new Map<string, number>();
  const usedAt = (place: string, bucketId: string): number => used.get(`${place} ${bucketId}`) ?? 0;
  while (chosen.length < count) {
    const best = left.reduce((leader, one) => (worth(one) < worth(leader) ? one : leader));
    chosen.push(best);
    left.splice(left.indexOf(best), 1);
    for (const place of rule.places) used.set(`${place} ${best.buckets[place]}`, usedAt(place, best.buckets[place]!) + 1);
  }
  return chosen;

  /** Less is better: how often its glazes were used, then how similar it is to the nearest of those chosen. */
  function worth(variation: Variation): number {
    let turns = 0;
    const overall = new Map<string, number>();
    for (const place of rule.places) {
      turns += usedAt(place, variation.buckets[place]!);
      overall.set(variation.buckets[place]!, (overall.get(variation.buckets[place]!) ?? 0) + 1);
    }
    const alike = chosen.reduce(
      (most, other) => Math.max(most, rule.places.filter((place) => other.buckets[place] === variation.buckets[place]).length),
      0,
    );
    // One glaze all over shows less than two.
    const same = rule.places.length - overall.size;
    return turns * 100 + alike * 10 + same;
  }
}

/**
 * Returns the set as it stands: the pieces that were kept while they fit the plan and its count, else a new set by the rule.
 *
 * @param question - `plan`; `glazes`; `count`; `variations`, the rule and the kept pieces
 * @throws PotterError as `spreadVariations`
 * @example
 * currentVariations({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], count: 1, variations: { rule: { palette: ['ash'], places: ['outside'] }, pieces: [] } }).length
 * // 1
 */
export function currentVariations(question: { plan: PiecePlan; glazes: readonly GlazeFacts[]; count: number; variations: Variations }): Variation[] {
  const { plan, glazes, count, variations } = question;
  const { rule, pieces } = variations;
  const fits =
    pieces.length === count &&
    new Set(pieces.map((piece) => JSON.stringify(rule.places.map((place) => piece.buckets[place])))).size === count &&
    pieces.every(
      (piece) => rule.places.every((place) => rule.palette.includes(piece.buckets[place] ?? '')) && holds(variedPlan(plan, piece), glazes),
    );
  return fits ? pieces : spreadVariations({ plan, glazes, rule, count });
}

/**
 * Returns the plan of one piece of a set.
 *
 * @param plan - of the set
 * @param variation - the bucket of the uppermost coat by place
 * @example
 * layersOf(variedPlan({ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, { buckets: { outside: 'iron' } }))[0].bucketId
 * // 'iron'
 */
export function variedPlan(plan: PiecePlan, { buckets }: Variation): PiecePlan {
  const top = (place: string, layers: Layer[]): Layer[] =>
    buckets[place] === undefined ? layers : layers.map((layer, at) => (at === layers.length - 1 ? { ...layer, bucketId: buckets[place]! } : layer));
  const { inside, outside, rim, foot } = plan.zones;
  return {
    ...plan,
    zones: { inside: top('inside', inside), outside: top('outside', outside), rim: top('rim', rim), foot: top('foot', foot) },
    ...(plan.strips ? { strips: plan.strips.map((strip) => ({ ...strip, layers: top(strip.id, strip.layers) })) } : {}),
  };
}

/** Nothing flakes, and no glaze lies over itself where two are meant to meet. */
function holds(plan: PiecePlan, glazes: readonly GlazeFacts[]): boolean {
  const shrinks = (layer: Layer): number | undefined => glazes.find((glaze) => glaze.bucketId === layer.bucketId)?.shrinkShare;
  return outerStacks(plan).every((stack) =>
    stack.slice(1).every((upper, at) => {
      const lower = stack[at]!;
      const [above, beneath] = [shrinks(upper), shrinks(lower)];
      return upper.bucketId !== lower.bucketId && !(above !== undefined && beneath !== undefined && flakesOff({ upper: above, lower: beneath }));
    }),
  );
}
