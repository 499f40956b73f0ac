import { waitsFrom, type DryTap, type WaitKnowledge } from '../learning/wait-learning';
import { MINUTE_MS } from '../units/time';
import { standingEvents } from '../events/event-order';
import { dayStanding } from './day-standing';
import type { DayEvent, DayItem, DayStep } from './day-plan';

/** A glazing day, as far as its waits teach. */
export interface DayOfWaits {
  date: string;
  items: readonly DayItem[];
  events: readonly DayEvent[];
}

/** What dries through over night is felt the next morning: it teaches nothing of the wait. */
const MOST_TAUGHT_MINUTES = 360;
/** Nobody dries in less, minutes. */
const LEAST_MINUTES = 0.5;

/**
 * Returns what the taps "dry" and "not dry yet" of some days say of their waits: each is an interval, open where nobody looked. Only coats out of a
 * bucket teach.
 *
 * @param days - with their events in any order
 * @example
 * dryTaps([{ date: '2026-03-01', items: [], events: [] }]) // []
 */
export function dryTaps(days: readonly DayOfWaits[]): DryTap[] {
  return days.flatMap(({ date, items, events }) => {
    const { lots, ended } = dayStanding({ items, events });
    const counted = standingEvents(events);
    return lots.flatMap((lot) =>
      lot.item.steps.flatMap((step): DryTap[] => {
        const end = ended.get(step.id);
        if (!end || end.skipped || !step.bucketId || step.waitMinutes <= 0 || step.waitMinutes >= MOST_TAUGHT_MINUTES) return [];
        const since = (at: string): number => Math.max(LEAST_MINUTES, (Date.parse(at) - Date.parse(end.at)) / MINUTE_MS);
        const taps = counted.filter((event) => (event.type === 'feltDry' || event.type === 'notDryYet') && event.stepId === step.id);
        const wet = taps.filter((event) => event.type === 'notDryYet').at(-1);
        const dry = taps.find((event) => event.type === 'feltDry' && (!wet || event.at > wet.at));
        if (!wet && !dry) return [];
        return [
          {
            glaze: step.bucketId,
            body: lot.item.clayBodyId ?? '',
            day: date,
            guessMinutes: step.waitMinutes,
            ...(wet ? { afterMinutes: since(wet.at) } : {}),
            ...(dry ? { byMinutes: Math.max(since(dry.at), wet ? since(wet.at) + LEAST_MINUTES : 0) } : {}),
          },
        ];
      }),
    );
  });
}

/**
 * Returns whether taps taught anything of the wait after a step.
 *
 * @param step - of a day
 * @param known - from `waitsOfDays`
 * @example
 * isTaught({ id: 's', itemId: 'i', kind: 'wax', words: '', laborSeconds: 60, waitMinutes: 15 }, waitsOfDays([])) // false
 */
export const isTaught = ({ bucketId, waitMinutes }: DayStep, known: WaitKnowledge): boolean =>
  bucketId !== undefined && waitMinutes > 0 && waitMinutes < MOST_TAUGHT_MINUTES && known.tapsOf(bucketId) > 0;

/**
 * Returns what the taps of some days taught of all waits.
 *
 * @param days - as `dryTaps`
 * @example
 * waitsOfDays([]).tapsOf('ash') // 0
 */
export const waitsOfDays = (days: readonly DayOfWaits[]): WaitKnowledge => waitsFrom(dryTaps(days));

/**
 * Returns lots whose waits are the learnt ones, where anything was learnt of their glaze; the others stay as they were guessed.
 *
 * @param items - lots of one day
 * @param known - from `waitsOfDays`
 * @param date - of the day
 * @example
 * withLearntWaits([], waitsOfDays([]), '2026-03-01') // []
 */
export const withLearntWaits = (items: readonly DayItem[], known: WaitKnowledge, date: string): DayItem[] =>
  items.map((item) => ({
    ...item,
    steps: item.steps.map((step) => {
      const { bucketId, waitMinutes } = step;
      if (!isTaught(step, known)) return step;
      const { minutes } = known.of({ glaze: bucketId!, body: item.clayBodyId ?? '', day: date, guessMinutes: waitMinutes });
      return { ...step, waitMinutes: Math.max(LEAST_MINUTES, Number(minutes.toFixed(1))) };
    }),
  }));
