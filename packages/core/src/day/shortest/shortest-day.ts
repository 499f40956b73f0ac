import { DayBoard, type PlannedTask } from './day-board';
import { leastFinish } from './day-bounds';
import { dayTasks, type DayTask, type DayTasks, type ShortestDayQuestion } from './day-question';
import { firstDay, improvedDay, plannedBy } from './improve-day';

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
  const found = improvedDay(tasks, firstDay(tasks), Math.min(rounds, ROUNDS_PER_TASK * tasks.count), bound);
  const search = new Search(tasks, found.finishMinutes, mostBoards);
  const better = found.finishMinutes > bound + SAME_MINUTES ? search.run(board) : undefined;
  const planned = (better ?? plannedBy(tasks, found.order)).sort((a, b) => a.fetchFromMinutes - b.fetchFromMinutes);
  const finishMinutes = Math.min(found.finishMinutes, search.bestMinutes);
  const isProven = !search.stopped;
  return { finishMinutes, boundMinutes: isProven ? finishMinutes : bound, isProven, tasks: planned };
}

/** Branch and bound over the orders in which tasks begin. */
class Search {
  stopped = false;
  private boards = 0;
  private readonly path: PlannedTask[] = [];
  private best: PlannedTask[] | undefined;
  /** Boards that were looked at, by what is done and who holds what: times that are all no earlier lead nowhere new. */
  private readonly seen = new Map<string, Float64Array[]>();

  constructor(
    private readonly tasks: DayTasks,
    public bestMinutes: number,
    private readonly mostBoards: number,
  ) {}

  run(board: DayBoard): PlannedTask[] | undefined {
    this.goOn(board, 0);
    return this.best;
  }

  private goOn(board: DayBoard, done: number): void {
    if (done === this.tasks.count) {
      if (board.finishMinutes >= this.bestMinutes - SAME_MINUTES) return;
      this.bestMinutes = board.finishMinutes;
      this.best = [...this.path];
      return;
    }
    if ((this.boards += 1) > this.mostBoards) {
      this.stopped = true;
      return;
    }
    if (leastFinish(board) >= this.bestMinutes - SAME_MINUTES || this.isKnown(board)) return;
    for (const { task, person } of this.choices(board)) {
      this.path.push(board.planned(task, person));
      const takeOff = board.put(task, person);
      this.goOn(board, done + 1);
      takeOff();
      this.path.pop();
      if (this.stopped) return;
    }
  }

  /** What may come next, soonest first. Tasks are put on in the order in which they begin: each day is looked at once. */
  private choices(board: DayBoard): { task: DayTask; person: number; begins: number }[] {
    const choices: { task: DayTask; person: number; begins: number }[] = [];
    for (let group = 0; group < this.tasks.groups.length; group++) {
      const task = board.nextOf(group);
      if (!task) continue;
      for (let person = 0; person < this.tasks.people; person++) {
        if (this.isTwin(board, person)) continue;
        const begins = board.startOf(task, person) - board.fetchOf(task, person);
        if (begins >= board.beganMinutes - SAME_MINUTES) choices.push({ task, person, begins });
      }
    }
    return choices.sort((a, b) => a.begins - b.begins || b.task.tailMinutes - a.task.tailMinutes);
  }

  /** Somebody before them is as free, and had the same bucket last, or none that still counts. */
  private isTwin(board: DayBoard, person: number): boolean {
    for (let other = 0; other < person; other++)
      if (board.freeMinutes[other] === board.freeMinutes[person] && this.inHand(board, other) < 0 && this.inHand(board, person) < 0) return true;
    return false;
  }

  /** The bucket that a person need not fetch; -1 for none. */
  private inHand(board: DayBoard, person: number): number {
    const bucket = board.lastBucket[person]!;
    return bucket >= 0 && board.holder[bucket] === person ? bucket : -1;
  }

  private isKnown(board: DayBoard): boolean {
    const people = Array.from(board.freeMinutes, (free, person) => ({ free, hand: this.inHand(board, person) })).sort(
      (a, b) => a.hand - b.hand || a.free - b.free,
    );
    const key = `${board.next.join(',')}|${people.map(({ hand }) => hand).join(',')}`;
    const times = Float64Array.from([
      ...board.readyMinutes,
      ...people.map(({ free }) => free),
      ...board.bucketFreeMinutes,
      board.beganMinutes,
      board.finishMinutes,
    ]);
    const known = this.seen.get(key);
    if (!known) {
      this.seen.set(key, [times]);
      return false;
    }
    if (known.some((earlier) => earlier.every((minutes, at) => minutes <= times[at]! + SAME_MINUTES))) return true;
    if (known.length < MOST_KEPT) known.push(times);
    return false;
  }
}

/** Boards that are kept of one key. */
const MOST_KEPT = 24;
