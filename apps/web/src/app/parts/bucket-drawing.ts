import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { rangeVerdict, type RangeVerdict } from '@cazuela/core';

const VERDICT_WORDS: Record<RangeVerdict, string> = {
  inRange: 'in range',
  tooThick: 'too thick',
  tooThin: 'too thin',
  unsure: 'nearly: measure again',
  unmeasured: 'not measured',
};
const VERDICT_TONES: Record<RangeVerdict, 'good' | 'look' | 'stop' | 'quiet'> = {
  inRange: 'good',
  tooThick: 'stop',
  tooThin: 'stop',
  unsure: 'look',
  unmeasured: 'quiet',
};

export const verdictWords = (verdict: RangeVerdict): string => VERDICT_WORDS[verdict];
export const verdictTone = (verdict: RangeVerdict): string => VERDICT_TONES[verdict];

export interface DrawnBucket {
  name: string;
  colour: string;
  capacityMl: number;
  sgLow: number;
  sgHigh: number;
  volumeMl?: number | undefined;
  sg?: number | undefined;
  sgSd?: number | undefined;
}

/** Inside of the drawn vessel, in its own units. */
const TOP = 16;
const BOTTOM = 146;
const HALF_TOP = 56;
const HALF_BOTTOM = 47;

/** A bucket drawn as a vessel, filled to its level, with its SG on a scale at its side. */
@Component({
  selector: 'cz-bucket-drawing',
  template: `
    <svg viewBox="0 0 150 156" role="img" [attr.aria-label]="spoken()">
      @if (level() > 0) {
        <path [attr.d]="glaze()" [attr.fill]="bucket().colour" />
        <ellipse cx="60" [attr.cy]="surfaceY()" [attr.rx]="halfAt(surfaceY())" ry="7" [attr.fill]="bucket().colour" />
        <ellipse cx="60" [attr.cy]="surfaceY()" [attr.rx]="halfAt(surfaceY())" ry="7" class="surface" />
      }
      <path class="wall" d="M4 16 L13 146 Q60 155 107 146 L116 16" />
      <ellipse class="wall" cx="60" cy="16" rx="56" ry="8" />
      <line class="scale" x1="134" x2="134" y1="26" y2="142" />
      <rect class="wanted" x="130" width="8" [attr.y]="scaleY(bucket().sgHigh)" [attr.height]="scaleY(bucket().sgLow) - scaleY(bucket().sgHigh)" />
      @if (markY(); as y) {
        <line [class]="'mark ' + tone()" x1="124" x2="144" [attr.y1]="y" [attr.y2]="y" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
    }
    .wall {
      fill: none;
      stroke: var(--iron);
      stroke-width: 2.4;
    }
    .surface {
      fill: rgb(255 255 255 / 14%);
      stroke: rgb(0 0 0 / 18%);
    }
    .scale {
      stroke: var(--iron-wash);
      stroke-width: 1.6;
    }
    .wanted {
      fill: var(--copper);
      opacity: 0.4;
    }
    .mark {
      stroke-width: 4.5;
      stroke-linecap: round;
      stroke: var(--iron-wash);
    }
    .mark.good {
      stroke: var(--copper);
    }
    .mark.stop {
      stroke: var(--oxblood);
    }
    .mark.look {
      stroke: var(--rutile);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketDrawing {
  readonly bucket = input.required<DrawnBucket>();
  protected readonly level = computed(() => Math.min(1, (this.bucket().volumeMl ?? 0) / this.bucket().capacityMl));
  protected readonly surfaceY = computed(() => BOTTOM - (BOTTOM - TOP - 6) * this.level());
  protected readonly verdict = computed(() => {
    const { sg, sgSd, sgLow, sgHigh } = this.bucket();
    return sg === undefined ? 'unmeasured' : rangeVerdict({ sg, sgSd, lowSg: sgLow, highSg: sgHigh });
  });
  protected readonly tone = computed(() => VERDICT_TONES[this.verdict()]);
  protected readonly markY = computed(() =>
    this.bucket().sg === undefined ? undefined : Math.min(142, Math.max(26, this.scaleY(this.bucket().sg!))),
  );
  protected readonly glaze = computed(() => {
    const y = this.surfaceY();
    const half = this.halfAt(y);
    return `M${60 - half} ${y} L${60 - HALF_BOTTOM} ${BOTTOM} Q60 155 ${60 + HALF_BOTTOM} ${BOTTOM} L${60 + half} ${y} Z`;
  });
  protected readonly spoken = computed(() => `${this.bucket().name}: ${Math.round(this.level() * 100)} % full, ${VERDICT_WORDS[this.verdict()]}`);

  protected halfAt(y: number): number {
    return HALF_BOTTOM + ((HALF_TOP - HALF_BOTTOM) * (BOTTOM - y)) / (BOTTOM - TOP);
  }

  /** The scale shows the range in its middle and three times its width above and below. */
  protected scaleY(sg: number): number {
    const { sgLow, sgHigh } = this.bucket();
    const middle = (sgLow + sgHigh) / 2;
    const span = (sgHigh - sgLow) * 6;
    return 84 - ((sg - middle) / span) * 116;
  }
}
