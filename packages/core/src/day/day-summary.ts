import type { DayItem, DayStep } from './day-plan';
import type { DayStanding } from './day-standing';
import type { CoatDeviation } from './deviation';
import { stepDeviation } from './step-deviation';

/** What somebody did on a day. */
export interface PersonSummary {
  name: string;
  steps: number;
  /** Pieces that went through their hands, once for each step. */
  pieces: number;
}

/** A lot that is not finished: what comes next, and from when on it may. */
export interface OpenLot {
  item: DayItem;
  next: DayStep;
  /** UTC, ISO 8601; left out where nothing of it dries. */
  readyAt?: string;
  stepsLeft: number;
}

/** A coat that is not as it was planned. */
export interface OddCoat {
  item: DayItem;
  step: DayStep;
  deviation: CoatDeviation;
}

/** What became of a day. */
export interface DaySummary {
  people: PersonSummary[];
  /** Glaze that the ticks took out of each bucket's book, most first, mL. */
  buckets: { bucketId: string; name: string; usedMl: number }[];
  /** Lots with nothing left to do, and when the last of it was done. */
  finished: { item: DayItem; at: string }[];
  left: OpenLot[];
  odd: OddCoat[];
}

/**
 * Returns what became of a day: who did what, what it took out of the buckets, which lots are finished, and what is left with its waits. A tick that
 * was made before a lot was split counts once.
 *
 * @param standing - how the day stands
 * @example
 * daySummary(dayStanding({ items: [], events: [] })).left // []
 */
export function daySummary(standing: DayStanding): DaySummary {
  const people = new Map<string, PersonSummary>();
  const buckets = new Map<string, { bucketId: string; name: string; usedMl: number }>();
  const odd: OddCoat[] = [];
  const seen = new Set<string>();
  for (const { item } of standing.lots)
    for (const step of item.steps) {
      const end = standing.ended.get(step.id);
      if (!end || end.skipped) continue;
      const before = people.get(end.by) ?? { name: end.by, steps: 0, pieces: 0 };
      people.set(end.by, { ...before, steps: before.steps + (seen.has(end.eventId) ? 0 : 1), pieces: before.pieces + item.count });
      seen.add(end.eventId);
      if (step.bucketId && step.glazeMl) {
        const used = buckets.get(step.bucketId) ?? { bucketId: step.bucketId, name: step.bucketName ?? 'Glaze', usedMl: 0 };
        buckets.set(step.bucketId, { ...used, usedMl: used.usedMl + step.glazeMl * item.count });
      }
      const deviation = stepDeviation(step, end.done ?? {});
      if (deviation && deviation.verdict !== 'asPlanned') odd.push({ item, step, deviation });
    }
  const there = standing.lots.filter(({ item }) => item.count > 0);
  return {
    people: [...people.values()].sort((a, b) => b.steps - a.steps),
    buckets: [...buckets.values()].sort((a, b) => b.usedMl - a.usedMl),
    finished: there.flatMap(({ item, open }) => (open === item.steps.length ? [{ item, at: lastEnd(item, standing) }] : [])),
    left: there.flatMap(({ item, open, readyMs }): OpenLot[] => {
      const next = item.steps[open];
      if (!next) return [];
      return [{ item, next, stepsLeft: item.steps.length - open, ...(Number.isFinite(readyMs) ? { readyAt: new Date(readyMs).toISOString() } : {}) }];
    }),
    odd,
  };
}

const lastEnd = ({ steps }: DayItem, { ended }: DayStanding): string =>
  steps
    .map(({ id }) => ended.get(id)?.at ?? '')
    .sort()
    .at(-1) ?? '';
