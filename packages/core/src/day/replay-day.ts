import { dayStanding, type DayStanding } from './day-standing';
import type { DayEvent, DayItem, DayStep } from './day-plan';

export interface DayStepState {
  step: DayStep;
  state: 'done' | 'skipped' | 'ready' | 'drying' | 'waiting';
  doneAt?: string;
  doneBy?: string;
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
  standing: DayStanding;
  steps: (DayStepState & { item: DayItem })[];
  drying: Drying[];
  doneCount: number;
  totalCount: number;
  lastUndoable?: string;
}

/**
 * Returns a day as it stands at a moment: what is done, and what dries until when.
 *
 * @param day - `items`; `events`, in any order; `nowAt`, UTC, ISO 8601
 * @example
 * replayDay({ items: [], events: [], nowAt: '2026-03-01T09:00:00.000Z' }).doneCount // 0
 */
export function replayDay({ items, events, nowAt }: { items: readonly DayItem[]; events: readonly DayEvent[]; nowAt: string }): DayState {
  const standing = dayStanding({ items, events });
  const nowMs = Date.parse(nowAt);
  const steps = standing.lots.flatMap(({ item, open, readyMs }) =>
    item.steps.map((step, at) => ({ item, ...stepState(step, { standing, isNext: at === open, isReady: readyMs <= nowMs }) })),
  );
  return {
    standing,
    steps,
    drying: dryingOf(standing, nowMs),
    doneCount: steps.filter(({ state }) => state === 'done' || state === 'skipped').length,
    totalCount: steps.length,
    ...(standing.lastUndoable ? { lastUndoable: standing.lastUndoable } : {}),
  };
}

/** Lots with a step to come that wait for the one before it. */
function dryingOf({ lots }: DayStanding, nowMs: number): Drying[] {
  return lots.flatMap(({ item, open, readyMs }) => {
    const before = item.steps[open - 1];
    if (!before || open >= item.steps.length || item.count === 0 || !Number.isFinite(readyMs)) return [];
    if (before.waitMinutes === 0 && readyMs <= nowMs) return [];
    return [{ item, afterStep: before, untilAt: new Date(readyMs).toISOString(), dry: readyMs <= nowMs }];
  });
}

function stepState(step: DayStep, { standing, isNext, isReady }: { standing: DayStanding; isNext: boolean; isReady: boolean }): DayStepState {
  const end = standing.ended.get(step.id);
  if (end) return { step, state: end.skipped ? 'skipped' : 'done', doneAt: end.at, doneBy: end.by, eventId: end.eventId };
  if (!isNext) return { step, state: 'waiting' };
  return { step, state: isReady ? 'ready' : 'drying' };
}
