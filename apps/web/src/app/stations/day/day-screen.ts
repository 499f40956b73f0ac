import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { BucketSummary, Day, StudioPowder } from '@cazuela/contract';
import {
  attempt,
  datesFrom,
  DAYS_AHEAD,
  dayTimetable,
  NO_PLANNING,
  replayDay,
  SOMEBODY,
  workHours,
  type DayEvent,
  type DayItem,
  type DayPerson,
  type DayPlanning,
  type DayPlanQuestion,
  type DayStep,
  type StepDone,
} from '@cazuela/core';
import { catchError, combineLatest, debounceTime, EMPTY, finalize, Subject } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { deviceSignal } from '../../data/offline/kept-signal';
import { BenchLog, withLocalEvents, type NewEvent } from '../../data/offline/bench-log';
import { Clock } from '../../data/state/clock';
import { apiResource, type ApiResource } from '../../data/http/api-resource';
import { createMutation } from '../../data/http/mutation';
import { DayItems } from '../../data/state/day-items';
import { Outbox } from '../../data/offline/outbox';
import { streamStamps } from '../../data/offline/stream-stamps';
import { StudioApi } from '../../data/http/studio-api';
import { daysBefore, localDay, localMs } from '../../data/units/times';
import { Notice } from '../../ui/notice';
import { TakeBack } from '../../parts/take-back';
import { StudioStore } from '../../data/state/studio-store';
import { DayBuckets } from './day-buckets';
import { DayLearning } from './day-learning';
import { keptSchema, mergedPlanning, type PlanningChange } from './planning-change';

/** Others’ ticks are looked for so often, ms. */
const LOOK_AGAIN_MS = 300;
/** Buckets are read anew so long after the last tick, ms. */
const BOOKED_MS = 3_000;
/** Where nobody is named, somebody is there from early until late, and sleeps. */
const NOBODY_NAMED: DayPerson = { name: SOMEBODY, fromTime: '07:00', untilTime: '22:00', breaks: [], doesNotDo: [] };
/** A day left unfinished is gone on with for so many days. */
const LEFT_OVER_DAYS = 7;

/** A glazing day as it stands at this moment, replayed from its events, and what is to come by its plan. */
@Injectable()
export class DayScreen {
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly clock = inject(Clock);
  private readonly notice = inject(Notice);
  private readonly store = inject(StudioStore);
  private readonly others = inject(TakeBack);
  private readonly dayItems = inject(DayItems);
  readonly studio = this.store.studio;
  readonly by = this.store.by;
  readonly taking = createMutation();
  private readonly records = apiResource(() => this.api.days());
  private readonly shelf = apiResource(() => combineLatest({ buckets: this.api.buckets(), powders: this.api.powders() }));
  readonly all: ApiResource<{ days: Day[]; buckets: BucketSummary[]; powders: StudioPowder[] }> = {
    value: computed(() => {
      const [days, shelf] = [this.records.value(), this.shelf.value()];
      return days && shelf && { days, ...shelf };
    }),
    failure: computed(() => this.records.failure() ?? this.shelf.failure()),
    isUnreadable: computed(() => this.records.isUnreadable() || this.shelf.isUnreadable()),
    reload: () => {
      this.records.reload();
      this.shelf.reload();
    },
  };
  private isKeeping = false;
  /** The day that was asked for; today, or a day left over, where none was. */
  readonly asked = signal<string | undefined>(undefined);
  readonly today = computed(() => localDay(new Date(this.clock.at())));
  readonly days = computed(() => this.all.value()?.days ?? []);
  /** Days before today that were begun and not finished, newest first. */
  readonly leftOver = computed(() => {
    const since = daysBefore(this.today(), LEFT_OVER_DAYS);
    return this.days()
      .filter(({ date }) => date < this.today() && date >= since)
      .filter((day) => {
        const { doneCount, totalCount } = replayDay({ items: day.items, events: day.events, nowAt: this.clock.at() });
        return doneCount > 0 && doneCount < totalCount;
      })
      .sort((a, b) => (a.date < b.date ? 1 : -1));
  });
  readonly date = computed(() => {
    const asked = this.asked();
    if (asked) return asked;
    const hasToday = this.days().some((day) => day.date === this.today() && day.items.length > 0);
    return hasToday ? this.today() : (this.leftOver()[0]?.date ?? this.today());
  });
  readonly day = computed<Day | undefined>(() => this.days().find((day) => day.date === this.date()));
  readonly events = computed<DayEvent[]>(() => {
    const day = this.day();
    return day ? withLocalEvents(day.events, this.outbox.localEvents('day', day.id)) : [];
  });
  /** Steps recorded here after the clock last changed count at their own time. */
  readonly nowAt = computed(() =>
    [
      this.clock.at(),
      ...this.events()
        .slice(-1)
        .map((event) => event.at),
    ]
      .sort()
      .at(-1)!,
  );
  readonly learning = new DayLearning(this.days, this.date);
  readonly buckets = new DayBuckets(
    computed(() => this.all.value()?.buckets ?? []),
    computed(() => this.all.value()?.powders ?? []),
    this.nowAt,
  );
  readonly state = computed(() => {
    const day = this.day();
    return day && replayDay({ items: this.buckets.withStirring(this.learning.itemsOf(day)), events: this.events(), nowAt: this.nowAt() });
  });
  /** What was changed here: without a version it is not in the records yet, and is kept on this device until it is. */
  private readonly changed = deviceSignal<{ change: PlanningChange | null }>(
    'day-planning',
    { change: null },
    (kept) => keptSchema.safeParse(kept).data,
  );
  readonly planning = computed<DayPlanning>(() => {
    const { change } = this.changed();
    const day = this.day();
    const isNewer = change?.date === this.date() && (change.version === undefined || change.version > (day?.version ?? 0));
    return isNewer ? change.planning : (day?.planning ?? NO_PLANNING);
  });
  /** Everybody's hours, from the day on, or from today where it was left over. */
  readonly hours = computed(() => {
    const dates = datesFrom(this.date() > this.today() ? this.date() : this.today(), DAYS_AHEAD);
    const { people } = this.planning();
    return new Map(
      (people.length > 0 ? people : [NOBODY_NAMED]).flatMap((person) => {
        const spans = attempt(() => workHours({ person, dates, msAt: localMs }));
        return spans.kind === 'ok' ? [[person.name, spans.value] as const] : [];
      }),
    );
  });
  readonly question = computed<DayPlanQuestion | undefined>(() => {
    const state = this.state();
    if (!state) return undefined;
    const lots = state.standing.lots.map(({ item }) => item);
    return {
      standing: state.standing,
      planning: this.planning(),
      nowMs: Date.parse(this.nowAt()),
      hours: this.hours(),
      scatter: this.learning.scatterOf(lots, this.date()),
      readyBuckets: this.buckets.readyToday(lots),
    };
  });
  readonly timetable = computed(() => {
    const question = this.question();
    const made = question && attempt(() => dayTimetable(question));
    return made?.kind === 'ok' ? made.value : undefined;
  });
  /** Ticks made here of steps that somebody else had done before. */
  readonly doubled = computed(() => {
    const day = this.day();
    const mine = new Set(day ? this.outbox.localEvents('day', day.id).map(({ id }) => id) : []);
    return [...(this.state()?.standing.doubled ?? [])].filter(([id, end]) => mine.has(id) && end.by !== this.by()).map(([, end]) => end);
  });

  constructor() {
    const booked = new Subject<void>();
    // What others tick is seen within a second.
    const id = computed(() => this.day()?.id);
    streamStamps(id, this.api.dayStamp, LOOK_AGAIN_MS)
      .pipe(takeUntilDestroyed())
      .subscribe((stamp) => {
        this.keepWaiting();
        const day = this.day();
        if (day && (stamp.version !== day.version || stamp.events > day.events.length)) {
          this.records.reload();
          booked.next();
        }
      });
    // Levels of buckets may be a little late.
    booked.pipe(debounceTime(BOOKED_MS), takeUntilDestroyed()).subscribe(() => this.shelf.reload());
  }

  /** Planned seconds are not told as what hands did. */
  done(step: DayStep, done: StepDone = {}): void {
    const sg = done.sg ?? this.buckets.find(step.bucketId)?.contents?.sg;
    const told = Object.fromEntries(Object.entries({ ...done, sg }).filter(([, value]) => value !== undefined));
    this.note(`Done: ${step.words}`, { ...told, type: 'stepDone', stepId: step.id });
  }

  /** `words` say what it was, for the line that offers to take it back. */
  note(words: string, event: NewEvent<'day'>): void {
    const day = this.day();
    if (!day) return;
    const eventId = this.log.note('day', day.id, event);
    this.notice.kept(words, () => this.log.note('day', day.id, { type: 'undone', eventId }));
  }

  /** Some of a lot go another way: they become a lot of their own. Returns the ids of its steps, in their order. */
  split(item: DayItem, count: number, words: string): string[] {
    const stepIds = item.steps.map(() => uuid());
    this.note(words, { type: 'lotSplit', itemId: item.id, newItemId: uuid(), count, stepIds });
    return stepIds;
  }

  /** Changes how the day is planned: shown at once, kept as the day is in the records now. */
  plan(change: (planning: DayPlanning) => DayPlanning | undefined): void {
    const date = this.date();
    const planning = change(this.planning());
    if (!planning) return;
    const { change: waiting } = this.changed();
    const isWaiting = waiting?.date === date && waiting.version === undefined;
    const base = isWaiting ? waiting.base : (this.day()?.planning ?? NO_PLANNING);
    this.changed.set({ change: { date, base, planning } });
    this.keepPlanning(date, isWaiting ? (now) => mergedPlanning(base, planning, now) : change);
  }

  /** What could not be kept is sent as soon as the records answer again: what others changed meanwhile stays. */
  private keepWaiting(): void {
    const { change } = this.changed();
    if (!change || change.version !== undefined || this.isKeeping) return;
    const { date, base, planning } = change;
    this.keepPlanning(date, (now) => mergedPlanning(base, planning, now));
  }

  private keepPlanning(date: string, change: (planning: DayPlanning) => DayPlanning | undefined): void {
    this.isKeeping = true;
    this.dayItems
      .plan(date, change)
      .pipe(
        catchError(() => {
          this.notice.tell('Not in the records yet: they cannot be reached. It is kept on this device, and sent when they can.');
          return EMPTY;
        }),
        finalize(() => (this.isKeeping = false)),
      )
      .subscribe((day) => {
        this.changed.set({ change: day ? { date, base: day.planning, planning: day.planning, version: day.version } : null });
        this.records.reload();
      });
  }

  /** Pieces that were put on by mistake; put back with one tap. */
  takeOff({ id }: DayItem): void {
    const date = this.date();
    // As it was put on: waits and labor that were learnt since are no part of it.
    const item = this.day()?.items.find((one) => one.id === id);
    if (!item) return;
    this.taking.run(this.dayItems.takeOff(date, item.id), () => {
      this.all.reload();
      this.notice.kept(`${item.count} × ${item.name} taken off the day`, () =>
        this.taking.run(this.dayItems.put(date, [item]), () => this.all.reload()),
      );
    });
  }

  takeBack(eventId: string): void {
    const day = this.day();
    if (!day) return;
    this.others.ask(
      this.events().find((event) => event.id === eventId),
      () => this.log.note('day', day.id, { type: 'undone', eventId }),
    );
  }
}
