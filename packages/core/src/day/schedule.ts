import type { DayItem, DayStep } from './day-plan';
import { groupLagMinutes } from './group-lag';

/** Fetching, drilling up and checking another bucket, minutes (sieving not counted). */
export const BUCKET_CHANGE_MINUTES = 5;

export interface Scheduled {
  step: DayStep;
  item: DayItem;
  /** Minutes from the start of the day. */
  startMin: number;
  endMin: number;
  /** When the pieces may be touched again. */
  readyMin: number;
}

export interface ScheduleQuestion {
  items: readonly DayItem[];
  /** For each item: its first open step, and when that may start, minutes. */
  from?: ReadonlyMap<string, { index: number; readyMin: number }>;
  startMin?: number;
  bucketInHand?: string | undefined;
}

/**
 * Returns a day for one worker: at each moment the first of what is ready; waxing and checking before glazing, the bucket in hand before
 * another, light before dark. When nothing is ready, the worker waits for what is dry first. A greedy list: always valid, not promised to be
 * the shortest.
 *
 * @param question - `items`; where each of them stands; `startMin`; the bucket in hand
 * @example
 * scheduleDay({ items: [] }) // []
 */
export function scheduleDay({ items, from, startMin = 0, bucketInHand }: ScheduleQuestion): Scheduled[] {
  const queue = items.map((item) => ({ item, index: from?.get(item.id)?.index ?? 0, readyMin: from?.get(item.id)?.readyMin ?? startMin }));
  const done: Scheduled[] = [];
  let now = startMin;
  let bucket = bucketInHand;
  for (;;) {
    const open = queue.filter((entry) => entry.index < entry.item.steps.length);
    if (open.length === 0) return done;
    const ready = open.filter((entry) => entry.readyMin <= now + 1e-9);
    if (ready.length === 0) {
      now = Math.min(...open.map((entry) => entry.readyMin));
      continue;
    }
    const best = ready.reduce((a, b) => (rank(b.item.steps[b.index]!, bucket) < rank(a.item.steps[a.index]!, bucket) ? b : a));
    const step = best.item.steps[best.index]!;
    const change = step.bucketId && step.bucketId !== bucket ? BUCKET_CHANGE_MINUTES : 0;
    const startAt = now + change;
    const endMin = startAt + (step.laborSeconds * best.item.count) / 60;
    const readyMin = Math.max(endMin, startAt + lagOf(best.item, best.index));
    done.push({ step, item: best.item, startMin: startAt, endMin, readyMin });
    bucket = step.bucketId ?? bucket;
    now = endMin;
    best.index += 1;
    best.readyMin = readyMin;
  }
}

/** A group's next step, after the one at `index` began. */
function lagOf({ count, steps }: DayItem, index: number): number {
  const [step, next] = [steps[index]!, steps[index + 1]];
  const nextEachMinutes = (next?.laborSeconds ?? 0) / 60;
  return groupLagMinutes({ count, eachMinutes: step.laborSeconds / 60, waitMinutes: step.waitMinutes, nextEachMinutes });
}

function rank(step: DayStep, bucket: string | undefined): number {
  if (step.kind === 'check') return 0;
  if (step.kind === 'wax' || step.kind === 'waxOver') return 1;
  if (step.kind === 'wipeFoot') return 5;
  return step.bucketId === bucket ? 2 : 3 + (1 - (step.lightness ?? 0.5));
}
