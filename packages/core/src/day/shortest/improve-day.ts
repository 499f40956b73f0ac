import { seededUniform } from '../../math/seeded-uniform';
import { DayBoard, type PlannedTask } from './day-board';
import type { DayTasks } from './day-question';

/** An order in which groups get their turn: each as often as it has steps. */
export type TurnOrder = Int32Array;

export interface FoundDay {
  finishMinutes: number;
  order: TurnOrder;
}

/** A worse order is gone on from as long as it loses no more than this share of the finish. */
const MOST_LOST = 0.02;

/**
 * Returns a valid day: whoever can start first does the task of the longest chain that can start first.
 *
 * @param tasks - from `dayTasks`
 * @example
 * firstDay(dayTasks({ people: 1, bucketChangeMinutes: 5, items: [{ count: 1, steps: [{ laborSeconds: 60, waitMinutes: 0, bucket: 'A' }] }] })).finishMinutes
 * // 6
 */
export function firstDay(tasks: DayTasks): FoundDay {
  const board = new DayBoard(tasks);
  const order = new Int32Array(tasks.count);
  for (let at = 0; at < tasks.count; at++) {
    let [best, bestPerson, bestRank] = [-1, 0, Infinity];
    for (let group = 0; group < tasks.groups.length; group++) {
      const task = board.nextOf(group);
      if (!task) continue;
      const person = whoStartsFirst(board, group);
      // What starts soon and has much to follow.
      const rank = board.startOf(task, person) - 0.5 * task.tailMinutes;
      if (rank < bestRank) [best, bestPerson, bestRank] = [group, person, rank];
    }
    board.put(board.nextOf(best)!, bestPerson);
    order[at] = best;
  }
  return { finishMinutes: board.finishMinutes, order };
}

/**
 * Returns a better day, or the same: one turn after another is taken out and put where it serves best.
 *
 * @param tasks - from `dayTasks`
 * @param found - a day to begin from
 * @param rounds - how many turns are tried
 * @param boundMinutes - no day is shorter: the search ends there
 * @example
 * improvedDay(dayTasks({ people: 1, bucketChangeMinutes: 5, items: [] }), { finishMinutes: 0, order: new Int32Array(0) }, 10, 0).finishMinutes // 0
 */
export function improvedDay(tasks: DayTasks, found: FoundDay, rounds: number, boundMinutes: number): FoundDay {
  if (tasks.count < 2) return found;
  const board = new DayBoard(tasks);
  const random = seededUniform(tasks.count);
  const order = found.order.slice();
  let best = { finishMinutes: found.finishMinutes, order: found.order.slice() };
  let now = found.finishMinutes;
  for (let round = 0; round < rounds && best.finishMinutes > boundMinutes + 1e-9; round++) {
    const [from, to] = [Math.floor(random() * tasks.count), Math.floor(random() * tasks.count)];
    if (order[from] === order[to]) continue;
    move(order, from, to);
    const finish = finishOf(board, order);
    if (finish <= now + (random() < 0.1 ? MOST_LOST * now : 0)) now = finish;
    else move(order, to, from);
    if (now < best.finishMinutes - 1e-9) best = { finishMinutes: now, order: order.slice() };
  }
  return best;
}

/**
 * Returns the tasks of an order, with who does them and when.
 *
 * @param tasks - from `dayTasks`
 * @param order - in which groups get their turn
 * @example
 * plannedBy(dayTasks({ people: 1, bucketChangeMinutes: 5, items: [] }), new Int32Array(0)) // []
 */
export function plannedBy(tasks: DayTasks, order: TurnOrder): PlannedTask[] {
  const board = new DayBoard(tasks);
  return Array.from(order, (group) => {
    const [task, person] = [board.nextOf(group)!, whoStartsFirst(board, group)];
    const planned = board.planned(task, person);
    board.put(task, person);
    return planned;
  });
}

function finishOf(board: DayBoard, order: TurnOrder): number {
  board.reset();
  for (const group of order) board.put(board.nextOf(group)!, whoStartsFirst(board, group));
  return board.finishMinutes;
}

/** Of those who start as early, the one who was free for the shortest time: the others stay free. */
function whoStartsFirst(board: DayBoard, group: number): number {
  const task = board.nextOf(group)!;
  let [best, bestStart, bestFree] = [0, Infinity, -Infinity];
  for (let person = 0; person < board.tasks.people; person++) {
    const start = board.startOf(task, person) + 1e-6 * board.fetchOf(task, person);
    const free = board.freeMinutes[person]!;
    if (start < bestStart - 1e-9 || (start < bestStart + 1e-9 && free > bestFree)) [best, bestStart, bestFree] = [person, start, free];
  }
  return best;
}

function move(order: TurnOrder, from: number, to: number): void {
  const turn = order[from]!;
  if (from < to) order.copyWithin(from, from + 1, to + 1);
  else order.copyWithin(to + 1, to, from);
  order[to] = turn;
}
