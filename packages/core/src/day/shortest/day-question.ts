import { requirePositive } from '../../checks/require';
import { PotterError } from '../../checks/potter-error';
import { groupLagMinutes } from '../group-lag';

/** One step of a group: labor for one piece, the bucket it is done from, and how long a piece waits after it. */
export interface GroupStep {
  laborSeconds: number;
  waitMinutes: number;
  bucket?: string | undefined;
}

/** Pieces that share one plan: a chain of steps, done to all of them before the next one. */
export interface DayGroup {
  count: number;
  steps: readonly GroupStep[];
}

export interface ShortestDayQuestion {
  people: number;
  /** Fetching a bucket, minutes. */
  bucketChangeMinutes: number;
  items: readonly DayGroup[];
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
}

/** The day in numbers, checked once. */
export interface DayTasks {
  groups: readonly (readonly DayTask[])[];
  people: number;
  buckets: number;
  fetchMinutes: number;
  /** All tasks of all groups. */
  count: number;
}

/**
 * Returns the day in numbers. The next step of a group may start when its first piece is dry, and so late that the last one is dry as its turn
 * comes.
 *
 * @param question - `people`, whole and from 1; `bucketChangeMinutes`, 0 or more; `items`
 * @throws PotterError where a number is none, or nobody is there
 * @example
 * dayTasks({ people: 1, bucketChangeMinutes: 5, items: [{ count: 12, steps: [{ laborSeconds: 60, waitMinutes: 8 }, { laborSeconds: 30, waitMinutes: 0 }] }] }).groups[0][0].lagMinutes
 * // 14.5
 */
export function dayTasks({ people, bucketChangeMinutes, items }: ShortestDayQuestion): DayTasks {
  if (!(Number.isInteger(people) && people >= 1)) throw new PotterError('tooSmall', 'people', people, 'At least one person glazes.');
  const buckets = new Map<string, number>();
  const numberOf = (bucket: string | undefined): number => {
    if (bucket === undefined) return -1;
    if (!buckets.has(bucket)) buckets.set(bucket, buckets.size);
    return buckets.get(bucket)!;
  };
  const groups = items.map(({ count, steps }, group) => {
    const minutes = steps.map(({ laborSeconds }) => notNegative('laborSeconds', laborSeconds) / 60);
    const pieces = requirePositive('count', count);
    const tasks = steps.map(({ waitMinutes, bucket }, step): DayTask => {
      const [each, next = 0] = [minutes[step]!, minutes[step + 1]];
      const wait = notNegative('minutes', waitMinutes);
      return {
        group,
        step,
        workMinutes: pieces * each,
        bucket: numberOf(bucket),
        lagMinutes: groupLagMinutes({ count: pieces, eachMinutes: each, waitMinutes: wait, nextEachMinutes: next }),
        tailMinutes: 0,
      };
    });
    for (let step = tasks.length - 1; step >= 0; step--) {
      const task = tasks[step]!;
      task.tailMinutes = step === tasks.length - 1 ? task.workMinutes : Math.max(task.workMinutes, task.lagMinutes + tasks[step + 1]!.tailMinutes);
    }
    return tasks;
  });
  return {
    groups,
    people,
    buckets: buckets.size,
    fetchMinutes: notNegative('bucketChangeMinutes', bucketChangeMinutes),
    count: groups.reduce((sum, tasks) => sum + tasks.length, 0),
  };
}

function notNegative(field: string, value: number): number {
  if (Number.isFinite(value) && value >= 0) return value;
  throw new PotterError('notANumber', field, value, 'A time of the day is a number, 0 or more.');
}
