import { PotterError } from '../checks/potter-error';
import type { Precedence } from './order';
import type { PieceStep } from './steps';

/** Minutes for fetching, drilling and reading another bucket, and for washing tools on the way from dark to light. */
export const CHANGE_MINUTES = 5;
export const WASH_MINUTES = 5;
/** Lighter by more than this, the tools are washed first. */
const LIGHTER_BY = 0.15;
/** So little that it only chooses among orders that cost the same: the usual order's place of a step. */
const USUAL_PLACE_MINUTES = 1e-4;
const MOST_STEPS = 20;

export interface OrderToFind {
  /** In the usual order, which decides between equals. */
  steps: readonly PieceStep[];
  before: readonly Pick<Precedence, 'before' | 'after'>[];
  /** Lightness of each bucket, 0–1. */
  lightness: ReadonlyMap<string, number>;
}

export type FoundOrder =
  | { kind: 'ok'; keys: string[]; changeMinutes: number }
  /** What was pinned and what must be contradict one another. */
  | { kind: 'contradiction' };

/** Minutes between two buckets, none where it is the same one or no glaze was used yet. */
export function changeMinutes(from: string | undefined, to: string | undefined, lightness: ReadonlyMap<string, number>): number {
  if (to === undefined || from === to) return 0;
  if (from === undefined) return CHANGE_MINUTES;
  const wash = (lightness.get(from) ?? 0.5) + LIGHTER_BY < (lightness.get(to) ?? 0.5);
  return CHANGE_MINUTES + (wash ? WASH_MINUTES : 0);
}

/**
 * The order with the least fetching and washing among all that keep what must come before what: A* over the sets of steps that are done, with
 * the bucket at hand. It never overrates what is left: each other bucket must be fetched at least once more.
 */
export function cheapestOrder({ steps, before, lightness }: OrderToFind): FoundOrder {
  if (steps.length > MOST_STEPS) throw new PotterError('tooLarge', 'steps', steps.length, `An order is found for at most ${MOST_STEPS} steps.`);
  const count = steps.length;
  const index = new Map(steps.map((step, at) => [step.key, at]));
  const needs = steps.map(() => 0);
  for (const pair of before) {
    const [first, then] = [index.get(pair.before), index.get(pair.after)];
    if (first !== undefined && then !== undefined && first !== then) needs[then]! |= 1 << first;
  }
  const buckets = [...new Set(steps.flatMap((step) => step.layer?.bucketId ?? []))];
  const bucketOf = steps.map((step) => (step.layer ? buckets.indexOf(step.layer.bucketId) : -1));
  const whole = 2 ** count - 1;
  const left = (done: number, hand: number): number => {
    const missing = new Set<number>();
    for (let at = 0; at < count; at++) if (!(done & (1 << at)) && bucketOf[at]! >= 0 && bucketOf[at] !== hand) missing.add(bucketOf[at]!);
    return CHANGE_MINUTES * missing.size;
  };
  interface Node {
    done: number;
    hand: number;
    cost: number;
    least: number;
    step: number;
    from: Node | undefined;
  }
  const best = new Map<number, number>();
  const open: Node[] = [{ done: 0, hand: -1, cost: 0, least: left(0, -1), step: -1, from: undefined }];
  while (open.length > 0) {
    // Few enough to look through: a plan has a handful of steps.
    let cheapest = 0;
    for (let at = 1; at < open.length; at++) if (open[at]!.least < open[cheapest]!.least) cheapest = at;
    const node = open.splice(cheapest, 1)[0]!;
    if (node.done === whole) return { kind: 'ok', ...trace(node) };
    const key = node.done * (buckets.length + 1) + node.hand + 1;
    if ((best.get(key) ?? Infinity) < node.cost) continue;
    const place = popCount(node.done);
    for (let at = 0; at < count; at++) {
      if (node.done & (1 << at) || (needs[at]! & node.done) !== needs[at]) continue;
      const to = bucketOf[at]!;
      const change = changeMinutes(node.hand < 0 ? undefined : buckets[node.hand], to < 0 ? undefined : buckets[to], lightness);
      const cost = node.cost + change + USUAL_PLACE_MINUTES * Math.abs(at - place);
      const [done, hand] = [node.done | (1 << at), to < 0 ? node.hand : to];
      const state = done * (buckets.length + 1) + hand + 1;
      if ((best.get(state) ?? Infinity) <= cost) continue;
      best.set(state, cost);
      open.push({ done, hand, cost, least: cost + left(done, hand), step: at, from: node });
    }
  }
  return { kind: 'contradiction' };

  function trace(end: Node): { keys: string[]; changeMinutes: number } {
    const keys: string[] = [];
    for (let node: Node | undefined = end; node && node.step >= 0; node = node.from) keys.unshift(steps[node.step]!.key);
    let minutes = 0;
    let hand: string | undefined;
    for (const key of keys) {
      const bucketId = steps[index.get(key)!]!.layer?.bucketId;
      minutes += changeMinutes(hand, bucketId, lightness);
      hand = bucketId ?? hand;
    }
    return { keys, changeMinutes: minutes };
  }
}

function popCount(bits: number): number {
  let count = 0;
  for (let rest = bits; rest > 0; rest &= rest - 1) count += 1;
  return count;
}
