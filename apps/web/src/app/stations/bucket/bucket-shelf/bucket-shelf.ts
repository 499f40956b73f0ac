import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { loaded } from '../../../data/load';
import { StudioApi } from '../../../data/studio-api';
import { BucketRow } from '../../../parts/bucket-row';
import { Coming } from '../../../parts/coming';
import { Says } from '../../../parts/says';

@Component({
  selector: 'cz-bucket-shelf',
  imports: [BucketRow, RouterLink, Coming, Says],
  template: `
    <div class="page">
      <div class="spread">
        <h1>Buckets</h1>
        <div class="row">
          <label
            ><span class="visually-hidden">Show buckets called</span
            ><input type="search" placeholder="name or code" [value]="filter()" (input)="type($event)"
          /></label>
          <a class="press" routerLink="/weigh">Weigh a new one</a>
        </div>
      </div>
      <cz-says [failure]="all.failure()" (again)="all.reload()" />
      @if (!all.value() && !all.failure()) {
        <cz-coming />
      }
      @if (shown(); as buckets) {
        @if (buckets.length > 0) {
          <cz-bucket-row [buckets]="buckets" />
        } @else {
          <p>{{ filter() ? 'No bucket is called that.' : 'No bucket yet. Weigh a batch, and it becomes one.' }}</p>
        }
      }
    </div>
  `,
  styles: `
    cz-bucket-row {
      margin-top: 1.4rem;
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketShelf {
  private readonly api = inject(StudioApi);
  protected readonly all = loaded(() => this.api.buckets());
  protected readonly filter = signal('');
  protected readonly shown = computed(() => {
    const text = this.filter().trim().toLowerCase();
    return this.all.value()?.filter((bucket) => bucket.body.name.toLowerCase().includes(text) || bucket.code.toLowerCase() === text);
  });

  protected type(event: Event): void {
    this.filter.set((event.target as HTMLInputElement).value);
  }
}
