import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { decimalsForDivision } from '@cazuela/core';

/** A scale as it stands on the bench: the larger it is, the wider; its display shows nothing, as finely as it can. */
@Component({
  selector: 'cz-scale-picture',
  template: `
    <svg viewBox="0 0 120 64" aria-hidden="true">
      <rect class="pan" [attr.x]="60 - half()" y="12" [attr.width]="2 * half()" height="5" rx="2.5" />
      <path class="neck" d="M54 17h12v9H54z" />
      <path class="case" [attr.d]="'M' + (60 - half() * 0.85) + ' 26h' + 1.7 * half() + 'l6 30h-' + (1.7 * half() + 12) + 'z'" />
      <rect class="display" [attr.x]="60 - half() * 0.72" y="33" [attr.width]="half() * 1.44" height="16" rx="2" />
      <text [attr.x]="60 + half() * 0.72 - 4" y="45">{{ zero() }}</text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 72px;
    }
    .pan,
    .neck {
      fill: var(--iron-wash);
    }
    .case {
      fill: var(--slip);
      stroke: var(--iron);
      stroke-width: 1.5;
      stroke-linejoin: round;
    }
    .display {
      fill: var(--copper-wash);
      stroke: var(--iron);
    }
    text {
      font: 600 11px var(--figures);
      fill: var(--iron);
      text-anchor: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScalePicture {
  readonly divisionGrams = input.required<number>();
  readonly capacityGrams = input.required<number>();
  /** Half the width of the pan: 300 g are small, 30 kg fill the picture. */
  protected readonly half = computed(() => 26 + 24 * Math.min(1, Math.max(0, Math.log10(Math.max(this.capacityGrams(), 1) / 300) / 2)));
  protected readonly zero = computed(() => (this.divisionGrams() > 0 ? (0).toFixed(Math.min(3, decimalsForDivision(this.divisionGrams()))) : '0'));
}
