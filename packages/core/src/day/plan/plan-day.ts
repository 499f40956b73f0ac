import { MINUTE_MS } from '../../units/time';
import type { DayTurn } from '../day-plan';
import { DayBoard } from '../shortest/day-board';
import { leastFinish } from '../shortest/day-bounds';
import { dayTasks, type DayTasks } from '../shortest/day-question';
import { EveryOrder } from '../shortest/every-order';
import { DaySearch, firstDay, judgedDay, plannedBy, type FoundDay, type TurnOrder } from '../shortest/improve-day';
import { keptOrder, turnsOf } from './day-timetable';
import { askedDay, type AskedDay, type DayPlanQuestion } from './plan-question';

/** An order that was found for a day, and how good it is. */
export interface DayPlan {
  turns: DayTurn[];
  /** When hands are done by it, and when no plan can be done before, UTC, ISO 8601. */
  finishAt: string;
  boundAt: string;
  /** No plan is done earlier. */
  isProven: boolean;
  lateMinutes: number;
  changes: number;
  /** How much earlier than by the order that was kept, minutes; 0 or more. Left out where none was kept. */
  savesMinutes?: number;
}

/** A kept order is left only for one that saves this much, minutes: hands do not change their mind for seconds. */
export const WORTH_MINUTES = 1;
/** Days with at most so many open steps are proven by looking at every order. */
const MOST_PROVEN = 12;
const MOST_BOARDS = 30_000;

/** A search for the order of a day that answers what it has at any time. The same day gives the same answers. */
export class DayPlanner {
  readonly asked: AskedDay;
  private readonly tasks: DayTasks;
  private readonly search: DaySearch;
  private readonly kept: FoundDay | undefined;
  private boundMinutes: number;
  private proven: FoundDay | undefined;

  /**
   * @param day - how it stands, its planning with the order that was kept, everybody's hours
   * @throws PotterError as `dayTasks`
   */
  constructor(private readonly day: DayPlanQuestion) {
    this.asked = askedDay(day);
    this.tasks = dayTasks(this.asked.question);
    this.boundMinutes = leastFinish(new DayBoard(this.tasks));
    const plain = this.asked.fixed.length > 0 ? this.judged([]) : firstDay(this.tasks);
    this.kept = this.isKept() ? this.judged(day.planning.order) : undefined;
    this.search = new DaySearch(this.tasks, this.kept && this.kept.cost <= plain.cost ? this.kept : plain, this.asked.fixed.length);
  }

  /** Whether going on can change anything. */
  get isDone(): boolean {
    return this.proven !== undefined || this.search.best.cost <= this.boundMinutes + 1e-9 || this.tasks.count === 0;
  }

  improve(rounds: number): void {
    if (!this.isDone) this.search.run(rounds, this.boundMinutes);
  }

  /** Looks at every order where the day is small and drying places are not limited. */
  prove(): void {
    const { best } = this.search;
    // Where places are few, what stands there also matters: too many boards to look at.
    if (this.tasks.dryingPlaces < Infinity) return;
    if (this.isDone || this.tasks.count > MOST_PROVEN || this.asked.fixed.length > 0 || best.lateMinutes > 0) return;
    const every = new EveryOrder(this.tasks, best.finishMinutes, MOST_BOARDS);
    const path = every.run(new DayBoard(this.tasks));
    const found = path ? judgedDay(this.tasks, orderOf(path)) : best;
    // Every order was looked at for its end alone.
    if (found.lateMinutes > 0) return;
    if (every.stopped) {
      if (found.cost < best.cost) this.search.best = found;
      return;
    }
    this.proven = found;
    this.boundMinutes = found.finishMinutes;
  }

  plan(): DayPlan {
    const better = this.better();
    const at = (minutes: number): string => new Date(Math.round(this.day.nowMs + minutes * MINUTE_MS)).toISOString();
    return {
      turns: turnsOf(this.asked, plannedBy(this.tasks, better.order)),
      finishAt: at(better.finishMinutes),
      boundAt: at(Math.min(this.boundMinutes, better.finishMinutes)),
      isProven: better.finishMinutes <= this.boundMinutes + 1e-6,
      lateMinutes: better.lateMinutes,
      changes: better.changes,
      ...(this.kept ? { savesMinutes: Math.max(0, this.kept.finishMinutes - better.finishMinutes) } : {}),
    };
  }

  /** The order of the plan, everybody named. */
  order(): TurnOrder {
    return orderOf(plannedBy(this.tasks, this.better().order));
  }

  /** The kept order, unless another one is worth changing for. */
  private better(): FoundDay {
    const found = this.proven ?? this.search.best;
    return this.kept && !this.isWorth(this.kept, found) ? this.kept : found;
  }

  private isWorth(kept: FoundDay, found: FoundDay): boolean {
    return (
      kept.lateMinutes - found.lateMinutes >= WORTH_MINUTES ||
      (found.lateMinutes <= kept.lateMinutes + 1e-6 && kept.finishMinutes - found.finishMinutes >= WORTH_MINUTES)
    );
  }

  private judged(turns: readonly DayTurn[]): FoundDay {
    return judgedDay(this.tasks, keptOrder({ asked: this.asked, tasks: this.tasks, turns }));
  }

  /** Every open step has its turn, with somebody who is there. */
  private isKept(): boolean {
    const kept = new Map(this.day.planning.order.map(({ stepId, person }) => [stepId, person]));
    return this.tasks.count > 0 && this.asked.groups.every((steps) => steps.every(({ step }) => this.asked.people.includes(kept.get(step.id) ?? '')));
  }
}

const orderOf = (planned: readonly { group: number; person: number }[]): TurnOrder => ({
  groups: Int32Array.from(planned, ({ group }) => group),
  people: Int32Array.from(planned, ({ person }) => person),
});
