import type { DayBoard } from './day-board';

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
  let [earliest, laborMinutes] = [Infinity, 0];
  for (const free of freeMinutes) {
    earliest = Math.min(earliest, free);
    laborMinutes += free;
  }
  let bound = board.finishMinutes;
  const jobs: BucketJob[][] = Array.from({ length: tasks.buckets }, () => []);
  for (let group = 0; group < tasks.groups.length; group++) {
    const chain = tasks.groups[group]!;
    let head = Math.max(readyMinutes[group]!, earliest);
    for (let step = next[group]!; step < chain.length; step++) {
      const task = chain[step]!;
      if (step === next[group]) head = Math.max(head, leastStart(board, group));
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
    if (!inHand) laborMinutes += tasks.fetchMinutes;
    bound = Math.max(bound, oneMachine(own, board.bucketFreeMinutes[bucket]!));
  }
  return Math.max(bound, laborMinutes / tasks.people);
}

/** When the next task of a group can start at all, whoever does it. */
function leastStart(board: DayBoard, group: number): number {
  const task = board.nextOf(group)!;
  let least = Infinity;
  for (let person = 0; person < board.tasks.people; person++) least = Math.min(least, board.startOf(task, person));
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
