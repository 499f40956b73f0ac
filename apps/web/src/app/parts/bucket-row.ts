import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { BucketSummary } from '@cazuela/contract';
import { Card, CardGrid } from '../ui/card-grid';
import { BucketCard } from './bucket-card';

/** Room for a card with all it can say, px. */
const CARD_PX = 400;

/** Buckets on the shelf, in the order of the list. */
@Component({
  selector: 'cz-bucket-row',
  imports: [BucketCard, Card, CardGrid],
  template: `
    <cz-card-grid label="Buckets" [leastPx]="148" [rowPx]="cardPx">
      <ng-template czCard [of]="buckets()" let-bucket><cz-bucket-card [bucket]="bucket" /></ng-template>
    </cz-card-grid>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketRow {
  readonly buckets = input.required<readonly BucketSummary[]>();
  protected readonly cardPx = CARD_PX;
}
