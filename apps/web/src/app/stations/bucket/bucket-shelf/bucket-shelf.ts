import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { feelVerdict, rangeVerdict } from '@cazuela/core';
import type { BucketSummary } from '@cazuela/contract';
import * as z from 'zod';
import { apiResource } from '../../../data/http/api-resource';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { compareCodes, compareNames, compareText } from '../../../data/units/compare';
import { UnreadableRows } from '../../../data/http/unreadable-rows';
import { BucketRow } from '../../../parts/bucket-row';
import { Choice } from '../../../ui/choice';
import { bucketByCode } from '../../../parts/code-check';
import { SelectField } from '../../../ui/select-field';
import { TextField } from '../../../ui/text-field';
import { ResourceState } from '../../../ui/resource-state';
import { EmptyState } from '../../../ui/empty-state';

const SORTS = [
  ['code', 'code'],
  ['name', 'name'],
  ['attention', 'what is off first'],
  ['oldest', 'oldest reading first'],
  ['fullest', 'fullest first'],
] as const;
const SHOWS = [
  ['use', 'in use'],
  ['off', 'off range'],
  ['away', 'put away'],
] as const;
const viewSchema = z.object({ sort: z.enum(SORTS.map(([sort]) => sort)), show: z.enum(SHOWS.map(([show]) => show)) });
type View = z.infer<typeof viewSchema>;

@Component({
  selector: 'cz-bucket-shelf',
  imports: [BucketRow, Choice, EmptyState, MatButton, ResourceState, RouterLink, SelectField, TextField],
  template: `
    <div class="page">
      <div class="spread">
        <h1>Buckets</h1>
        <form class="row" (submit)="$event.preventDefault(); open()">
          <cz-text-field
            label="Show buckets called"
            labelHidden
            type="search"
            placeholder="name, or scan a code"
            [longest]="300"
            [value]="filter()"
            (changed)="type($event)"
          />
          <a matButton="filled" routerLink="/weigh">Weigh a new one</a>
        </form>
      </div>
      <cz-resource-state [resource]="all" />
      @for (row of unreadable(); track row.id) {
        <p class="look">
          {{ row.code }} {{ row.name ?? 'A bucket' }} cannot be read. <a matButton="text" [routerLink]="['/bucket', row.id]">See its last steps</a>
        </p>
      }
      @if (shown(); as buckets) {
        <div class="row view">
          <cz-choice label="Show" [options]="shows" [value]="view().show" (changed)="change({ show: $event })" />
          <cz-select label="Sorted by" [options]="sorts" [value]="view().sort" (changed)="change({ sort: $event })" />
        </div>
        @if (buckets.length > 0) {
          <cz-bucket-row [buckets]="buckets" />
        } @else {
          <cz-empty-state [words]="none()" />
        }
      }
    </div>
  `,
  styles: `
    cz-bucket-row {
      margin-top: 1.4rem;
      display: block;
    }
    .view {
      margin-top: 0.6rem;
      gap: 1.2rem;
      align-items: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketShelf {
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly reads = computed(() => this.studio()?.reads ?? 'both');
  private readonly studio = inject(StudioStore).studio;
  protected readonly all = apiResource(() => this.api.buckets());
  protected readonly unreadable = computed(() => this.rows.of('/buckets'));
  private readonly rows = inject(UnreadableRows);
  private readonly typed = sessionSignal('bucket-shelf.filter', { text: '' }, (kept) => z.object({ text: z.string() }).safeParse(kept).data);
  protected readonly filter = computed(() => this.typed().text);
  protected readonly view = sessionSignal<View>('bucket-shelf', { sort: 'code', show: 'use' }, (kept) => viewSchema.safeParse(kept).data);
  protected readonly sorts = SORTS;
  protected readonly shows = SHOWS;
  protected readonly shown = computed(() => {
    const text = this.filter().trim().toLowerCase();
    const { sort, show } = this.view();
    return this.all
      .value()
      ?.filter((bucket) => (show === 'away') === (bucket.body.closedAt !== undefined))
      .filter((bucket) => show !== 'off' || this.offBy(bucket) > 0)
      .filter((bucket) => bucket.body.name.toLowerCase().includes(text) || bucketByCode(text, [bucket]) !== undefined)
      .sort((a, b) => this.compare(sort, a, b));
  });
  protected readonly none = computed(() => {
    if (this.filter()) return 'No bucket is called that.';
    return {
      use: 'No bucket yet. Weigh a batch, and it becomes one.',
      off: 'Every bucket that was measured is in its range.',
      away: 'No bucket was put away.',
    }[this.view().show];
  });

  /** Enter was pressed before the buckets were loaded. */
  private readonly asked = signal(false);

  constructor() {
    effect(() => {
      if (this.asked() && this.all.value()) untracked(() => this.open());
    });
  }

  protected type(text: string): void {
    this.asked.set(false);
    this.typed.set({ text });
  }

  /** Enter opens the bucket with this code; a scanner types it and presses Enter. */
  protected open(): void {
    this.asked.set(!this.all.value());
    const found = bucketByCode(this.filter(), this.all.value() ?? []) ?? (this.shown()?.length === 1 ? this.shown()![0] : undefined);
    if (!found) return;
    this.typed.set({ text: '' });
    void this.router.navigate(['/bucket', found.id]);
  }

  protected change(change: Partial<View>): void {
    this.view.update((view) => ({ ...view, ...change }));
  }

  /** 2 out of range, 1 unsure or never measured, 0 as it should be or empty. */
  private offBy({ contents, body }: BucketSummary): number {
    if (!contents) return 0;
    if (this.reads() === 'feel')
      return { inRange: 0, unknown: 1, mixed: 1, tooThick: 2, tooThin: 2 }[feelVerdict({ feel: contents.feel, ranges: body.feel })];
    return { inRange: 0, unmeasured: 1, unsure: 1, tooThick: 2, tooThin: 2 }[
      rangeVerdict({ sg: contents.sg, sgSd: contents.sgSd, lowSg: body.sgLow, highSg: body.sgHigh })
    ];
  }

  private compare(sort: View['sort'], a: BucketSummary, b: BucketSummary): number {
    const byCode = compareCodes(a.code, b.code);
    switch (sort) {
      case 'code':
        return byCode;
      case 'name':
        return compareNames(a.body.name, b.body.name) || byCode;
      case 'attention':
        return this.offBy(b) - this.offBy(a) || byCode;
      case 'oldest':
        return compareText(a.contents?.measuredAt ?? '', b.contents?.measuredAt ?? '') || byCode;
      case 'fullest':
        return (b.contents?.volumeMl ?? 0) / b.body.capacityMl - (a.contents?.volumeMl ?? 0) / a.body.capacityMl || byCode;
    }
  }
}
