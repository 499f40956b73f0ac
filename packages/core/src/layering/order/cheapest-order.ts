import TinyQueue from 'tinyqueue';
import { PotterError } from '../../checks/potter-error';
import type { Precedence } from './order';
import type { PieceStep } from '../steps/steps';

/** Minutes for fetching, stirring and measuring another bucket, and for washing tools between dark and light. */
export const CHANGE_MINUTES = 5;
export const WASH_MINUTES = 5;
/** When the next glaze is lighter by more than this, the tools are washed first. */
const LIGHTER_BY = 0.15;
/** So small that it only decides between orders of equal cost: the place of a step in the usual order. */
const USUAL_PLACE_MINUTES = 1e-4;
/** Up to so many steps every order is weighed and the usual one decides between equals; above, steps that cost nothing are done at once. */
const ALL_WEIGHED_STEPS = 20;
/** As many steps as a plan can hold, and as a number has bits. */
const MOST_STEPS = 53;
const LOW_BITS = 27;

export interface OrderToFind {
  /** Place in the usual order, which decides between equals. */
  steps: readonly PieceStep[];
  before: readonly Pick<Precedence, 'before' | 'after'>[];
  /** Lightness of each bucket, 0–1. */
  lightness: ReadonlyMap<string, number>;
}

export type FoundOrder =
  | { kind: 'ok'; keys: string[]; changeMinutes: number }
  /** The pinned order contradicts what must come first. */
  | { kind: 'contradiction' };

/**
 * Returns the minutes between two buckets; 0 where it is the same one or no glaze was used yet.
 *
 * @param from - bucket in hand
 * @param to - the next bucket
 * @param lightness - by bucket, 0 black – 1 white
 * @example
 * changeMinutes('a', 'a', new Map()) // 0
 */
export function changeMinutes(from: string | undefined, to: string | undefined, lightness: ReadonlyMap<string, number>): number {
  if (to === undefined || from === to) return 0;
  if (from === undefined) return CHANGE_MINUTES;
  const wash = (lightness.get(from) ?? 0.5) + LIGHTER_BY < (lightness.get(to) ?? 0.5);
  return CHANGE_MINUTES + (wash ? WASH_MINUTES : 0);
}

/** A set of steps that are done, as the bits of two numbers: bit operations know only 32. */
interface Done {
  low: number;
  high: number;
}

interface Node extends Done {
  /** Which bucket is in hand; -1 for none. */
  inHand: number;
  cost: number;
  least: number;
  place: number;
  step: number;
  from: Node | undefined;
}

/**
 * Returns the order with the least fetching and washing among all that keep what must come before what; or a contradiction.
 *
 * Source: A* (Hart, Nilsson and Raphael, 1968) over the sets of steps that are done, with the bucket in hand. The estimate of what is left
 * never overrates: each other bucket must be fetched at least once more. A step without a bucket, or of the bucket in hand, costs nothing and
 * frees others: doing it at once is never dearer, for going from one bucket to a second costs at most as much as by way of a third. Large
 * plans are searched by that alone, and have the least minutes too.
 *
 * @param question - `steps`; `before`, pairs of keys; `lightness` by bucket
 * @throws PotterError for more steps than a plan can hold
 * @example
 * cheapestOrder({ steps: [], before: [], lightness: new Map() }).kind // 'ok'
 */
export function cheapestOrder({ steps, before, lightness }: OrderToFind): FoundOrder {
  if (steps.length > MOST_STEPS) throw new PotterError('tooLarge', 'steps', steps.length, `An order is found for at most ${MOST_STEPS} steps.`);
  const count = steps.length;
  const index = new Map(steps.map((step, at) => [step.key, at]));
  const bits = steps.map((_, at): Done => (at < LOW_BITS ? { low: 1 << at, high: 0 } : { low: 0, high: 1 << (at - LOW_BITS) }));
  const needs = steps.map((): Done => ({ low: 0, high: 0 }));
  for (const pair of before) {
    const [first, then] = [index.get(pair.before), index.get(pair.after)];
    if (first !== undefined && then !== undefined && first !== then) needs[then] = both(needs[then]!, bits[first]!);
  }
  const buckets = [...new Set(steps.flatMap((step) => step.layer?.bucketId ?? []))];
  const bucketOf = steps.map((step) => (step.layer ? buckets.indexOf(step.layer.bucketId) : -1));
  const ofBucket = buckets.map((_, bucket) => bits.reduce((all, bit, at) => (bucketOf[at] === bucket ? both(all, bit) : all), { low: 0, high: 0 }));
  const left = (done: Done, inHand: number): number =>
    CHANGE_MINUTES * ofBucket.reduce((missing, own, bucket) => missing + (bucket === inHand || holds(done, own) ? 0 : 1), 0);
  const isFree = (done: Done, at: number): boolean => !holds(done, bits[at]!) && holds(done, needs[at]!);
  const isFreeOfCharge = (node: Node, at: number): boolean => bucketOf[at]! < 0 || bucketOf[at] === node.inHand;
  const nextOf = (node: Node): number[] => {
    const free = steps.flatMap((_, at) => (isFree(node, at) ? [at] : []));
    const gift = count > ALL_WEIGHED_STEPS ? free.find((at) => isFreeOfCharge(node, at)) : undefined;
    return gift === undefined ? free : [gift];
  };
  /** Least cost of each set of steps so far, by the bucket in hand. */
  const best = [undefined, ...buckets].map(() => new Map<number, number>());
  const start: Node = { low: 0, high: 0, inHand: -1, cost: 0, least: left({ low: 0, high: 0 }, -1), place: 0, step: -1, from: undefined };
  const open = new TinyQueue<Node>([start], (a, b) => a.least - b.least);
  for (let node = open.pop(); node; node = open.pop()) {
    if (node.place === count) return { kind: 'ok', ...trace(node) };
    if ((best[node.inHand + 1]!.get(asKey(node)) ?? Infinity) < node.cost) continue;
    for (const at of nextOf(node)) {
      const to = bucketOf[at]!;
      const inHand = to < 0 ? node.inHand : to;
      const change = changeMinutes(node.inHand < 0 ? undefined : buckets[node.inHand], to < 0 ? undefined : buckets[to], lightness);
      const cost = node.cost + change + USUAL_PLACE_MINUTES * Math.abs(at - node.place);
      const done = both(node, bits[at]!);
      const known = best[inHand + 1]!;
      if ((known.get(asKey(done)) ?? Infinity) <= cost) continue;
      known.set(asKey(done), cost);
      open.push({ ...done, inHand, cost, least: cost + left(done, inHand), place: node.place + 1, step: at, from: node });
    }
  }
  return { kind: 'contradiction' };

  function trace(end: Node): { keys: string[]; changeMinutes: number } {
    const keys: string[] = [];
    for (let node: Node | undefined = end; node && node.step >= 0; node = node.from) keys.unshift(steps[node.step]!.key);
    let minutes = 0;
    let inHand: string | undefined;
    for (const key of keys) {
      const bucketId = steps[index.get(key)!]!.layer?.bucketId;
      minutes += changeMinutes(inHand, bucketId, lightness);
      inHand = bucketId ?? inHand;
    }
    return { keys, changeMinutes: minutes };
  }
}

const both = (one: Done, other: Done): Done => ({ low: one.low | other.low, high: one.high | other.high });
const holds = (all: Done, some: Done): boolean => (all.low & some.low) === some.low && (all.high & some.high) === some.high;
const asKey = ({ low, high }: Done): number => high * 2 ** LOW_BITS + low;
