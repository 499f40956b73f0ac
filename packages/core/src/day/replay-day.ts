import { MINUTE_MS } from '../units/time';
import type { DayEvent, DayItem, DayStep } from './day-plan';
import { groupLagMinutes } from './group-lag';
import { scheduleDay, type Scheduled } from './schedule';

export interface DayStepState {
  step: DayStep;
  state: 'done' | 'skipped' | 'ready' | 'drying' | 'waiting';
  doneAt?: string;
  eventId?: string;
}

export interface Drying {
  item: DayItem;
  afterStep: DayStep;
  /** UTC, ISO 8601. */
  untilAt: string;
  dry: boolean;
}

export interface DayState {
  steps: (DayStepState & { item: DayItem })[];
  now?: { step: DayStep; item: DayItem };
  next: Scheduled[];
  drying: Drying[];
  doneCount: number;
  totalCount: number;
  /** When hands are done by this list, UTC, ISO 8601; left out when they are. */
  finishAt?: string;
  lastUndoable?: string;
}

/**
 * Returns a day as it stands at a moment: what is done, what comes now, what dries and until when, and the rest planned anew from here. The
 * first record of a step counts; a second one changes nothing.
 *
 * @param day - `items`; `events`, in any order; `nowAt`, UTC, ISO 8601
 * @example
 * replayDay({ items: [], events: [], nowAt: '2026-03-01T09:00:00.000Z' }).doneCount // 0
 */
export function replayDay({ items, events, nowAt }: { items: readonly DayItem[]; events: readonly DayEvent[]; nowAt: string }): DayState {
  const undone = new Set(events.filter((event) => event.type === 'undone').map((event) => event.eventId));
  const ended = new Map<string, Ended>();
  let tickedMs = -Infinity;
  /** Found wet: not again before this, ms. */
  const wetUntilMs = new Map<string, number>();
  const feltDryMs = new Map<string, number>();
  let lastUndoable: string | undefined;
  let bucketInHand: string | undefined;
  const stepById = new Map(items.flatMap((item) => item.steps.map((step) => [step.id, step] as const)));
  for (const event of events) {
    if (undone.has(event.id) || event.type === 'undone') continue;
    if (event.type === 'notDryYet') {
      feltDryMs.delete(event.stepId);
      wetUntilMs.set(event.stepId, Math.max(wetUntilMs.get(event.stepId) ?? 0, Date.parse(event.at) + event.minutes * MINUTE_MS));
    } else if (event.type === 'feltDry') feltDryMs.set(event.stepId, Date.parse(event.at));
    // Steps of pieces that were taken off the day count no more.
    else if (!ended.has(event.stepId) && stepById.has(event.stepId)) {
      ended.set(event.stepId, { at: event.at, sinceMs: tickedMs, skipped: event.type === 'stepSkipped', eventId: event.id });
      tickedMs = Date.parse(event.at);
      lastUndoable = event.id;
      bucketInHand = stepById.get(event.stepId)?.bucketId ?? bucketInHand;
    }
  }
  const nowMs = Date.parse(nowAt);
  const drying: Drying[] = [];
  const from = new Map<string, { index: number; readyMin: number }>();
  for (const item of items) {
    const index = item.steps.findIndex((step) => !ended.has(step.id));
    const open = index < 0 ? item.steps.length : index;
    const before = item.steps[open - 1];
    const end = before && ended.get(before.id);
    let readyMs = nowMs;
    if (before && end && !end.skipped) {
      // What a thumb says counts, whatever was guessed.
      readyMs = feltDryMs.get(before.id) ?? Math.max(dryMs(item, open, end), wetUntilMs.get(before.id) ?? 0);
      if ((before.waitMinutes > 0 || readyMs > nowMs) && index >= 0)
        drying.push({ item, afterStep: before, untilAt: new Date(readyMs).toISOString(), dry: readyMs <= nowMs });
    }
    from.set(item.id, { index: open, readyMin: Math.max(0, (readyMs - nowMs) / MINUTE_MS) });
  }
  const schedule = scheduleDay({ items, from, bucketInHand });
  const first = schedule[0];
  const handsFree = first && (from.get(first.item.id)?.readyMin ?? 0) === 0;
  const steps = items.flatMap((item) => item.steps.map((step) => ({ item, ...stepState(step, item, ended, from) })));
  return {
    steps,
    ...(first && handsFree ? { now: { step: first.step, item: first.item } } : {}),
    next: handsFree ? schedule.slice(1) : schedule,
    drying,
    doneCount: ended.size,
    totalCount: stepById.size,
    ...(schedule.length > 0 ? { finishAt: new Date(nowMs + Math.max(...schedule.map(({ endMin }) => endMin)) * MINUTE_MS).toISOString() } : {}),
    ...(lastUndoable ? { lastUndoable } : {}),
  };
}

interface Ended {
  at: string;
  /** When the tick before it was made, ms: no piece was begun earlier. */
  sinceMs: number;
  skipped: boolean;
  eventId: string;
}

/** When the next step of a group may begin, ms: its first piece has been drying since long before the tick. */
function dryMs({ count, steps }: DayItem, next: number, { at, sinceMs }: Ended): number {
  const [before, after] = [steps[next - 1]!, steps[next]];
  const endMs = Date.parse(at);
  // No faster than they were really done.
  const eachMinutes = Math.min(before.laborSeconds / 60, Math.max(0, (endMs - sinceMs) / MINUTE_MS / count));
  const lag = groupLagMinutes({ count, eachMinutes, waitMinutes: before.waitMinutes, nextEachMinutes: (after?.laborSeconds ?? 0) / 60 });
  return Math.max(endMs, endMs + (lag - count * eachMinutes) * MINUTE_MS);
}

function stepState(
  step: DayStep,
  item: DayItem,
  ended: ReadonlyMap<string, Ended>,
  from: ReadonlyMap<string, { index: number; readyMin: number }>,
): DayStepState {
  const end = ended.get(step.id);
  if (end) return { step, state: end.skipped ? 'skipped' : 'done', doneAt: end.at, eventId: end.eventId };
  const { index, readyMin } = from.get(item.id)!;
  if (item.steps[index] !== step) return { step, state: 'waiting' };
  return { step, state: readyMin > 0 ? 'drying' : 'ready' };
}
