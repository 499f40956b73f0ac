import type { DayBoard } from './day-board';
import type { DayTask } from './day-question';
import { leastEnd } from './work-windows';

interface BucketJob {
  headMinutes: number;
  workMinutes: number;
  /** What must still follow its end. */
  tailMinutes: number;
}

/**
 * Returns a finish that no way of going on can beat: labor and least fetching shared over the people, the longest chain, and each bucket as one
 * machine with heads and tails.
 *
 * @param board - how far the day is planned
 * @example
 * leastFinish(new DayBoard(dayTasks({ people: 1, bucketChangeMinutes: 5, items: [{ count: 1, steps: [{ laborSeconds: 60, waitMinutes: 0, bucket: 'A' }] }] })))
 * // 6
 */
export function leastFinish(board: DayBoard): number {
  const { tasks, next, readyMinutes, freeMinutes } = board;
  let [earliest, freeSum, laborMinutes] = [Infinity, 0, 0];
  for (const free of freeMinutes) {
    earliest = Math.min(earliest, free);
    freeSum += free;
  }
  let bound = board.finishMinutes;
  const jobs: BucketJob[][] = Array.from({ length: tasks.buckets }, () => []);
  for (let group = 0; group < tasks.groups.length; group++) {
    const chain = tasks.groups[group]!;
    let head = Math.max(readyMinutes[group]!, earliest);
    for (let step = next[group]!; step < chain.length; step++) {
      const task = chain[step]!;
      head = step === next[group] ? Math.max(head, leastStart(board, group)) : leastOpen(board, task, Math.max(head, task.notBeforeMinutes));
      laborMinutes += task.workMinutes;
      bound = Math.max(bound, head + task.tailMinutes);
      if (task.bucket >= 0)
        jobs[task.bucket]!.push({ headMinutes: head, workMinutes: task.workMinutes, tailMinutes: task.tailMinutes - task.workMinutes });
      head += task.lagMinutes;
    }
  }
  for (let bucket = 0; bucket < jobs.length; bucket++) {
    const own = jobs[bucket]!;
    if (own.length === 0) continue;
    const inHand = board.holder[bucket]! >= 0 && board.lastBucket[board.holder[bucket]!] === bucket;
    if (!inHand) laborMinutes += tasks.fetchMinutes + board.leastFirst(bucket);
    bound = Math.max(bound, oneMachine(own, board.bucketFreeMinutes[bucket]!));
  }
  // Where everybody works always, what each is free for counts as worked.
  return Math.max(bound, tasks.isAlwaysOpen ? (freeSum + laborMinutes) / tasks.people : leastEnd(tasks.hours, freeMinutes, laborMinutes));
}

/** When the next task of a group can start at all, whoever does it. */
function leastStart(board: DayBoard, group: number): number {
  const task = board.nextOf(group)!;
  let least = Infinity;
  for (let person = 0; person < board.tasks.people; person++) if (board.mayDo(task, person)) least = Math.min(least, board.startOf(task, person));
  return least;
}

/** From then on, when somebody who may do it is at work: hands do not work at night. */
function leastOpen({ tasks, mayDo }: DayBoard, task: DayTask, fromMinutes: number): number {
  if (tasks.isAlwaysOpen) return fromMinutes;
  let least = Infinity;
  for (let person = 0; person < tasks.people; person++) {
    if (!mayDo(task, person)) continue;
    const window = tasks.hours[person]!.find(([, closes]) => closes > fromMinutes);
    least = Math.min(least, window ? Math.max(fromMinutes, window[0]) : fromMinutes);
  }
  return least;
}

/**
 * The preempted one-machine bound: always what has the longest tail among what is there, broken off when something more urgent comes (Jackson;
 * Carlier 1982).
 */
function oneMachine(jobs: readonly BucketJob[], freeMinutes: number): number {
  const waiting = jobs.map((job) => ({ ...job, left: job.workMinutes })).sort((a, b) => a.headMinutes - b.headMinutes);
  const here: typeof waiting = [];
  let [now, bound, arrived] = [freeMinutes, 0, 0];
  while (arrived < waiting.length || here.length > 0) {
    if (here.length === 0) now = Math.max(now, waiting[arrived]!.headMinutes);
    while (arrived < waiting.length && waiting[arrived]!.headMinutes <= now) here.push(waiting[arrived++]!);
    here.sort((a, b) => a.tailMinutes - b.tailMinutes);
    const job = here.at(-1)!;
    const until = arrived < waiting.length ? waiting[arrived]!.headMinutes : Infinity;
    const worked = Math.min(job.left, until - now);
    now += worked;
    job.left -= worked;
    if (job.left <= 1e-9) {
      here.pop();
      bound = Math.max(bound, now + job.tailMinutes);
    }
  }
  return bound;
}
