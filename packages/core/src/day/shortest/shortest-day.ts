import { DayBoard, type PlannedTask } from './day-board';
import { leastFinish } from './day-bounds';
import { dayTasks, type ShortestDayQuestion } from './day-question';
import { DaySearch, firstDay, plannedBy } from './improve-day';
import { EveryOrder } from './every-order';

export interface ShortestDay {
  /** End of the last work, minutes from the start. */
  finishMinutes: number;
  /** No day is shorter than this. */
  boundMinutes: number;
  /** Whether it was shown that there is no shorter day. */
  isProven: boolean;
  /** In the order in which they begin. */
  tasks: PlannedTask[];
}

/** So many boards are looked at before the search gives what it has. */
const MOST_BOARDS = 400_000;
const ROUNDS = 4_000;
/** A small day has few orders to try. */
const ROUNDS_PER_TASK = 40;
const SAME_MINUTES = 1e-9;

/**
 * Returns the shortest day: who does which step of which group when, so that the last work ends earliest. Everybody is free at 0, fetching a bucket
 * costs its minutes unless it is still in hand, groups are not split. Small days are proven by looking at every order that could be better; of large
 * ones the best that was found is given, with the bound that no day can beat.
 *
 * @param question - `people`, `bucketChangeMinutes`, and `items` with their steps
 * @param limits - `mostBoards` and `rounds` of the search
 * @throws PotterError as `dayTasks`
 * @example
 * shortestDay({ people: 1, bucketChangeMinutes: 5, items: [{ count: 2, steps: [{ laborSeconds: 60, waitMinutes: 8, bucket: 'A' }, { laborSeconds: 30, waitMinutes: 0 }] }] }).finishMinutes
 * // 15.5
 */
export function shortestDay(
  question: ShortestDayQuestion,
  { mostBoards = MOST_BOARDS, rounds = ROUNDS }: { mostBoards?: number; rounds?: number } = {},
): ShortestDay {
  const tasks = dayTasks(question);
  const board = new DayBoard(tasks);
  const bound = leastFinish(board);
  const improving = new DaySearch(tasks, firstDay(tasks));
  improving.run(Math.min(rounds, ROUNDS_PER_TASK * tasks.count), bound);
  const found = improving.best;
  const search = new EveryOrder(tasks, found.finishMinutes, mostBoards);
  const better = found.finishMinutes > bound + SAME_MINUTES ? search.run(board) : undefined;
  const planned = (better ?? plannedBy(tasks, found.order)).sort((a, b) => a.fetchFromMinutes - b.fetchFromMinutes);
  const finishMinutes = Math.min(found.finishMinutes, search.bestMinutes);
  const isProven = !search.stopped;
  return { finishMinutes, boundMinutes: isProven ? finishMinutes : bound, isProven, tasks: planned };
}
