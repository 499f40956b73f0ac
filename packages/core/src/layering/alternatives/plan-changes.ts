import { flakesOff } from '../../coat/drying/crack-advice';
import { outerStacks, safeOrder } from '../order/order';
import { withLayers, type PiecePlan } from '../../plan/piece-plan';
import { stepsOf, type PieceStep } from '../steps/steps';
import { timedOrder, type AlternativesQuestion } from './alternatives-question';
import type { Layer } from '../../plan/layer';
import type { FootBy, Mask } from '../../plan/mask';
import type { GlazeFacts } from '../../plan/facts';
import type { UnwantedStep, PlanChange } from '../../plan/plan-change';

/** A coat no thicker than this pulls less as it dries, mm. */
export const THIN_MM = 0.5;
const MOST_CHANGES = 5;

/**
 * Returns whether a step is the unwanted one, done by the unwanted method.
 *
 * @param step - of a plan
 * @param unwanted - key, and method or kind
 * @example
 * isStep({ key: 'wax', kind: 'wax' }, { key: 'wax', by: 'tape' }) // false
 */
export const isStep = (step: Pick<PieceStep, 'key' | 'kind' | 'layer'>, unwanted: UnwantedStep): boolean =>
  step.key === unwanted.key && (step.layer?.method ?? step.kind) === unwanted.by;

/**
 * Returns every set of the changes that bear on a plan, those that stand for an unwanted step first. At most five changes are combined.
 *
 * @param question - plan, shape, glazes, body; the safe line where the plan lies below it
 * @example
 * changesWorthTrying({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false }, count: 1 })[0]
 * // []
 */
export function changesWorthTrying(question: AlternativesQuestion): PlanChange[][] {
  const { plan, glazes } = question;
  const flaking = flakingPairs(plan, glazes);
  const worth: PlanChange[] = [...insteadOf(plan)];
  if (flaking.length > 0) worth.push('gum', 'thinner');
  if (plan.zones.rim.length > 0 && plan.zones.outside.length > 0 && !plan.rimFirst) worth.push('rimFirst');
  if (flaking.length > 0 && plan.zones.outside.length > 0 && plan.strips?.some((strip) => strip.layers.length > 0 && !strip.first))
    worth.push('stripFirst');
  const steps = timedOrder(
    question,
    safeOrder({ plan, glazes }).map((step) => step.key),
  );
  if (steps.some((step) => step.dip && step.dip.kind !== 'ok')) worth.push('brush');
  const [inside, outside] = [plan.zones.inside[0], plan.zones.outside[0]];
  if (inside && outside && inside.bucketId === outside.bucketId)
    worth.push(inside.method === 'dip' && outside.method === 'dip' ? 'insideFirst' : 'oneDip');
  if (question.safeLine?.kind === 'ok' && question.safeLine.waxFootMm > plan.waxFootMm) worth.push('higherWax');
  const open = [...new Set(worth)].filter((change) => !plan.unwanted?.changes?.includes(change)).slice(0, MOST_CHANGES);
  return Array.from({ length: 2 ** open.length }, (_, bits) => open.filter((_change, at) => bits & (1 << at)));
}

/**
 * Returns a plan with one change made.
 *
 * @param plan - the plan
 * @param change - which one
 * @param question - shape, glazes and body; the safe line for `higherWax`
 * @example
 * changed({ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, 'rimFirst', { shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }).rimFirst
 * // true
 */
export function changed(plan: PiecePlan, change: PlanChange, question: AlternativesQuestion): PiecePlan {
  const { glazes, safeLine } = question;
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
      const failing = timedOrder({ ...question, plan }, keys).filter((step) => step.dip && step.dip.kind !== 'ok');
      const isFailing = (layer: Layer): boolean => failing.some((step) => step.key.includes(layer.id));
      return { ...withLayers(plan, (layer) => (isFailing(layer) || isUnwanted(plan, layer) ? { ...layer, method: 'brush' } : layer)), order: [] };
    }
    case 'pour':
    case 'dip':
      return { ...withLayers(plan, (layer) => (isUnwanted(plan, layer) ? { ...layer, method: change } : layer)), order: [] };
    case 'wax':
    case 'tape':
    case 'sponge':
      return keptBareBy(plan, change);
    case 'overlap':
      return { ...plan, rimFirst: undefined, strips: plan.strips?.map((strip) => ({ ...strip, first: undefined })), order: [] };
    case 'oneDip':
    case 'insideFirst': {
      const { inside, outside } = plan.zones;
      const method = change === 'oneDip' ? ('dip' as const) : ('pour' as const);
      const first = (layers: readonly Layer[], to: Layer['method']): Layer[] =>
        layers.map((layer, at) => (at === 0 ? { ...layer, method: to } : layer));
      return { ...plan, zones: { ...plan.zones, inside: first(inside, method), outside: first(outside, 'dip') }, order: [] };
    }
    case 'higherWax':
      return safeLine?.kind === 'ok' ? { ...plan, waxFootMm: Math.max(plan.waxFootMm, safeLine.waxFootMm) } : plan;
  }
}

/**
 * Returns pairs where the upper coat pulls the lower one off as it dries. A pair that lies in two stacks counts once.
 *
 * @param plan - the plan
 * @param glazes - of its buckets
 * @example
 * flakingPairs({ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }])
 * // []
 */
export function flakingPairs(plan: PiecePlan, glazes: readonly GlazeFacts[]): { upper: Layer; lower: Layer }[] {
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

/**
 * Other methods for what the unwanted steps of a plan are for. An unwanted step that the plan does not take is only kept out of the alternatives.
 */
function insteadOf(plan: PiecePlan): PlanChange[] {
  const taken = stepsOf({ plan });
  return (plan.unwanted?.steps ?? []).flatMap((unwanted): PlanChange[] => {
    const step = taken.find((one) => isStep(one, unwanted));
    if (!step) return [];
    if (step.kind === 'waxOver') return ['overlap'];
    if (step.kind === 'layer') return METHODS_INSTEAD.filter((method) => method !== unwanted.by);
    return step.key === 'wax' || step.key.startsWith('mask:') ? MASKINGS.filter((masking) => STEP_OF_MASKING[masking] !== unwanted.by) : [];
  });
}

const METHODS_INSTEAD = ['dip', 'pour', 'brush'] as const;
const MASKINGS = ['wax', 'tape', 'sponge'] as const;
const STEP_OF_MASKING = { wax: 'wax', tape: 'tape', sponge: 'spongeOff' } as const;

const isUnwanted = (plan: PiecePlan, layer: Layer): boolean =>
  (plan.unwanted?.steps ?? []).some(({ key, by }) => key.startsWith('layer:') && key.includes(layer.id) && by === layer.method);

/** A place that an unwanted wax, tape or sponge would keep bare is kept bare by another masking. */
function keptBareBy(plan: PiecePlan, masking: FootBy & Mask['kind']): PiecePlan {
  const unwanted = (key: string): boolean => (plan.unwanted?.steps ?? []).some((step) => step.key === key);
  return {
    ...plan,
    ...(unwanted('wax') ? { footBy: masking } : {}),
    ...(plan.masks ? { masks: plan.masks.map((mask) => (unwanted(`mask:${mask.id}`) ? { ...mask, kind: masking } : mask)) } : {}),
    order: [],
  };
}
