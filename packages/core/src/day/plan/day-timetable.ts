import { MINUTE_MS } from '../../units/time';
import type { DayTurn } from '../day-plan';
import type { PlannedTask } from '../shortest/day-board';
import { dayTasks, type DayTasks } from '../shortest/day-question';
import { firstDay, judgedDay, plannedBy, type FoundDay, type TurnOrder } from '../shortest/improve-day';
import { askedDay, type AskedDay, type DayPlanQuestion, type OpenStep } from './plan-question';

/** A step of the plan with who does it and when, UTC, ISO 8601. */
export interface TimetableTask extends OpenStep {
  person: string;
  /** The bucket is fetched from here to the start. */
  fetchFromAt: string;
  startAt: string;
  endAt: string;
  /** When the last piece is dry after it. */
  dryAt: string;
  /** Somebody is at it now. */
  isBegun: boolean;
}

export interface Timetable {
  /** In the order in which they begin. */
  tasks: TimetableTask[];
  /** When hands are done; left out when nothing is left to do. */
  finishAt?: string;
  /** When the last piece is dry after its last step. */
  dryAt?: string;
  /** Minutes over the deadline, and of masks left on too long, all lots together. */
  lateMinutes: number;
}

/**
 * Returns who does what when from now on, by the order that was kept; what it does not name comes after it, as the plain list would have it. The same order gives the same people, whatever the clock says.
 *
 * @param day - how it stands, its planning, everybody's hours, and `nowMs`
 * @throws PotterError as `dayTasks`
 * @example
 * dayTimetable({ standing: dayStanding({ items: [], events: [] }), planning: NO_PLANNING, nowMs: 0, hours: new Map() }).tasks // []
 */
export function dayTimetable(day: DayPlanQuestion): Timetable {
  const asked = askedDay(day);
  const tasks = dayTasks(asked.question);
  return timetableOf({ asked, tasks, order: keptOrder({ asked, tasks, turns: day.planning.order }), nowMs: day.nowMs, begun: day.standing.begun });
}

/**
 * Returns an order of the search as turns by step and name, to be kept with the day.
 *
 * @param asked - the day as it was asked
 * @param planned - tasks in the order of the search
 * @example
 * turnsOf({ question: { people: 1, bucketChangeMinutes: 5, items: [] }, people: ['Maia'], groups: [], fixed: [] }, []) // []
 */
export const turnsOf = ({ groups, people }: AskedDay, planned: readonly PlannedTask[]): DayTurn[] =>
  planned.map(({ group, step, person }) => ({ stepId: groups[group]![step]!.step.id, person: people[person]! }));

/**
 * Returns the order that was kept as one of the search: done steps left out, new ones put in, fixed ones first.
 *
 * @param kept - the day as it is asked, its tasks, and the turns that were kept
 * @example
 * keptOrder({ asked: { question: { people: 1, bucketChangeMinutes: 5, items: [] }, people: ['Maia'], groups: [], fixed: [] }, tasks: dayTasks({ people: 1, bucketChangeMinutes: 5, items: [] }), turns: [] }).groups.length // 0
 */
export function keptOrder({ asked, tasks, turns }: { asked: AskedDay; tasks: DayTasks; turns: readonly DayTurn[] }): TurnOrder {
  const groupOf = new Map(asked.groups.flatMap((steps, group) => steps.map(({ step }) => [step.id, group] as const)));
  const left = asked.groups.map(({ length }) => length);
  const order: { group: number; person: number }[] = [];
  const add = (group: number, person: number): void => {
    if (left[group] === 0) return;
    left[group]! -= 1;
    order.push({ group, person });
  };
  for (const { group, person } of asked.fixed) add(group, person);
  for (const { stepId, person } of turns) {
    const group = groupOf.get(stepId);
    if (group === undefined) continue;
    // The turn of a step that came first by word was taken already.
    const next = asked.groups[group]![asked.groups[group]!.length - left[group]!];
    if (next?.step.id === stepId) add(group, asked.people.indexOf(person));
  }
  if (left.some((count) => count > 0)) {
    const plain = firstDay(tasks).order.groups;
    const seen = asked.groups.map(() => 0);
    for (const group of plain) {
      seen[group]! += 1;
      // Of a group with kept turns, only what is behind them is new.
      if (seen[group]! > asked.groups[group]!.length - left[group]!) order.push({ group, person: -1 });
    }
  }
  return { groups: Int32Array.from(order, ({ group }) => group), people: Int32Array.from(order, ({ person }) => person) };
}

/**
 * Returns an order as a timetable.
 *
 * @param day - the day as it was asked, its tasks, the order, `nowMs`, and who is at what
 * @example
 * timetableOf({ asked: { question: { people: 1, bucketChangeMinutes: 5, items: [] }, people: ['Maia'], groups: [], fixed: [] }, tasks: dayTasks({ people: 1, bucketChangeMinutes: 5, items: [] }), order: { groups: new Int32Array(0), people: new Int32Array(0) }, nowMs: 0, begun: new Map() }).lateMinutes // 0
 */
export function timetableOf({
  asked,
  tasks,
  order,
  nowMs,
  begun,
}: {
  asked: AskedDay;
  tasks: DayTasks;
  order: TurnOrder;
  nowMs: number;
  begun: ReadonlyMap<string, unknown>;
}): Timetable {
  const at = (minutes: number): string => new Date(Math.round(nowMs + minutes * MINUTE_MS)).toISOString();
  const planned = plannedBy(tasks, order).sort((a, b) => a.fetchFromMinutes - b.fetchFromMinutes);
  const { lateMinutes, finishMinutes }: FoundDay = judgedDay(tasks, order);
  const dryMinutes = Math.max(0, ...planned.filter(({ group, step }) => step === asked.groups[group]!.length - 1).map((task) => task.dryMinutes));
  return {
    tasks: planned.map((task) => {
      const open = asked.groups[task.group]![task.step]!;
      return {
        ...open,
        person: asked.people[task.person]!,
        fetchFromAt: at(task.fetchFromMinutes),
        startAt: at(task.startMinutes),
        endAt: at(task.endMinutes),
        dryAt: at(task.dryMinutes),
        isBegun: begun.has(open.step.id),
      };
    }),
    ...(planned.length > 0 ? { finishAt: at(finishMinutes), dryAt: at(dryMinutes) } : {}),
    lateMinutes,
  };
}
