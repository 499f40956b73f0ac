import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import {
  attempt,
  dayTimetable,
  WORTH_MINUTES,
  type DayHelp,
  type DayOdds,
  type DayPlan,
  type DayPlanQuestion,
  type DayTurn,
  type TimetableTask,
} from '@cazuela/core';
import { debounce, switchMap, timer } from 'rxjs';
import { Notice } from '../../../ui/notice';
import { DayScreen } from '../day-screen';
import { DayPlanFinder } from './day-plan-finder';

/** The search begins once hands rest, ms. */
const REST_MS = 150;
const SEARCH_MS = 2_000;
/** Whoever did something plans the rest anew; the others wait for that plan so long before they look for one, ms. */
const OTHERS_MS = 2_500;
/** A plan is looked over so often though nothing happens, ms. */
const LOOKED_OVER_MS = 5 * 60_000;
/** At the bench what was kept is only looked over. */
const BENCH_SEARCH_MS = 400;

export interface PlanQuality {
  odds: DayOdds;
  helps: readonly DayHelp[];
  /** What is held fast costs so much, minutes. */
  pinsMinutes: number | undefined;
  /** When the odds were drawn, ms: their minutes count from here. */
  fromMs: number;
}

/** Plans the day anew whenever something happens, and keeps the order that is found with the day, so that every device shows the same. */
@Injectable()
export class DayPlans {
  private readonly screen = inject(DayScreen);
  private readonly finder = inject(DayPlanFinder);
  private readonly notice = inject(Notice);
  /** The best plan of the last search; undefined before the first one answers. */
  readonly plan = signal<DayPlan | undefined>(undefined);
  readonly quality = signal<PlanQuality | undefined>(undefined);
  readonly failure = signal<string | undefined>(undefined);
  readonly isSearching = signal(false);
  /** The plan is looked at: it is searched for longer, and said how good it is. */
  readonly isAtTable = signal(false);
  /** Hands that wait while something else is dry are seen without an event, too. */
  private readonly spell = computed(() => Math.floor(Date.parse(this.screen.nowAt()) / LOOKED_OVER_MS));
  /** What a search depends on: all that happened, and the planning without its order. */
  private readonly key = computed(() => {
    const [day, planning] = [this.screen.day(), this.screen.planning()];
    const { order: _order, ...held } = planning;
    return (
      day &&
      JSON.stringify([
        this.isAtTable(),
        this.spell(),
        day.id,
        day.items.map(({ id, count }) => [id, count]),
        this.screen.events().map(({ id }) => id),
        held,
      ])
    );
  });

  constructor() {
    toObservable(this.key)
      .pipe(
        debounce(() => timer(this.isOwn() ? REST_MS : OTHERS_MS)),
        switchMap((key) => {
          const day = key === undefined ? undefined : untracked(this.screen.question);
          this.isSearching.set(day !== undefined);
          const wantsQuality = untracked(this.isAtTable);
          const mostMs = wantsQuality || day?.planning.order.length === 0 ? SEARCH_MS : BENCH_SEARCH_MS;
          return day ? this.finder.find({ day, mostMs, wantsQuality }).pipe(switchMap((message) => [{ day, message }])) : [];
        }),
        takeUntilDestroyed(),
      )
      .subscribe(({ day, message }) => {
        if (message.kind === 'failed') {
          this.isSearching.set(false);
          this.failure.set(message.message);
          return;
        }
        this.failure.set(undefined);
        if (message.kind === 'quality') {
          this.isSearching.set(false);
          this.quality.set({ odds: message.odds, helps: message.helps, pinsMinutes: message.pinsMinutes, fromMs: day.nowMs });
          return;
        }
        this.plan.set(message.plan);
        if (!message.isLast) return;
        this.isSearching.set(untracked(this.isAtTable));
        this.keep(day, message.plan);
      });
    // Another day is another plan.
    const id = computed(() => this.screen.day()?.id);
    effect(() => {
      id();
      untracked(() => {
        this.plan.set(undefined);
        this.quality.set(undefined);
      });
    });
  }

  /** The newest thing that happened was done at this device, or nobody has planned the day yet. */
  private isOwn(): boolean {
    return untracked(() => {
      const last = this.screen.events().at(-1);
      return this.isAtTable() || !last || last.by === this.screen.by() || this.screen.planning().order.length === 0;
    });
  }

  /** Keeps an order that is worth it, unless somebody kept another one meanwhile. */
  private keep(day: DayPlanQuestion, { turns, savesMinutes }: DayPlan): void {
    if (turns.length === 0 || (savesMinutes !== undefined && savesMinutes < WORTH_MINUTES)) return;
    const asked = JSON.stringify(day.planning.order);
    this.screen.plan((planning) => (JSON.stringify(planning.order) === asked ? { ...planning, order: turns } : undefined));
    const words = savesMinutes === undefined ? undefined : changeWords(day, turns);
    if (words) this.notice.tellLater(`The plan changed: ${words} Hands are done ${Math.round(savesMinutes!)} min sooner.`);
  }
}

/** What changed for the next steps, one sentence a person. */
function changeWords(day: DayPlanQuestion, turns: readonly DayTurn[]): string | undefined {
  const next = (order: readonly DayTurn[]): Map<string, TimetableTask> => {
    const made = attempt(() => dayTimetable({ ...day, planning: { ...day.planning, order: [...order] } }));
    const first = new Map<string, TimetableTask>();
    for (const task of made.kind === 'ok' ? made.value.tasks : []) if (!first.has(task.person)) first.set(task.person, task);
    return first;
  };
  const [before, after] = [next(day.planning.order), next(turns)];
  const changed = [...after].filter(([person, task]) => before.get(person)?.step.id !== task.step.id);
  return changed.length === 0 ? undefined : changed.map(([person, { item, step }]) => `${person} next: ${step.words}, ${item.name}.`).join(' ');
}
