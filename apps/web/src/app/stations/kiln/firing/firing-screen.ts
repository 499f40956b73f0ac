import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { Firing, FiringEvent, PracticeState } from '@cazuela/contract';
import {
  attempt,
  coneReached,
  firingProgress,
  HOUR_MS,
  kilnNow,
  reviewFiring,
  unreadBounds,
  USUAL_PACE,
  type FiringDifference,
  type FiringProgress,
} from '@cazuela/core';
import { combineLatest, EMPTY, filter, switchMap, timer } from 'rxjs';
import { apiResource, keyedResource } from '../../../data/http/api-resource';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { BenchLog, withLocalEvents } from '../../../data/offline/bench-log';
import { Outbox } from '../../../data/offline/outbox';
import { Clock } from '../../../data/state/clock';
import { firingRead, notesOf, openBelowOf, readingDisputedBy } from '../../../data/state/firing-read';
import { energyOf, kilnHabits, loadGramsOf } from '../../../data/state/kiln-pace';
import { Units } from '../../../data/units/units';
import { TakeBack } from '../../../parts/take-back';

/** A running firing is looked at so often, ms. */
const LOOK_AGAIN_MS = 1_000;
/** A line between hand readings leaves more open than this, hours: the cone is told as a range. */
const OPEN_HOURS = 0.5;

/** A firing with what is read of it, as it runs and when it is over. */
@Injectable()
export class FiringScreen {
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly clock = inject(Clock);
  private readonly others = inject(TakeBack);
  private readonly units = inject(Units);
  readonly id = signal<string | undefined>(undefined);
  readonly changing = createMutation();
  /** Why what was read off its display was not noted; '' where it was. */
  readonly disputed = signal('');
  readonly records = apiResource(() => combineLatest({ kilns: this.api.kilns(), firings: this.api.firings(), loads: this.api.loads() }));
  readonly newest = keyedResource(
    () => this.id(),
    (id) => this.api.firing(id),
  );
  /** With what was noted here and is not in the records yet. */
  readonly firing = computed((): Firing | undefined => {
    const firing = this.newest.value();
    if (!firing || firing.id !== this.id()) return undefined;
    const events = withLocalEvents(firing.events ?? [], this.outbox.localEvents('firing', firing.id));
    return events.length > 0 ? { ...firing, events } : firing;
  });
  readonly kiln = computed(() => this.records.value()?.kilns.find(({ id }) => id === this.firing()?.body.kilnId));
  private readonly habits = computed(() => {
    const [records, kiln, id] = [this.records.value(), this.kiln(), this.id()];
    return records && kiln && id ? kilnHabits(kiln, records, loadGramsOf({ id }, records.loads)) : undefined;
  });
  readonly pace = computed(() => this.habits()?.pace ?? { ...USUAL_PACE, coolingLogs: 0, heatingLogs: 0 });
  readonly openBelow = computed(() => {
    const firing = this.firing();
    return firing && openBelowOf(firing, this.records.value()?.kilns ?? []);
  });
  readonly read = computed(() => {
    const firing = this.firing();
    return firing && firingRead(firing, this.pace());
  });
  readonly notes = computed(() => notesOf(this.firing()?.events));
  readonly isRunning = computed(() => this.read()?.isRunning ?? false);
  /** Where it stands, by what was read. */
  readonly progress = computed((): FiringProgress | undefined => {
    const read = this.read();
    const made = read && attempt(() => firingProgress({ log: read.log, wanted: read.wanted, pace: this.pace(), openCelsius: this.openBelow() }));
    return made?.kind === 'ok' ? made.value : undefined;
  });
  /** Hours since it was lit: of a practice kiln, by its own clock. */
  readonly hours = computed(() => {
    const [firing, read] = [this.firing(), this.read()];
    if (!firing || !read) return 0;
    if (firing.log?.practiceSeconds !== undefined) return firing.log.practiceSeconds / 3_600;
    return Math.max((Date.parse(this.clock.at()) - Date.parse(firing.body.startedAt)) / HOUR_MS, read.readUntilHours ?? -Infinity);
  });
  readonly now = computed(() => {
    const read = this.read();
    const made = read && attempt(() => kilnNow({ firing: read.curve, hours: this.hours(), openCelsius: this.openBelow() }));
    return made?.kind === 'ok' ? made.value : undefined;
  });
  /** Its heating is over. */
  readonly isCooling = computed(() => {
    const kind = this.now()?.kind;
    return kind === 'cooling' || kind === 'canBeOpened';
  });
  readonly differences = computed((): FiringDifference[] => {
    const read = this.read();
    if (!read || !this.isCooling()) return [];
    const made = attempt(() => reviewFiring({ log: read.log, wanted: read.wanted }));
    return made.kind === 'ok' ? made.value : [];
  });
  /** Between which cones it was, where it was read too rarely to say one. */
  readonly openCones = computed(() => {
    const read = this.read();
    if (!read || read.log.length < 2) return undefined;
    const wantedMost = Math.max(...read.wanted.map(({ celsius }) => celsius));
    const bounds = unreadBounds(read.log, this.pace(), wantedMost);
    if (bounds.unreadHours < OPEN_HOURS) return undefined;
    const cones = attempt(() => ({ least: coneReached({ firing: bounds.least }), most: coneReached({ firing: bounds.most }) }));
    return cones.kind === 'ok' ? { ...cones.value, unreadHours: bounds.unreadHours } : undefined;
  });
  readonly energy = computed(() => {
    const firing = this.firing();
    return firing && energyOf(firing, this.kiln());
  });
  /** Another firing that runs in this kiln. */
  readonly other = computed(() =>
    this.records
      .value()
      ?.firings.find(
        ({ id, body, log }) => id !== this.id() && log?.endedAt === null && body.kilnId !== undefined && body.kilnId === this.firing()?.body.kilnId,
      ),
  );

  constructor() {
    toObservable(this.isRunning)
      .pipe(
        switchMap((isRunning) => (isRunning ? timer(LOOK_AGAIN_MS, LOOK_AGAIN_MS) : EMPTY)),
        filter(() => document.visibilityState !== 'hidden'),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.newest.reload());
  }

  begin(practice?: PracticeState): void {
    const id = this.id();
    if (id) this.changing.run(this.api.beginLog(id, practice), () => this.reload());
  }

  end(): void {
    const id = this.id();
    if (id) this.changing.run(this.api.endLog(id), () => this.reload());
  }

  endOther(): void {
    const other = this.other();
    if (other) this.changing.run(this.api.endLog(other.id), () => this.reload());
  }

  setPractice(change: Partial<PracticeState>): void {
    const [id, practice] = [this.id(), this.firing()?.log?.practice];
    if (id && practice) this.changing.run(this.api.setPractice(id, { ...practice, ...change }), () => this.newest.reload());
  }

  /** Returns false where its log says that this cannot be: `disputed` tells why. */
  noteReading(celsius: number, readAt: string): boolean {
    const firing = this.firing();
    if (!firing) return false;
    const disputing = readingDisputedBy(firing, celsius, readAt);
    this.disputed.set(
      disputing
        ? `Its log read ${this.units.temperature(disputing.celsius)} ${disputing.minutes < 1 ? 'at that moment' : `within ${disputing.minutes} min of that`}, and no kiln gets to ${this.units.temperature(celsius)} so fast. Look at the display again; while the two do not agree, it is as hot as the hotter one says.`
        : '',
    );
    if (disputing) return false;
    this.log.note('firing', firing.id, { type: 'kilnRead', celsius, readAt });
    return true;
  }

  noteMeter(kilowattHours: number, readAt: string): void {
    if (this.id()) this.log.note('firing', this.id()!, { type: 'meterRead', kilowattHours, readAt });
  }

  takeBack(note: FiringEvent): void {
    this.others.ask(note, () => this.log.note('firing', this.id()!, { type: 'undone', eventId: note.id }));
  }

  private reload(): void {
    this.newest.reload();
    this.records.reload();
  }
}
