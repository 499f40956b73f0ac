import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { firstHour, type FirstHour } from '@cazuela/core';
import { catchError, combineLatest, debounceTime, EMPTY, filter, merge, Subject, switchMap, type Observable } from 'rxjs';
import * as z from 'zod';
import { StudioApi } from '../http/studio-api';
import { deviceSignal } from '../offline/kept-signal';
import { StudioStore } from './studio-store';

const SETTLES_MS = 50;
const keptSchema = z.object({ over: z.array(z.string()), hidden: z.array(z.string()) });

/** Links of the first steps into what the studio has already. */
export interface FirstHourLinks {
  recipeId?: string | undefined;
  bucketId?: string | undefined;
}

/**
 * How far a new studio has come. A studio that has been through it, or whose potter wants none of it, is not asked again on this device; the demo
 * never is.
 */
@Injectable({ providedIn: 'root' })
export class FirstHourStore {
  private readonly api = inject(StudioApi);
  private readonly studio = inject(StudioStore).studio;
  private readonly kept = deviceSignal('first-hour', { over: [] as string[], hidden: [] as string[] }, (kept) => keptSchema.safeParse(kept).data);
  private readonly asked = new Subject<void>();
  private readonly found = signal<{ hour: FirstHour; links: FirstHourLinks; exampleIsThere: boolean } | undefined>(undefined);
  private readonly id = computed(() => this.studio()?.id ?? '');
  readonly isHidden = computed(() => this.kept().hidden.includes(this.id()));
  private readonly isOver = computed(() => this.studio()?.demo === true || this.kept().over.includes(this.id()));
  /** What is done and what comes next; undefined when it is over or not known yet. */
  readonly hour = computed(() => (this.isOver() ? undefined : this.found()?.hour));
  /** True while somebody is led through it, or may be: nobody knows yet. */
  readonly isOpen = computed(() => !this.isOver() && !this.isHidden() && (this.found() === undefined || this.found()!.hour.next !== undefined));
  readonly links = computed((): FirstHourLinks => this.found()?.links ?? {});
  readonly exampleIsThere = computed(() => this.found()?.exampleIsThere ?? false);

  constructor() {
    const moved = inject(Router).events.pipe(filter((event) => event instanceof NavigationEnd));
    merge(moved, this.asked, this.api.written$, toObservable(this.studio))
      .pipe(
        debounceTime(SETTLES_MS),
        filter(() => this.studio() !== undefined && !this.isOver()),
        switchMap(() => this.look()),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Something was made on this page: looked at again at once. */
  reload(): void {
    this.asked.next();
  }

  hide(isHidden: boolean): void {
    this.kept.update(({ over, hidden }) => ({
      over,
      hidden: isHidden ? [...new Set([...hidden, this.id()])] : hidden.filter((id) => id !== this.id()),
    }));
  }

  private look(): Observable<never> {
    return combineLatest({
      bodies: this.api.bodies(),
      recipes: this.api.recipes(),
      buckets: this.api.buckets(),
      tiles: this.api.tiles(),
      pieces: this.api.pieces(),
      example: this.api.example(),
    }).pipe(
      switchMap(({ bodies, recipes, buckets, tiles, pieces, example }) => {
        const { scales = [], vessels = [], reads } = this.studio() ?? {};
        const filled = buckets.filter((bucket) => bucket.contents);
        const isKnown = filled.filter(({ contents }) => contents!.sgSd !== undefined || contents!.feel !== undefined);
        const hour = firstHour({
          bodies: bodies.length,
          scales: scales.length,
          vessels: vessels.length,
          recipes: recipes.length,
          filledBuckets: filled.length,
          measuredBuckets: isKnown.length,
          tiles: tiles.length,
          pieces: pieces.length,
          byFeel: reads === 'feel',
        });
        const unknown = filled.find((bucket) => !isKnown.includes(bucket)) ?? filled[0];
        this.found.set({ hour, links: { recipeId: recipes[0]?.id, bucketId: unknown?.id }, exampleIsThere: example.there });
        if (!hour.next && !example.there) this.kept.update(({ over, hidden }) => ({ over: [...new Set([...over, this.id()])], hidden }));
        return EMPTY;
      }),
      // Without the records there is nothing to lead through; each screen says that they are away.
      catchError(() => EMPTY),
    );
  }
}
