import {
  datesFrom,
  DayPlanner,
  dayStanding,
  dayTimetable,
  NO_PLANNING,
  workHours,
  type DayEvent,
  type DayItem,
  type DayPerson,
  type DayPlanning,
  type DayPlanQuestion,
  type DayStep,
  type TimetableTask,
} from '../../src/index';

export const NINE = Date.parse('2026-03-02T09:00:00.000Z');
export const at = (minutes: number): string => new Date(NINE + minutes * 60_000).toISOString();
export const minutesOf = (time: string): number => (Date.parse(time) - NINE) / 60_000;
export const msAt = (date: string, time: string): number => Date.parse(`${date}T${time}:00.000Z`);
export const person = (name: string, change: Partial<DayPerson> = {}): DayPerson => ({
  name,
  fromTime: '09:00',
  untilTime: '18:00',
  breaks: [],
  doesNotDo: [],
  ...change,
});
export const lot = (id: string, count: number, steps: Partial<DayStep>[]): DayItem => ({
  id,
  pieceId: id,
  name: id,
  count,
  steps: steps.map((step, i) => ({ id: `${id}${i}`, itemId: id, kind: 'layer', words: `${id}${i}`, laborSeconds: 60, waitMinutes: 0, ...step })),
});
export const hoursOf = (people: readonly DayPerson[], date = '2026-03-02') =>
  new Map(people.map((one) => [one.name, workHours({ person: one, dates: datesFrom(date, 7), msAt })]));
export const day = (
  items: DayItem[],
  { people = [person('Maia')], events = [], nowMs = NINE, ...planning }: Partial<DayPlanning> & { events?: DayEvent[]; nowMs?: number } = {},
): DayPlanQuestion => ({
  standing: dayStanding({ items, events }),
  planning: { ...NO_PLANNING, people, ...planning },
  nowMs,
  hours: hoursOf(people),
});
/** Searched for a while, and laid out. */
export const planned = (question: DayPlanQuestion, rounds = 500) => {
  const planner = new DayPlanner(question);
  planner.improve(rounds);
  planner.prove();
  const plan = planner.plan();
  return { plan, planner, ...dayTimetable({ ...question, planning: { ...question.planning, order: plan.turns } }) };
};
/** What a day must never ask for. */
export function faultsOf(question: DayPlanQuestion, tasks: readonly TimetableTask[]): string[] {
  const faults: string[] = [];
  const minutes = tasks.map((task) => ({ task, from: minutesOf(task.fetchFromAt), start: minutesOf(task.startAt), end: minutesOf(task.endAt) }));
  for (const [i, a] of minutes.entries())
    for (const b of minutes.slice(i + 1)) {
      if (b.from >= a.end - 1e-3 || a.from >= b.end - 1e-3) continue;
      if (a.task.person === b.task.person) faults.push(`${a.task.person} is in two places`);
      if (a.task.step.bucketId && a.task.step.bucketId === b.task.step.bucketId) faults.push(`${a.task.step.bucketId} is in two places`);
    }
  for (const { task, from, end } of minutes) {
    const spans = question.hours.get(task.person)?.map(([a, b]) => [(a - NINE) / 60_000, (b - NINE) / 60_000]) ?? [[0, Infinity]];
    if (!spans.some(([opens, closes]) => from >= opens! - 1e-3 && end <= closes! + 1e-3))
      faults.push(`${task.step.id} is not within ${task.person}'s hours`);
  }
  for (const { item } of question.standing.lots)
    for (let at = 1; at < item.steps.length; at++) {
      const [before, after] = [at - 1, at].map((index) => minutes.find(({ task }) => task.step.id === item.steps[index]!.id));
      if (!before || !after) continue;
      const [each, next] = [item.steps[at - 1]!.laborSeconds / 60, item.steps[at]!.laborSeconds / 60];
      for (const piece of [0, item.count - 1])
        if (after.start + piece * next < before.start + (piece + 1) * each + item.steps[at - 1]!.waitMinutes - 1e-3)
          faults.push(`${item.steps[at]!.id}: piece ${piece + 1} is wet`);
    }
  return faults;
}
