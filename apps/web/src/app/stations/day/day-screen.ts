import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { BucketSummary, Day, StudioPowder } from '@cazuela/contract';
import {
  attempt,
  datesFrom,
  DAYS_AHEAD,
  dayTimetable,
  EIGHTY_PERCENT_Z,
  laborOfDays,
  NO_PLANNING,
  replayDay,
  SOMEBODY,
  stirringDue,
  stirringNeed,
  suspensionRisk,
  WAIT_LN_SD,
  waitsOfDays,
  weighedParts,
  withLearntLabor,
  withLearntWaits,
  workHours,
  type DayEvent,
  type DayItem,
  type DayPerson,
  type DayPlanning,
  type DayPlanQuestion,
  type DayStep,
  type StirringNeed,
} from '@cazuela/core';
import { catchError, combineLatest, debounceTime, EMPTY, exhaustMap, filter, of, Subject, switchMap, timer } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { BenchLog, withLocalEvents, type NewEvent } from '../../data/offline/bench-log';
import { Clock } from '../../data/state/clock';
import { apiResource, type ApiResource } from '../../data/http/api-resource';
import { createMutation } from '../../data/http/mutation';
import { DayItems } from '../../data/state/day-items';
import { Outbox } from '../../data/offline/outbox';
import { StudioApi } from '../../data/http/studio-api';
import { daysBefore, localDay, localMs } from '../../data/units/times';
import { Notice } from '../../ui/notice';
import { bucketOfRecipe } from '../../data/state/glazes';
import { TakeBack } from '../../parts/take-back';
import { StudioStore } from '../../data/state/studio-store';
import { bucketVerdict } from '../../parts/bucket-verdict';

export interface BucketNow {
  bucket: BucketSummary;
  /** Its code was read on this day. */
  codeRead: boolean;
  /** How often it wants stirring, when that is due. */
  stir?: StirringNeed['every'];
  contaminated?: string;
  /** As on its own page and on the shelf; left out when it is as it should be. */
  verdict?: string;
}

/** Others’ ticks are looked for so often, ms. */
const LOOK_AGAIN_MS = 400;
/** Buckets are read anew so long after the last tick, ms. */
const BOOKED_MS = 3_000;
/** Where nobody is named, somebody is there from early until late, and sleeps. */
const NOBODY_NAMED: DayPerson = { name: SOMEBODY, fromTime: '07:00', untilTime: '22:00', breaks: [], doesNotDo: [] };
/** Stirring before a piece, seconds: a rule of the bench. */
const STIR_SECONDS = 15;
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
  /** What the studio's taps on "dry" taught, all days together. */
  private readonly waits = computed(() => waitsOfDays(this.days()));
  /** And the times from tick to tick, of labor. */
  private readonly labor = computed(() => laborOfDays(this.days()));
  readonly state = computed(() => {
    const day = this.day();
    return (
      day &&
      replayDay({
        items: this.stirred(withLearntLabor(withLearntWaits(day.items, this.waits(), day.date), this.labor())),
        events: this.events(),
        nowAt: this.nowAt(),
      })
    );
  });
  /** What was changed here: without a version it is not in the records yet. */
  private readonly changed = signal<{ date: string; planning: DayPlanning; version?: number } | undefined>(undefined);
  readonly planning = computed<DayPlanning>(() => {
    const changed = this.changed();
    const day = this.day();
    const isNewer = changed?.date === this.date() && (changed.version === undefined || changed.version > (day?.version ?? 0));
    return isNewer ? changed!.planning : (day?.planning ?? NO_PLANNING);
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
    return state && { standing: state.standing, planning: this.planning(), nowMs: Date.parse(this.nowAt()), hours: this.hours() };
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
    // What others tick is seen within a second; a page in the background asks for nothing.
    toObservable(computed(() => this.day()?.id))
      .pipe(
        switchMap((id) => (id === undefined ? EMPTY : timer(LOOK_AGAIN_MS, LOOK_AGAIN_MS).pipe(exhaustMap(() => this.stampOf(id))))),
        takeUntilDestroyed(),
      )
      .subscribe((stamp) => {
        const day = this.day();
        if (day && (stamp.version !== day.version || stamp.events > day.events.length)) {
          this.records.reload();
          booked.next();
        }
      });
    // Levels of buckets may be a little late.
    booked.pipe(debounceTime(BOOKED_MS), takeUntilDestroyed()).subscribe(() => this.shelf.reload());
  }

  private stampOf(id: string): ReturnType<StudioApi['dayStamp']> {
    return of(document.visibilityState).pipe(
      filter((state) => state !== 'hidden'),
      switchMap(() => this.api.dayStamp(id)),
      catchError(() => EMPTY),
    );
  }

  /** How many spells of work taught its labor. */
  readonly laborSpells = computed(() => [...this.labor().values()].reduce((sum, { spells }) => sum + spells, 0));

  /** What a wait stands on, where thumbs taught it; empty where it is a guess. */
  waitGround({ bucketId, bucketName, waitMinutes }: DayStep, clayBodyId: string | undefined): string {
    const known = this.waits();
    if (!bucketId || known.tapsOf(bucketId) === 0) return '';
    const of = (date: string): { minutes: number; sdLn: number } => known.of({ glaze: bucketId, body: clayBodyId ?? '', day: date, guessMinutes: 1 });
    const [today, usual] = [of(this.date()), of('')];
    const spread = Math.exp(EIGHTY_PERCENT_Z * Math.hypot(today.sdLn, WAIT_LN_SD));
    const pace =
      today.minutes > 1.1 * usual.minutes ? '; today slower than usual' : today.minutes < usual.minutes / 1.1 ? '; today faster than usual' : '';
    const taps = known.tapsOf(bucketId);
    return `${bucketName ?? 'This glaze'} dries in ${Math.round(waitMinutes)} min here (${Math.round(waitMinutes / spread)}–${Math.round(waitMinutes * spread)}), from ${taps} ${taps === 1 ? 'tap' : 'taps'}${pace}.`;
  }

  /** The bucket of a step as it stands, with what was done to it here since the page was opened. */
  bucketOf(step: DayStep): BucketNow | undefined {
    const bucket = this.bucketIn(step.bucketId);
    return bucket && this.bucketNow(bucket);
  }

  /** A glaze that settles at once is stirred before every piece: that is labor of its step. */
  private stirred(items: readonly DayItem[]): DayItem[] {
    const every = new Set((this.all.value()?.buckets ?? []).filter((bucket) => this.needOf(bucket)?.every === 'piece').map(({ id }) => id));
    if (every.size === 0) return [...items];
    return items.map((item) => ({
      ...item,
      steps: item.steps.map((step) => {
        const bucketId = this.bucketIn(step.bucketId)?.id;
        return bucketId && every.has(bucketId) ? { ...step, laborSeconds: step.laborSeconds + STIR_SECONDS } : step;
      }),
    }));
  }

  private needOf(bucket: BucketSummary): StirringNeed | undefined {
    const risk = suspensionRisk({ parts: weighedParts({ parts: bucket.contents?.parts ?? [], powders: this.all.value()?.powders ?? [] }) });
    return (
      risk &&
      stirringNeed({
        suspension: risk.suspension,
        flocculated: bucket.contents?.slurryState === 'flocculated',
        epsomGrams: bucket.contents?.additives?.epsomGrams,
      })
    );
  }

  bucketNow(bucket: BucketSummary): BucketNow {
    const done = this.outbox.localEvents('bucket', bucket.id);
    const newest = (type: 'codeRead' | 'stirred', known: string | undefined): string | undefined =>
      [known, ...done.filter((event) => event.type === type).map((event) => event.at)]
        .filter((at) => at !== undefined)
        .sort()
        .at(-1);
    const codeReadAt = newest('codeRead', bucket.contents?.codeReadAt);
    const stirredAt = newest('stirred', bucket.contents?.stirredAt);
    const need = this.needOf(bucket);
    const { contaminated } = bucket.contents ?? {};
    const verdict = bucketVerdict(bucket, this.studio()?.reads === 'feel');
    return {
      bucket,
      codeRead: codeReadAt !== undefined && localDay(new Date(codeReadAt)) === localDay(new Date(this.nowAt())),
      ...(need && stirringDue({ need, stirredAt, nowAt: this.nowAt() }) ? { stir: need.every } : {}),
      ...(contaminated ? { contaminated: contaminated.join('; ') } : {}),
      ...(verdict.tone === 'good' ? {} : { verdict: verdict.words }),
    };
  }

  /** A step of a plan made before the glaze was mixed names the recipe: it goes into the bucket of that recipe. */
  bucketIn(id: string | undefined): BucketSummary | undefined {
    const buckets = this.all.value()?.buckets ?? [];
    return id === undefined ? undefined : (buckets.find((one) => one.id === id) ?? bucketOfRecipe(id, buckets));
  }

  noteBucket(bucketId: string, event: NewEvent<'bucket'>): void {
    this.log.note('bucket', bucketId, event);
  }

  done(step: DayStep, seconds: number | null): void {
    const sg = this.bucketIn(step.bucketId)?.contents?.sg;
    this.note(`Done: ${step.words}`, {
      type: 'stepDone',
      stepId: step.id,
      // Planned seconds are not told as what hands did.
      ...(seconds === null ? {} : { seconds: Number(seconds.toFixed(1)) }),
      ...(sg === undefined ? {} : { sg }),
    });
  }

  /** `words` say what it was, for the line that offers to take it back. */
  note(words: string, event: NewEvent<'day'>): void {
    const day = this.day();
    if (!day) return;
    const eventId = this.log.note('day', day.id, event);
    this.notice.kept(words, () => this.log.note('day', day.id, { type: 'undone', eventId }));
  }

  /** Some of a lot go another way: they become a lot of their own. */
  split(item: DayItem, count: number, words: string): void {
    this.note(words, { type: 'lotSplit', itemId: item.id, newItemId: uuid(), count, stepIds: item.steps.map(() => uuid()) });
  }

  /** Changes how the day is planned: shown at once, kept as the day is in the records now. */
  plan(change: (planning: DayPlanning) => DayPlanning | undefined): void {
    const date = this.date();
    const here = change(this.planning());
    if (!here) return;
    this.changed.set({ date, planning: here });
    this.dayItems
      .plan(date, change)
      .pipe(
        catchError(() => {
          this.notice.tell('Not kept yet: the records cannot be reached. It is tried again with your next change.');
          return EMPTY;
        }),
      )
      .subscribe((day) => {
        if (day) this.changed.set({ date, planning: day.planning, version: day.version });
        this.all.reload();
      });
  }

  /** Pieces that were put on by mistake; put back with one tap. */
  takeOff(item: DayItem): void {
    const date = this.date();
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
