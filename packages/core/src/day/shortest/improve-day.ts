import { seededUniform } from '../../math/seeded-uniform';
import { DayBoard, type PlannedTask } from './day-board';
import type { DayTask, DayTasks } from './day-question';

/** The order in which tasks begin: at each turn a group's next step, and who does it. */
export interface TurnOrder {
  groups: Int32Array;
  /** -1: whoever can begin first. */
  people: Int32Array;
}

export interface FoundDay {
  finishMinutes: number;
  lateMinutes: number;
  changes: number;
  /** Smaller is better: late first, then the finish, bucket changes, waiting hands, what is put off. */
  cost: number;
  order: TurnOrder;
}

/** Each weighs so little against the one before it that it only decides between equals. */
const LATE_WEIGHT = 1_000;
const CHANGE_WEIGHT = 1e-4;
const IDLE_WEIGHT = 1e-7;
const ENDS_WEIGHT = 1e-9;
/** A worse order is gone on from as long as it loses no more than this share of the finish. */
const MOST_LOST = 0.02;
/** Of all moves: so many change who does it. */
const OTHER_PERSON_SHARE = 0.15;
/** What has much to follow is begun first: weights that are tried, of what follows. */
const TAIL_WEIGHTS = [0.5, 1, 0.2, 0];

const costOf = ({ lateMinutes, finishMinutes, changes, idleMinutes, endsMinutes }: DayBoard): number =>
  LATE_WEIGHT * lateMinutes + finishMinutes + CHANGE_WEIGHT * changes + IDLE_WEIGHT * idleMinutes + ENDS_WEIGHT * endsMinutes;

/**
 * Returns a valid day: whoever can start first does the task of the longest chain that can start first.
 *
 * @param tasks - from `dayTasks`
 * @example
 * firstDay(dayTasks({ people: 1, bucketChangeMinutes: 5, items: [{ count: 1, steps: [{ laborSeconds: 60, waitMinutes: 0, bucket: 'A' }] }] })).finishMinutes
 * // 6
 */
export function firstDay(tasks: DayTasks): FoundDay {
  return TAIL_WEIGHTS.map((weight) => greedyDay(tasks, weight)).reduce((best, one) => (one.cost < best.cost ? one : best));
}

function greedyDay(tasks: DayTasks, tailWeight: number): FoundDay {
  const board = new DayBoard(tasks);
  const order = { groups: new Int32Array(tasks.count), people: new Int32Array(tasks.count) };
  for (let at = 0; at < tasks.count; at++) {
    let [best, bestPerson, bestRank] = [-1, 0, Infinity];
    for (let group = 0; group < tasks.groups.length; group++) {
      const task = board.nextOf(group);
      if (!task) continue;
      const person = whoStartsFirst(board, task);
      // What starts soon and has much to follow.
      const rank = board.startOf(task, person) - tailWeight * task.tailMinutes;
      if (rank < bestRank) [best, bestPerson, bestRank] = [group, person, rank];
    }
    board.putOn(board.nextOf(best)!, bestPerson);
    order.groups[at] = best;
    order.people[at] = -1;
  }
  return foundOn(board, order);
}

/** A search that goes on from the best day it has, as long as it is asked to. The same question gives the same answer. */
export class DaySearch {
  best: FoundDay;
  private readonly board: DayBoard;
  private readonly random: () => number;
  private readonly now: TurnOrder;
  private nowCost: number;

  constructor(
    private readonly tasks: DayTasks,
    found: FoundDay,
    /** So many turns at the beginning stay as they are: hands are at them. */
    private readonly fixedCount = 0,
  ) {
    this.best = found;
    this.board = new DayBoard(tasks);
    this.random = seededUniform(tasks.count + 1);
    this.now = copyOf(found.order);
    this.nowCost = found.cost;
  }

  /** Tries so many changes of the order. Ends where the day is as short as `boundMinutes`, the proven least. */
  run(rounds: number, boundMinutes: number): void {
    if (this.tasks.count <= this.fixedCount) return;
    for (let round = 0; round < rounds; round++) {
      if (this.best.cost <= boundMinutes + 1e-9) return;
      if (this.tasks.people > 1 && this.random() < OTHER_PERSON_SHARE) this.tryPerson();
      else this.tryMove();
    }
  }

  private tryMove(): void {
    const { groups } = this.now;
    const count = this.tasks.count - this.fixedCount;
    const from = this.fixedCount + Math.floor(this.random() * count);
    // Near moves are the ones that mostly help.
    const far = Math.max(1, Math.floor(count * this.random() ** 2));
    const to = Math.min(this.tasks.count - 1, Math.max(this.fixedCount, from + (this.random() < 0.5 ? -far : far)));
    if (from === to || groups[from] === groups[to]) return;
    this.move(from, to);
    if (!this.keeps()) this.move(to, from);
  }

  private tryPerson(): void {
    const at = this.fixedCount + Math.floor(this.random() * (this.tasks.count - this.fixedCount));
    const before = this.now.people[at]!;
    this.now.people[at] = Math.floor(this.random() * (this.tasks.people + 1)) - 1;
    if (this.now.people[at] !== before && !this.keeps()) this.now.people[at] = before;
  }

  private keeps(): boolean {
    playOrder(this.board, this.now);
    const cost = costOf(this.board);
    const lost = this.random() < 0.1 ? MOST_LOST * this.nowCost : 0;
    if (cost > this.nowCost + lost) return false;
    this.nowCost = cost;
    if (cost < this.best.cost - 1e-9) this.best = foundOn(this.board, copyOf(this.now));
    return true;
  }

  private move(from: number, to: number): void {
    for (const turns of [this.now.groups, this.now.people]) {
      const turn = turns[from]!;
      if (from < to) turns.copyWithin(from, from + 1, to + 1);
      else turns.copyWithin(to + 1, to, from);
      turns[to] = turn;
    }
  }
}

/**
 * Returns the tasks of an order, with who does them and when.
 *
 * @param tasks - from `dayTasks`
 * @param order - in which groups get their turn
 * @example
 * plannedBy(dayTasks({ people: 1, bucketChangeMinutes: 5, items: [] }), { groups: new Int32Array(0), people: new Int32Array(0) }) // []
 */
export function plannedBy(tasks: DayTasks, order: TurnOrder): PlannedTask[] {
  const board = new DayBoard(tasks);
  return Array.from(order.groups, (group, at) => {
    const task = board.nextOf(group)!;
    const person = personOf(board, task, order.people[at]!);
    const planned = board.planned(task, person);
    board.putOn(task, person);
    return planned;
  });
}

/**
 * Returns how good an order is.
 *
 * @param tasks - from `dayTasks`
 * @param order - in which groups get their turn
 * @example
 * judgedDay(dayTasks({ people: 1, bucketChangeMinutes: 5, items: [] }), { groups: new Int32Array(0), people: new Int32Array(0) }).finishMinutes // 0
 */
export function judgedDay(tasks: DayTasks, order: TurnOrder): FoundDay {
  const board = new DayBoard(tasks);
  playOrder(board, order);
  return foundOn(board, order);
}

function playOrder(board: DayBoard, { groups, people }: TurnOrder): void {
  board.reset();
  for (let at = 0; at < groups.length; at++) {
    const task = board.nextOf(groups[at]!)!;
    board.putOn(task, personOf(board, task, people[at]!));
  }
}

/** Who the order names, unless they may not do it. */
const personOf = (board: DayBoard, task: DayTask, person: number): number =>
  person >= 0 && person < board.tasks.people && board.mayDo(task, person) ? person : whoStartsFirst(board, task);

/** Of those who start as early, the one who was free for the shortest time: the others stay free. */
function whoStartsFirst(board: DayBoard, task: DayTask): number {
  let [best, bestStart, bestFree] = [0, Infinity, -Infinity];
  for (let person = 0; person < board.tasks.people; person++) {
    if (!board.mayDo(task, person)) continue;
    const start = board.startOf(task, person) + 1e-6 * board.fetchOf(task, person);
    const free = board.freeMinutes[person]!;
    if (start < bestStart - 1e-9 || (start < bestStart + 1e-9 && free > bestFree)) [best, bestStart, bestFree] = [person, start, free];
  }
  return best;
}

const foundOn = (board: DayBoard, order: TurnOrder): FoundDay => ({
  finishMinutes: board.finishMinutes,
  lateMinutes: board.lateMinutes,
  changes: board.changes,
  cost: costOf(board),
  order,
});

const copyOf = ({ groups, people }: TurnOrder): TurnOrder => ({ groups: groups.slice(), people: people.slice() });
