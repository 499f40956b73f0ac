import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Firing } from '@cazuela/contract';
import { DAY_MS, whatNow, type FiringPoint } from '@cazuela/core';
import { catchError, combineLatest, EMPTY, exhaustMap, filter, switchMap, timer } from 'rxjs';
import { Clock, NOW } from '../../data/state/clock';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { firingRead, openBelowOf } from '../../data/state/firing-read';
import { paceOf } from '../../data/state/kiln-pace';
import { StudioStore } from '../../data/state/studio-store';
import { localDay, formatDateTime } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { BucketRow } from '../../parts/bucket-row';
import { FiringCurve } from '../../parts/firing-curve';
import { nowRow } from './now-words';
import { waitingOf } from './waiting';
import { Expansion } from '../../ui/expansion';
import { ResourceState } from '../../ui/resource-state';
import { PutAwayStore } from '../../data/state/put-away-store';
import { FirstHourPanel } from '../../parts/first-hour/first-hour-panel';
import { FirstHourStore } from '../../data/state/first-hour-store';

/** No firing takes longer. */
const RECENT_DAYS = 7;
/** A kiln that is read is looked at so often, ms. */
const LOOK_AGAIN_MS = 10_000;
/** Rows shown before the rest is folded. */
const MOST_ROWS = 4;

/** A practice kiln is never taken for a hot one. */
export const kilnWords = ({ body, log }: Firing): string => (log?.source === 'practice' ? `${body.kiln} (practice)` : body.kiln);

@Component({
  selector: 'cz-home',
  imports: [BucketRow, Expansion, FiringCurve, FirstHourPanel, MatButton, ResourceState, RouterLink],
  templateUrl: './home.html',
  styleUrl: './home.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Home {
  private readonly api = inject(StudioApi);
  private readonly clock = inject(Clock);
  private readonly units = inject(Units);
  private readonly now = inject(NOW);
  private readonly away = inject(PutAwayStore);
  protected readonly studio = inject(StudioStore).studio;
  protected readonly all = apiResource(() =>
    combineLatest({
      batches: this.api.batches(),
      buckets: this.api.buckets(),
      days: this.api.days(),
      firings: this.api.firings(),
      kilns: this.api.kilns(),
      loads: this.api.loads(),
      results: this.api.results(),
      recipes: this.api.recipes(),
      tiles: this.api.tiles(),
      pieces: this.api.pieces(),
    }),
  );
  /** Read again while a kiln is hot. */
  private readonly newerFirings = signal<Firing[] | undefined>(undefined);
  private readonly firings = computed(() => this.newerFirings() ?? this.all.value()?.firings);
  protected readonly today = computed(() => formatDateTime(this.clock.at()));
  private readonly items = computed(() => {
    const [all, firings] = [this.all.value(), this.firings()];
    if (!all || !firings) return [];
    return whatNow({
      nowAt: this.clock.at(),
      batches: this.away.without('batch', all.batches).map((batch) => ({
        ...batch,
        expectedMl: batch.plan.expectedMl,
        lineCount: batch.plan.lines.length,
        finished: batch.bucketId !== null || batch.setAside,
      })),
      buckets: all.buckets.map((bucket) => ({
        id: bucket.id,
        name: bucket.body.name,
        sgLow: bucket.body.sgLow,
        sgHigh: bucket.body.sgHigh,
        contents: bucket.contents,
      })),
      day: this.away.without('day', all.days).find((day) => day.date === localDay(this.now())),
      firings: this.away
        .without('firing', firings)
        .map((firing) => ({ id: firing.id, kiln: kilnWords(firing), startedAt: firing.body.startedAt, ...this.readOf(firing) })),
      unreadTiles: this.away
        .without('tile', all.tiles)
        .filter(({ body }) => body.cone !== undefined && body.strips.every((strip) => strip.verdict === undefined))
        .map(({ code, body }) => ({ code, glazeName: body.glazeName, bucketId: body.bucketId, bodyId: body.bodyId })),
      earlierDays: this.away.without('day', all.days).filter((day) => day.date < localDay(this.now())),
      ...waitingOf({ ...all, recipes: this.away.without('recipe', all.recipes), pieces: this.away.without('piece', all.pieces) }),
      readFiringIds: new Set(all.results.map((result) => result.body.firingId)),
    });
  });
  /** A studio that works by feel is not told SGs it never asked for. */
  private readonly rows = computed(() =>
    this.items()
      .filter((item) => this.studio()?.reads !== 'feel' || (item.kind !== 'outOfRange' && item.kind !== 'neverMeasured'))
      .map((item) => nowRow(item, this.units)),
  );
  protected readonly inUse = computed(() => (this.all.value()?.buckets ?? []).filter((bucket) => !bucket.body.closedAt));
  protected readonly firstRows = computed(() => this.rows().slice(0, MOST_ROWS));
  protected readonly otherRows = computed(() => this.rows().slice(MOST_ROWS));
  protected readonly hotKiln = computed(() => {
    const item = this.items().find((candidate) => candidate.kind === 'kiln');
    const firing = item && this.firings()?.find((candidate) => candidate.id === item.firingId);
    return item && firing ? { item, firing, ...this.readOf(firing) } : undefined;
  });
  private readonly firstHour = inject(FirstHourStore);
  /** A studio in its first hour is led; nothing else waits there. */
  protected readonly isLed = this.firstHour.isOpen;
  protected readonly kilnWords = kilnWords;
  protected readonly nowAt = this.clock.at;

  constructor() {
    // A kiln that is read moves on; a page in the background asks for nothing.
    const isRead = computed(() => this.firings()?.some(({ log }) => log?.endedAt === null) ?? false);
    toObservable(isRead)
      .pipe(
        switchMap((reads) => (reads ? timer(LOOK_AGAIN_MS, LOOK_AGAIN_MS) : EMPTY)),
        filter(() => document.visibilityState !== 'hidden'),
        exhaustMap(() => this.api.firings().pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe((firings) => this.newerFirings.set(firings));
  }

  private readOf(firing: Firing): { points: readonly FiringPoint[]; readUntilHours: number | undefined; openCelsius: number | undefined } {
    const { kilns = [], loads = [] } = this.all.value() ?? {};
    // Only a hot kiln is asked for how it cools.
    const isRecent = Date.parse(this.clock.at()) - Date.parse(firing.body.startedAt) < RECENT_DAYS * DAY_MS;
    const pace = isRecent ? paceOf(firing, { kilns, loads, firings: this.firings() ?? [] }) : undefined;
    const { curve, readUntilHours } = firingRead(firing, pace);
    return { points: curve, readUntilHours, openCelsius: openBelowOf(firing, kilns) };
  }
}
