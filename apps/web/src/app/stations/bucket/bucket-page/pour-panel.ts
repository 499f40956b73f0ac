import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { Bucket } from '@cazuela/contract';
import { attempt, mergedContents, splitBucket, type BucketContents } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { deed } from '../../../data/deed';
import { loaded } from '../../../data/load';
import { StudioApi } from '../../../data/studio-api';
import { StudioStore } from '../../../data/studio-store';
import { Units } from '../../../data/units';
import { NumberField } from '../../../parts/number-field';
import { Says } from '../../../parts/says';

/** Part of a bucket, or all of it, poured into another one or into the scraps, with what that becomes said first. */
@Component({
  selector: 'cz-pour-panel',
  imports: [NumberField, Says],
  template: `
    <form class="stack" (submit)="$event.preventDefault(); pour()">
      <cz-says [failure]="all.failure()" (again)="all.reload()" />
      <label class="named"
        >Into<select (change)="toId.set($any($event.target).value)">
          <option value="">the scraps</option>
          @for (one of others(); track one.id) {
            <option [value]="one.id" [selected]="one.id === toId()">{{ one.code }} {{ one.body.name }}</option>
          }
        </select></label
      >
      <cz-number-field
        label="Pour"
        quantity="bigVolume"
        [value]="millilitres()"
        [decimals]="2"
        [least]="1"
        [most]="1000000"
        (changed)="millilitres.set($event.value)"
      />
      <button type="button" class="press bare" (click)="millilitres.set(contents().volumeMl)">all of it</button>
      @if (becomes(); as words) {
        <p role="status" class="small">{{ words }}</p>
      }
      @if (mixes()) {
        <p class="look small">Another glaze is in there: it becomes a mixture of both. Dip a test before any pot.</p>
      }
      <p class="quiet small">Stir both first. Nothing goes down the drain: leftovers become scraps whose powders are known.</p>
      <button type="submit" class="press quiet-press" [disabled]="!millilitres() || pouring.busy()">Pour it</button>
      <cz-says [failure]="pouring.failure()?.problem?.detail" (again)="pour()" />
    </form>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PourPanel {
  readonly bucket = input.required<Bucket>();
  readonly contents = input.required<BucketContents>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly store = inject(StudioStore);
  private readonly units = inject(Units);
  protected readonly all = loaded(() => this.api.buckets());
  protected readonly pouring = deed();
  protected readonly toId = signal('');
  protected readonly millilitres = signal<number | null>(null);
  protected readonly others = computed(() => (this.all.value() ?? []).filter((one) => one.id !== this.bucket().id));
  private readonly target = computed(() => this.others().find((one) => one.id === this.toId()));
  protected readonly mixes = computed(() => {
    const target = this.target();
    return target !== undefined && target.contents !== null && target.recipeId !== this.bucket().recipeId;
  });
  /** What the other bucket becomes. */
  protected readonly becomes = computed(() => {
    const [target, takenMl] = [this.target(), this.millilitres()];
    if (!target || !takenMl) return '';
    const mixed = attempt(() => mergedContents(target.contents, splitBucket({ contents: this.contents(), takenMl })));
    if (mixed.kind === 'refused') return mixed.error.message;
    const { volumeMl, sg, stainPercent } = mixed.value;
    const stain = stainPercent > 0 ? `, ${this.units.percent(stainPercent)} stain` : '';
    const over = volumeMl > target.body.capacityMl ? ' That is more than it holds.' : '';
    return `${target.code} then holds ${this.units.litres(volumeMl)} at ${this.units.sg(sg)}${stain}.${over}`;
  });

  protected pour(): void {
    const takenMl = this.millilitres();
    if (!takenMl) return;
    const ids = { toId: this.toId() || null, scrapsId: uuid(), takenEventId: uuid(), filledEventId: uuid() };
    const pour = { ...ids, at: new Date().toISOString(), by: this.store.by(), takenMl };
    this.pouring.run(this.api.pourInto(this.bucket().id, pour), (into) => void this.router.navigate(['/bucket', into.id]));
  }
}
