import { rimIsApart, type GlazeFacts, type Layer, type PiecePlan } from './piece-plan';
import { stepsOf, type PieceStep } from './steps';

/** Pairs of steps where the first must come before the second, with the rule that says so. */
export interface Precedence {
  before: string;
  after: string;
  rule: 'O1' | 'O2' | 'O3' | 'O4' | 'O5' | 'O7';
}

/** What must come before what: rules O1, O2, O3, O7, and each stack bottom up (O5). */
export function precedencesOf({ plan, steps }: { plan: PiecePlan; steps: readonly PieceStep[] }): Precedence[] {
  const pairs: Precedence[] = [];
  const layers = steps.filter((step) => step.kind === 'layer');
  for (const step of steps) {
    if (step.key !== 'check') pairs.push({ before: 'check', after: step.key, rule: 'O1' });
    if (step.key !== 'wipeFoot') pairs.push({ before: step.key, after: 'wipeFoot', rule: 'O7' });
    if (step.kind === 'layer' && steps.some((other) => other.kind === 'wax')) pairs.push({ before: 'wax', after: step.key, rule: 'O3' });
  }
  for (const outer of layers.filter((step) => !step.zones.includes('inside'))) {
    for (const inner of layers.filter((step) => step.zones.includes('inside') && !step.zones.includes('outside'))) {
      pairs.push({ before: inner.key, after: outer.key, rule: 'O2' });
    }
  }
  const of = (zone: 'rim' | 'outside'): PieceStep[] => layers.filter((step) => plan.zones[zone].some((layer) => step.key.includes(layer.id)));
  if (rimIsApart(plan)) {
    for (const step of of('rim')) pairs.push({ before: step.key, after: 'waxOver', rule: 'O4' });
    for (const step of of('outside')) pairs.push({ before: 'waxOver', after: step.key, rule: 'O3' });
  }
  for (const stack of outerStacks(plan)) {
    for (let i = 1; i < stack.length; i++) {
      const lower = layers.find((step) => step.key.includes(stack[i - 1]!.id));
      const upper = layers.find((step) => step.key.includes(stack[i]!.id));
      if (lower && upper && lower !== upper) pairs.push({ before: lower.key, after: upper.key, rule: 'O5' });
    }
  }
  return pairs;
}

/** The stacks that lie on one another, bottom up. */
export function outerStacks(plan: PiecePlan): Layer[][] {
  const { inside, outside, rim, foot } = plan.zones;
  return rimIsApart(plan) ? [inside, outside, rim, foot] : [inside, [...outside, ...rim], foot];
}

/**
 * A valid order: every precedence kept; among what may come next, light before dark (O6), then the bucket at hand.
 * A joint dip with further coats inside may contradict O2 for the outer coats; the stack then decides.
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

/** The potter's own order where there is one: steps it does not name go where the safe order has them. */
export function chosenOrder({ plan, glazes }: { plan: PiecePlan; glazes: readonly GlazeFacts[] }): PieceStep[] {
  const safe = safeOrder({ plan, glazes });
  const known = plan.order.filter((key) => safe.some((step) => step.key === key));
  if (known.length !== safe.length) return safe;
  return known.map((key) => safe.find((step) => step.key === key)!);
}
