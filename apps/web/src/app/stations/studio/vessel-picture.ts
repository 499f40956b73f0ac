import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** More marks than this would be a grey wall. */
const MOST_MARKS = 24;
const [TOP, BOTTOM] = [10, 60];

/** A vessel for SG, filled to its mark: narrow with close marks reads finer than wide with few. */
@Component({
  selector: 'cz-vessel-picture',
  template: `
    <svg viewBox="0 0 120 64" aria-hidden="true">
      <rect class="glaze" [attr.x]="60 - half()" y="14" [attr.width]="2 * half()" height="46" />
      <path class="glass" [attr.d]="'M' + (60 - half()) + ' 4V60H' + (60 + half()) + 'V4'" />
      @for (y of marks(); track $index) {
        <line [attr.x1]="60 + half()" [attr.x2]="60 + half() - ($index === 0 ? 14 : 7)" [attr.y1]="y" [attr.y2]="y" />
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 72px;
    }
    .glaze {
      fill: var(--shelf);
      opacity: 0.55;
    }
    .glass {
      fill: none;
      stroke: var(--iron);
      stroke-width: 1.8;
      stroke-linejoin: round;
    }
    line {
      stroke: var(--iron);
      stroke-width: 1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VesselPicture {
  readonly volumeMl = input.required<number>();
  readonly markMl = input.required<number>();
  /** How far its marks stand apart decides how wide it is drawn. */
  protected readonly half = computed(() => 10 + 24 * Math.min(1, Math.max(0, this.volumeMl() - 50) / 500));
  protected readonly marks = computed(() => {
    const count = this.markMl() > 0 ? Math.min(MOST_MARKS, Math.max(1, Math.round(this.volumeMl() / this.markMl() / 4))) : 1;
    return Array.from({ length: count }, (_, at) => TOP + 4 + ((BOTTOM - TOP - 4) * at) / count);
  });
}
