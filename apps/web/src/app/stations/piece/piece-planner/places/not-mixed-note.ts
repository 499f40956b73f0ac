import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { BucketSummary } from '@cazuela/contract';

/** Glazes of the plan that stand in no bucket yet: what their figures rest on, and the batch that is enough for these pieces. */
@Component({
  selector: 'cz-not-mixed-note',
  imports: [MatButton, RouterLink],
  template: `
    @for (glaze of notMixed(); track glaze.id) {
      <p class="look">
        {{ glaze.body.name }} is not mixed yet: reckoned as its recipe says, at SG {{ glaze.contents!.sg.toFixed(2) }}.
        <a matButton="outlined" routerLink="/weigh" [queryParams]="{ recipe: glaze.id, piece: pieceId(), pieceCount: count() }"
          >Weigh enough for these pieces</a
        >
      </p>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NotMixedNote {
  readonly pieceId = input.required<string>();
  readonly count = input.required<number>();
  readonly buckets = input.required<readonly BucketSummary[]>();
  /** What stands in a bucket has a code. */
  protected readonly notMixed = computed(() => this.buckets().filter((glaze) => glaze.code === ''));
}
