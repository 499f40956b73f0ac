import type { DayBoard, PlannedTask } from './day-board';
import { leastFinish } from './day-bounds';
import type { DayTask, DayTasks } from './day-question';

const SAME_MINUTES = 1e-9;
/** Boards that are kept of one key. */
const MOST_KEPT = 24;

/** Branch and bound over the orders in which tasks begin: proves that no day ends earlier. */
export class EveryOrder {
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
        if (!board.mayDo(task, person) || this.isTwin(board, person)) continue;
        const begins = board.startOf(task, person) - board.fetchOf(task, person);
        if (begins >= board.beganMinutes - SAME_MINUTES) choices.push({ task, person, begins });
      }
    }
    return choices.sort((a, b) => a.begins - b.begins || b.task.tailMinutes - a.task.tailMinutes);
  }

  /** Somebody before them is as free, with the same hours, and had the same bucket last, or none that still counts. */
  private isTwin(board: DayBoard, person: number): boolean {
    if (!this.tasks.areAlike) return false;
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
    // Where places are few it also matters what stands there.
    if (this.tasks.dryingPlaces < Infinity) return false;
    const people = Array.from(board.freeMinutes, (free, person) => ({ free, hand: this.inHand(board, person) }));
    if (this.tasks.areAlike) people.sort((a, b) => a.hand - b.hand || a.free - b.free);
    // Without like people it matters who is who.
    const who = this.tasks.areAlike ? people.map(({ hand }) => hand).join(',') : board.lastBucket.join(',');
    const key = `${board.next.join(',')}|${who}`;
    const times = Float64Array.from([
      ...board.readyMinutes,
      ...people.map(({ free }) => free),
      ...board.bucketFreeMinutes,
      board.beganMinutes,
      board.finishMinutes,
      board.lateMinutes,
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
