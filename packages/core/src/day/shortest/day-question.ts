import { requirePositive } from '../../checks/require';
import { PotterError } from '../../checks/potter-error';
import { groupLagMinutes } from '../group-lag';
import { ALWAYS, type WorkWindow } from './work-windows';

/** One step of a group: labor for one piece, the bucket it is done from, and how long a piece waits after it. */
export interface GroupStep {
  laborSeconds: number;
  waitMinutes: number;
  bucket?: string | undefined;
  /** Nobody begins it earlier, minutes from the start: somebody pinned it to a time. */
  notBeforeMinutes?: number | undefined;
  /** Who may do it, by number; everybody when left out. */
  onlyPeople?: readonly number[] | undefined;
  /** A mask must be off a piece no later than this after its coat, minutes. */
  mostWaitMinutes?: number | undefined;
  /** How its labor and its wait scatter, where that was learnt. */
  scatter?: StepScatter | undefined;
}

/** Sd of ln: of the labor of a step, and of the wait after it; the starting guess where one is left out. */
export interface StepScatter {
  laborLnSd?: number | undefined;
  waitLnSd?: number | undefined;
}

/** Pieces that share one plan: a chain of steps, done to all of them before the next one. */
export interface DayGroup {
  count: number;
  steps: readonly GroupStep[];
  /** Its first step can start here: what was done before still dries, minutes. */
  readyMinutes?: number | undefined;
  /** When the step before its first one began, minutes: below 0 for what was done before. */
  startedMinutes?: number | undefined;
  /** When it has to be dry after its last step, minutes. */
  deadlineMinutes?: number | undefined;
  /** What was done before leaves its pieces wet until then, in places where others cannot stand, minutes. */
  wetUntilMinutes?: number | undefined;
}

/** Somebody who glazes. */
export interface DayWorker {
  /** When they work, minutes from the start, in order. Always, when left out. */
  windows?: readonly WorkWindow[] | undefined;
  /** Busy with something until then, minutes. */
  freeMinutes?: number | undefined;
  /** The bucket that is with them. */
  bucket?: string | undefined;
}

export interface DayBucket {
  /** Drilling up, SG and sieving before its first use of the day, minutes; 0 once that was done. */
  firstMinutes?: number | undefined;
  /** Of its fired glaze, 0–1: from dark to light the tools are washed. */
  lightness?: number | undefined;
}

export interface ShortestDayQuestion {
  /** How many glaze, or each of them with their hours. */
  people: number | readonly DayWorker[];
  /** Fetching a bucket, minutes. */
  bucketChangeMinutes: number;
  items: readonly DayGroup[];
  buckets?: Readonly<Record<string, DayBucket>> | undefined;
  /** Washing shared tools between a dark bucket and a light one, minutes. */
  washMinutes?: number | undefined;
  /** So many wet pieces have a place to stand; any number when left out. */
  dryingPlaces?: number | undefined;
}

/** A step of a group as the search sees it. */
export interface DayTask {
  group: number;
  step: number;
  /** All its pieces, minutes. */
  workMinutes: number;
  /** Its bucket by number; -1 for none. */
  bucket: number;
  /** From its start until the group's next step may start, and until the last work of the group ends, minutes. */
  lagMinutes: number;
  tailMinutes: number;
  notBeforeMinutes: number;
  /** A bit for everybody who may do it. */
  peopleBits: number;
  /** From the start of the step before it until the latest start of this one, minutes. */
  mostLagMinutes: number;
  /** From its start until all is dry, minutes: counts at a group's last step. */
  dryMinutes: number;
  deadlineMinutes: number;
  pieces: number;
}

/** The day in numbers, checked once. */
export interface DayTasks {
  groups: readonly (readonly DayTask[])[];
  people: number;
  hours: readonly (readonly WorkWindow[])[];
  /** Whether everybody works always. */
  isAlwaysOpen: boolean;
  /** Nobody differs from another but by what they did: same hours, same work, no washing between buckets. */
  areAlike: boolean;
  /** At the start: of each group, person and bucket. */
  readyMinutes: Float64Array;
  startedMinutes: Float64Array;
  freeMinutes: Float64Array;
  inHand: Int32Array;
  firstMinutes: Float64Array;
  /** 0–1; NaN where it is not known. */
  lightness: Float64Array;
  buckets: number;
  fetchMinutes: number;
  washMinutes: number;
  /** Infinity where nothing limits them. */
  dryingPlaces: number;
  wetUntilMinutes: Float64Array;
  /** All tasks of all groups. */
  count: number;
}

/** So much lighter that a trace of the dark one shows, 0–1. */
export const LIGHTER = 0.15;

/**
 * Returns the day in numbers. The next step of a group may start when its first piece is dry, and so late that the last one is dry as its turn
 * comes.
 *
 * @param question - `people`, whole and from 1, or each with their hours; `bucketChangeMinutes`, 0 or more; `items`; `buckets` by id
 * @throws PotterError where a number is none, or nobody is there
 * @example
 * dayTasks({ people: 1, bucketChangeMinutes: 5, items: [{ count: 12, steps: [{ laborSeconds: 60, waitMinutes: 8 }, { laborSeconds: 30, waitMinutes: 0 }] }] }).groups[0][0].lagMinutes
 * // 14.5
 */
export function dayTasks({ people, bucketChangeMinutes, items, buckets = {}, washMinutes = 0, dryingPlaces }: ShortestDayQuestion): DayTasks {
  const workers = workersOf(people);
  const numbers = new Map<string, number>();
  const numberOf = (bucket: string | undefined): number => {
    if (bucket === undefined) return -1;
    if (!numbers.has(bucket)) numbers.set(bucket, numbers.size);
    return numbers.get(bucket)!;
  };
  const groups = items.map((item, group) => tasksOf(item, { group, people: workers.length, numberOf }));
  const inHand = Int32Array.from(workers, ({ bucket }) => numberOf(bucket));
  const ids = [...numbers.keys()];
  return {
    groups,
    people: workers.length,
    hours: workers.map(({ windows }) => windows ?? ALWAYS),
    isAlwaysOpen: workers.every(({ windows }) => windows === undefined),
    areAlike: washMinutes === 0 && typeof people === 'number',
    readyMinutes: Float64Array.from(items, ({ readyMinutes = 0 }) => notNegative('readyMinutes', readyMinutes)),
    startedMinutes: Float64Array.from(items, ({ startedMinutes = -Infinity }) => startedMinutes),
    freeMinutes: Float64Array.from(workers, ({ freeMinutes = 0 }) => notNegative('freeMinutes', freeMinutes)),
    inHand,
    firstMinutes: Float64Array.from(ids, (id) => notNegative('firstMinutes', buckets[id]?.firstMinutes ?? 0)),
    lightness: Float64Array.from(ids, (id) => buckets[id]?.lightness ?? Number.NaN),
    buckets: ids.length,
    fetchMinutes: notNegative('bucketChangeMinutes', bucketChangeMinutes),
    washMinutes: notNegative('washMinutes', washMinutes),
    dryingPlaces: dryingPlaces === undefined ? Infinity : requirePositive('count', dryingPlaces),
    wetUntilMinutes: Float64Array.from(items, ({ wetUntilMinutes = 0 }) => notNegative('minutes', wetUntilMinutes)),
    count: groups.reduce((sum, tasks) => sum + tasks.length, 0),
  };
}

/** Bits of a number are enough for so many people. */
const MOST_PEOPLE = 30;
const EVERYBODY = -1;

function workersOf(people: ShortestDayQuestion['people']): readonly DayWorker[] {
  const count = typeof people === 'number' ? people : people.length;
  if (!(Number.isInteger(count) && count >= 1)) throw new PotterError('tooSmall', 'people', count, 'At least one person glazes.');
  if (count > MOST_PEOPLE) throw new PotterError('tooLarge', 'people', count, `At most ${MOST_PEOPLE} people glaze on one day.`);
  return typeof people === 'number' ? Array.from({ length: people }, () => ({})) : people;
}

function tasksOf(item: DayGroup, { group, people, numberOf }: { group: number; people: number; numberOf: (bucket?: string) => number }): DayTask[] {
  const { count, steps, deadlineMinutes = Infinity } = item;
  const minutes = steps.map(({ laborSeconds }) => notNegative('laborSeconds', laborSeconds) / 60);
  const pieces = requirePositive('count', count);
  const tasks = steps.map(({ waitMinutes, bucket, notBeforeMinutes = 0, onlyPeople, mostWaitMinutes }, step): DayTask => {
    const [each, next = 0] = [minutes[step]!, minutes[step + 1]];
    const wait = notNegative('minutes', waitMinutes);
    const before = minutes[step - 1] ?? 0;
    return {
      group,
      step,
      workMinutes: pieces * each,
      bucket: numberOf(bucket),
      lagMinutes: groupLagMinutes({ count: pieces, eachMinutes: each, waitMinutes: wait, nextEachMinutes: next }),
      tailMinutes: 0,
      notBeforeMinutes: notNegative('notBeforeMinutes', notBeforeMinutes),
      peopleBits: onlyPeople ? bitsOf(onlyPeople, people) : EVERYBODY,
      // The first piece is the one that waits longest where the mask comes off more slowly than the coat went on, else the last.
      mostLagMinutes: mostWaitMinutes === undefined ? Infinity : mostWaitMinutes + Math.min(before, pieces * before - (pieces - 1) * each),
      dryMinutes: pieces * each + wait,
      deadlineMinutes,
      pieces,
    };
  });
  for (let step = tasks.length - 1; step >= 0; step--) {
    const task = tasks[step]!;
    task.tailMinutes = step === tasks.length - 1 ? task.workMinutes : Math.max(task.workMinutes, task.lagMinutes + tasks[step + 1]!.tailMinutes);
  }
  return tasks;
}

/** A step that nobody may do is for everybody: it has to be done all the same. */
function bitsOf(numbers: readonly number[], people: number): number {
  const bits = numbers.filter((person) => person < people).reduce((sum, person) => sum | (1 << person), 0);
  return bits === 0 ? EVERYBODY : bits;
}

function notNegative(field: string, value: number): number {
  if (Number.isFinite(value) && value >= 0) return value;
  throw new PotterError('notANumber', field, value, 'A time of the day is a number, 0 or more.');
}
