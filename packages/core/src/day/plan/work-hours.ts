import { PotterError } from '../../checks/potter-error';
import type { ClockTime, DayPerson } from '../day-plan';

/** A stretch of work, ms since 1970: from, until. */
export type WorkSpan = readonly [fromMs: number, untilMs: number];

/** Days that a plan looks ahead: a fair at the end of the week. */
export const DAYS_AHEAD = 7;

/**
 * Returns when somebody works, breaks left out, on a number of days from one on. A night, and a change of summer time within it, is what lies
 * between.
 *
 * @param question - `person`; `dates`, "2026-03-01" in order; `msAt`, the moment of a clock time on a date where the studio is
 * @throws PotterError where they leave before they come
 * @example
 * workHours({ person: { name: 'Maia', fromTime: '09:00', untilTime: '13:00', breaks: [{ fromTime: '10:00', untilTime: '10:30' }], doesNotDo: [] }, dates: ['2026-03-01'], msAt: (date, time) => Date.parse(`${date}T${time}:00Z`) }).length
 * // 2
 */
export function workHours({
  person,
  dates,
  msAt,
}: {
  person: DayPerson;
  dates: readonly string[];
  msAt: (date: string, time: ClockTime) => number;
}): WorkSpan[] {
  if (person.untilTime <= person.fromTime)
    throw new PotterError('tooSmall', 'untilTime', person.untilTime, `${person.name} leaves before coming: say a later time.`);
  const breaks = [...person.breaks].sort((a, b) => (a.fromTime < b.fromTime ? -1 : 1));
  return dates.flatMap((date) => {
    const spans: WorkSpan[] = [];
    let fromMs = msAt(date, person.fromTime);
    const untilMs = msAt(date, person.untilTime);
    for (const pause of breaks) {
      const [beginsMs, endsMs] = [msAt(date, pause.fromTime), msAt(date, pause.untilTime)];
      if (beginsMs > fromMs) spans.push([fromMs, Math.min(beginsMs, untilMs)]);
      fromMs = Math.max(fromMs, endsMs);
    }
    if (untilMs > fromMs) spans.push([fromMs, untilMs]);
    return spans;
  });
}

/**
 * Returns the days from one on, as the records name them.
 *
 * @param date - "2026-03-01"
 * @param count - how many
 * @example
 * datesFrom('2026-02-28', 2) // ['2026-02-28', '2026-03-01']
 */
export function datesFrom(date: string, count: number): string[] {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  return Array.from({ length: count }, (_, at) => new Date(Date.UTC(year, month - 1, day + at)).toISOString().slice(0, 10));
}
