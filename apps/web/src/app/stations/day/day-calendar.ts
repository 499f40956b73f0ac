import type { DayPlanning, Timetable } from '@cazuela/core';
import { createEvents, type DateArray, type EventAttributes } from 'ics';

/** A moment as the calendar format wants it, UTC. */
const utc = (at: string): DateArray => {
  const date = new Date(at);
  return [date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate(), date.getUTCHours(), date.getUTCMinutes()];
};

/**
 * Returns a day as an iCalendar file: each person's work from the first step to the last, when all is dry and the kiln can be loaded, and the
 * deadline. Read in a second time, it takes the place of what was there.
 *
 * @throws Error where the calendar cannot be written
 */
export function dayCalendar({
  date,
  title,
  timetable,
  planning,
}: {
  date: string;
  title: string;
  timetable: Timetable;
  planning: DayPlanning;
}): string {
  const uidOf = (what: string): string => `${date}-${encodeURIComponent(what)}@cazuela`;
  const people = [...new Set(timetable.tasks.map(({ person }) => person))];
  const work = people.flatMap((person): EventAttributes[] => {
    const own = timetable.tasks.filter((task) => task.person === person);
    // A night parts one day's work from the next.
    const days = [...new Set(own.map(({ startAt }) => new Date(startAt).toDateString()))];
    return days.map((day) => {
      const tasks = own.filter(({ startAt }) => new Date(startAt).toDateString() === day);
      const end = tasks.reduce((latest, { endAt }) => (endAt > latest ? endAt : latest), tasks[0]!.endAt);
      return {
        uid: uidOf(`${person} ${day}`),
        title: `Glazing, ${person}`,
        description: tasks.map(({ step, item }) => `${step.words}, ${item.count} × ${item.name}`).join('\n'),
        start: utc(tasks[0]!.fetchFromAt),
        end: utc(end),
        startInputType: 'utc',
        endInputType: 'utc',
      };
    });
  });
  const moment = (what: string, words: string, at: string): EventAttributes => ({
    uid: uidOf(what),
    title: words,
    description: title,
    start: utc(at),
    duration: { minutes: 15 },
    startInputType: 'utc',
  });
  const { error, value } = createEvents(
    [
      ...work,
      ...(timetable.dryAt ? [moment('dry', 'All dry: the kiln can be loaded', timetable.dryAt)] : []),
      ...(planning.deadlineAt ? [moment('deadline', planning.deadlineWords ?? 'Ready to load', planning.deadlineAt)] : []),
    ],
    { calName: title, productId: 'cazuela/day' },
  );
  if (error) throw error;
  return value ?? '';
}
