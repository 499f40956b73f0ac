import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ScaleFeed } from '../../../data/devices/scale-feed';

/** Weight of an empty bucket, g. */
const EMPTY_GRAMS = 700;
/** What a cup displaces, g. */
const PUSHED_ASIDE_GRAMS = 160;

/** Buttons for the practice scale under a bucket: dips, drips, a spill. It is simulated, and says so. */
@Component({
  selector: 'cz-practice-bucket',
  imports: [MatButton],
  template: `
    <p class="small quiet">This scale is a practice one, simulated by the server. Hands for it:</p>
    <div class="practice" role="group" aria-label="Hands at the practice scale">
      <button type="button" matButton="text" [disabled]="!feed.acceptsCommands()" (click)="stand()">Put the bucket on</button>
      <button type="button" matButton="text" [disabled]="!feed.acceptsCommands()" (click)="dip()">Dip a piece</button>
      <button type="button" matButton="text" [disabled]="!feed.acceptsCommands()" (click)="feed.send({ kind: 'put', grams: -6 * coatGrams() })">
        Spill some
      </button>
      <button type="button" matButton="text" [disabled]="!feed.acceptsCommands()" (click)="feed.send({ kind: 'put', grams: -(bucketGrams() + 500) })">
        Lift it off
      </button>
      <button type="button" matButton="text" [disabled]="!feed.acceptsCommands()" (click)="feed.send({ kind: 'put', grams: bucketGrams() + 500 })">
        Put it back
      </button>
    </div>
  `,
  styles: `
    .practice {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PracticeBucket {
  readonly bucketGrams = input.required<number>();
  readonly coatGrams = input.required<number>();
  protected readonly feed = inject(ScaleFeed);

  protected stand(): void {
    this.feed.send({ kind: 'clear' });
    this.feed.send({ kind: 'put', grams: this.bucketGrams() + EMPTY_GRAMS });
  }

  /** Under, held, out with its coat, and a little drips back. */
  protected dip(): void {
    const drip = 0.1 * this.coatGrams();
    this.feed.send({
      kind: 'script',
      steps: [
        { gramsPerSecond: PUSHED_ASIDE_GRAMS / 0.5, seconds: 0.5 },
        { gramsPerSecond: 2, seconds: 2 },
        { gramsPerSecond: -(PUSHED_ASIDE_GRAMS + 4 + this.coatGrams() + drip) / 0.5, seconds: 0.5 },
        { gramsPerSecond: drip / 3, seconds: 3 },
      ],
    });
  }
}
