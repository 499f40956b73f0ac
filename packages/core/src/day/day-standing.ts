import { standingEvents } from '../events/event-order';
import { MINUTE_MS } from '../units/time';
import { lotsAfter } from './day-lots';
import type { DayEvent, DayItem, DayStep, StepDone } from './day-plan';
import { groupLagMinutes } from './group-lag';

/** How a step ended. */
export interface StepEnd {
  at: string;
  by: string;
  skipped: boolean;
  eventId: string;
  /** How it was done; left out where it was skipped. */
  done?: StepDone | undefined;
  /** When this person's tick before it was made, ms: no piece was begun earlier. */
  sinceMs: number;
}

export interface LotStanding {
  item: DayItem;
  /** Index of its first open step; the number of its steps when all is done. */
  open: number;
  /** When that may begin, ms. */
  readyMs: number;
  /** When the last piece of it is dry, ms. */
  lastDryMs: number;
  /** A thumb said it, or a clock. */
  readyBy: 'felt' | 'guess';
}

/** A day as it stands: what was done, by whom, what dries until when. */
export interface DayStanding {
  lots: LotStanding[];
  ended: ReadonlyMap<string, StepEnd>;
  /** Of steps that are not done: who is at it, and since when. */
  begun: ReadonlyMap<string, { by: string; at: string }>;
  /** Ticks that came second: somebody had done the step before, ids of events. */
  doubled: ReadonlyMap<string, StepEnd>;
  /** Of each person: the bucket of their last step, if nobody had it since. */
  inHand: ReadonlyMap<string, string>;
  usedBuckets: ReadonlySet<string>;
  shortBuckets: ReadonlySet<string>;
  /** Who left, and until when, ms; Infinity for good. */
  away: ReadonlyMap<string, number>;
  pausedUntilMs: number;
  /** Lots that come first, the last one said first. */
  first: readonly string[];
  lastUndoable?: string;
  lastAt?: string;
}

/**
 * Returns how a day stands after its events. The first record of a step counts; a second one is told apart, and changes nothing.
 *
 * @param day - `items` as they were put on the day; `events`, in any order
 * @example
 * dayStanding({ items: [], events: [] }).lots.length // 0
 */
export function dayStanding({ items, events }: { items: readonly DayItem[]; events: readonly DayEvent[] }): DayStanding {
  const counted = standingEvents(events);
  const lots = lotsAfter(items, counted);
  const stepById = new Map(lots.flatMap((item) => item.steps.map((step) => [step.id, step] as const)));
  const noted = new Notes(items, stepById);
  for (const event of counted) noted.take(event);
  return {
    ...noted.standing(),
    lots: lots.map((item) => noted.lotStanding(item)),
  };
}

/** What events say, one after the other. */
class Notes {
  private readonly ended = new Map<string, StepEnd>();
  private readonly begun = new Map<string, { by: string; at: string }>();
  private readonly doubled = new Map<string, StepEnd>();
  private readonly lastBucket = new Map<string, string>();
  private readonly holder = new Map<string, string>();
  private readonly usedBuckets = new Set<string>();
  private readonly shortBuckets = new Set<string>();
  private readonly away = new Map<string, number>();
  private readonly wetUntilMs = new Map<string, number>();
  private readonly feltDryMs = new Map<string, number>();
  private readonly tickedMs = new Map<string, number>();
  private first: string[] = [];
  private pausedUntilMs = -Infinity;
  private lastUndoable: string | undefined;
  private lastAt: string | undefined;
  /** Step ids of each lot, so that what is split off takes the ticks of its steps along. */
  private readonly stepIdsOf: Map<string, readonly string[]>;

  constructor(
    items: readonly DayItem[],
    private readonly stepById: ReadonlyMap<string, DayStep>,
  ) {
    this.stepIdsOf = new Map(items.map((item) => [item.id, item.steps.map(({ id }) => id)]));
  }

  take(event: DayEvent): void {
    this.lastAt = event.at;
    switch (event.type) {
      case 'stepDone':
      case 'stepSkipped':
        return this.takeEnd(event);
      case 'stepBegun':
        return this.takeBegun(event);
      case 'feltDry':
        this.feltDryMs.set(event.stepId, Date.parse(event.at));
        return;
      case 'notDryYet':
        this.feltDryMs.delete(event.stepId);
        this.wetUntilMs.set(event.stepId, Math.max(this.wetUntilMs.get(event.stepId) ?? 0, Date.parse(event.at) + event.minutes * MINUTE_MS));
        return;
      case 'lotSplit':
        return this.takeSplit(event);
      case 'bucketShort':
        this.shortBuckets.add(event.bucketId);
        return;
      case 'bucketBack':
        this.shortBuckets.delete(event.bucketId);
        return;
      case 'personAway':
        this.away.set(event.person, event.untilAt ? Date.parse(event.untilAt) : Infinity);
        return;
      case 'personBack':
        this.away.delete(event.person);
        return;
      case 'paused':
        this.pausedUntilMs = Date.parse(event.untilAt);
        return;
      case 'lotFirst':
        this.first = [event.itemId, ...this.first.filter((id) => id !== event.itemId)];
        return;
    }
  }

  private takeEnd(event: Extract<DayEvent, { type: 'stepDone' | 'stepSkipped' }>): void {
    const step = this.stepById.get(event.stepId);
    // Steps of pieces that were taken off the day count no more.
    if (!step) return;
    const before = this.ended.get(event.stepId);
    if (before) {
      this.doubled.set(event.id, before);
      return;
    }
    const sinceMs = this.tickedMs.get(event.by) ?? Date.parse(this.begun.get(event.stepId)?.at ?? '');
    this.ended.set(event.stepId, {
      at: event.at,
      by: event.by,
      skipped: event.type === 'stepSkipped',
      eventId: event.id,
      sinceMs: Number.isNaN(sinceMs) ? -Infinity : sinceMs,
      ...(event.type === 'stepDone' ? { done: doneOf(event) } : {}),
    });
    this.begun.delete(event.stepId);
    this.tickedMs.set(event.by, Date.parse(event.at));
    this.lastUndoable = event.id;
    if (event.type === 'stepDone') this.holds(event.by, step.bucketId);
  }

  private takeBegun({ stepId, by, at }: Extract<DayEvent, { type: 'stepBegun' }>): void {
    const step = this.stepById.get(stepId);
    if (!step || this.ended.has(stepId) || this.begun.has(stepId)) return;
    // One does one thing at a time: what was begun before is left.
    for (const [other, { by: who }] of this.begun) if (who === by) this.begun.delete(other);
    this.begun.set(stepId, { by, at });
    this.holds(by, step.bucketId);
  }

  private takeSplit({ itemId, newItemId, stepIds }: Extract<DayEvent, { type: 'lotSplit' }>): void {
    const before = this.stepIdsOf.get(itemId);
    if (!before || !this.stepById.has(stepIds[0] ?? '')) return;
    this.stepIdsOf.set(newItemId, stepIds);
    for (const [at, id] of before.entries()) {
      const end = this.ended.get(id);
      if (end) this.ended.set(stepIds[at]!, end);
      const feltMs = this.feltDryMs.get(id);
      if (feltMs !== undefined) this.feltDryMs.set(stepIds[at]!, feltMs);
    }
  }

  private holds(by: string, bucketId: string | undefined): void {
    if (bucketId === undefined) return;
    this.lastBucket.set(by, bucketId);
    this.holder.set(bucketId, by);
    this.usedBuckets.add(bucketId);
  }

  standing(): Omit<DayStanding, 'lots'> {
    return {
      ended: this.ended,
      begun: this.begun,
      doubled: this.doubled,
      inHand: new Map([...this.lastBucket].filter(([by, bucketId]) => this.holder.get(bucketId) === by)),
      usedBuckets: this.usedBuckets,
      shortBuckets: this.shortBuckets,
      away: this.away,
      pausedUntilMs: this.pausedUntilMs,
      first: this.first,
      ...(this.lastUndoable ? { lastUndoable: this.lastUndoable } : {}),
      ...(this.lastAt ? { lastAt: this.lastAt } : {}),
    };
  }

  lotStanding(item: DayItem): LotStanding {
    const index = item.steps.findIndex(({ id }) => !this.ended.has(id));
    const open = index < 0 ? item.steps.length : index;
    const before = item.steps[open - 1];
    const end = before && this.ended.get(before.id);
    // What a thumb says counts, whatever was guessed.
    const feltMs = before && this.feltDryMs.get(before.id);
    if (!before || !end || end.skipped) return { item, open, readyMs: -Infinity, lastDryMs: -Infinity, readyBy: 'guess' };
    if (feltMs !== undefined) return { item, open, readyMs: feltMs, lastDryMs: feltMs, readyBy: 'felt' };
    const toldWetMs = this.wetUntilMs.get(before.id) ?? 0;
    return {
      item,
      open,
      readyMs: Math.max(dryMs(item, open, end), toldWetMs),
      lastDryMs: Math.max(Date.parse(end.at) + before.waitMinutes * MINUTE_MS, toldWetMs),
      readyBy: 'guess',
    };
  }
}

const doneOf = ({ seconds, sg, method, coatMm, isTouchedUp, seen, pieces }: StepDone): StepDone => ({
  seconds,
  sg,
  method,
  coatMm,
  isTouchedUp,
  seen,
  pieces,
});

/** When the next step of a lot may begin, ms: its first piece has been drying since long before the tick. */
function dryMs({ count, steps }: DayItem, next: number, { at, sinceMs }: StepEnd): number {
  const [before, after] = [steps[next - 1]!, steps[next]];
  const endMs = Date.parse(at);
  if (count === 0) return endMs;
  // No faster than they were really done.
  const eachMinutes = Math.min(before.laborSeconds / 60, Math.max(0, (endMs - sinceMs) / MINUTE_MS / count));
  const lag = groupLagMinutes({ count, eachMinutes, waitMinutes: before.waitMinutes, nextEachMinutes: (after?.laborSeconds ?? 0) / 60 });
  return Math.max(endMs, endMs + (lag - count * eachMinutes) * MINUTE_MS);
}
