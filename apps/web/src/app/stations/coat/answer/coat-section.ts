import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { CoatWindow } from '@cazuela/core';
import { Units } from '../../../data/units/units';

const SURFACE_Y = 236;
const HEIGHT = 300;
/** Room above the thickest thing that is drawn. */
const HEADROOM = 1.18;
const WAVE = [0, 1.5, -1, 2, 0.5, -1.5, 1, 0];

/** The wall, the coat on it and the window it should lie in, in section and all at one scale: the clay below, the glaze standing on it. */
@Component({
  selector: 'cz-coat-section',
  template: `
    <svg viewBox="0 0 220 300" role="img" [attr.aria-label]="words()">
      <rect class="clay" x="0" [attr.y]="surfaceY" width="150" [attr.height]="height - surfaceY" [attr.fill]="clay()" />
      <path class="grit" d="M14 258h3M48 272h4M77 254h3M104 280h4M130 262h3M30 288h3M62 290h4M92 266h3M120 294h3M140 276h3" />
      <path class="glaze" [attr.d]="coatPath()" [attr.fill]="colour()" />
      @if (band(); as between) {
        <rect class="band" x="0" [attr.y]="between.y" width="150" [attr.height]="between.height" />
      }
      @if (right(); as within) {
        <path class="right" [attr.d]="within.d" />
        <text class="look" x="166" [attr.y]="within.y">right</text>
        <text class="quiet" x="166" [attr.y]="within.thickY">thick</text>
        <text class="quiet" x="166" [attr.y]="within.thinY">thin</text>
      }
      <line class="surface" x1="0" x2="150" [attr.y1]="surfaceY" [attr.y2]="surfaceY" />
      <text class="figure" x="75" [attr.y]="coatTextY()">{{ units.coat(coatMm()) }}</text>
      <text class="wall" x="75" y="278">wall {{ units.length(wallMm()) }}</text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    .clay {
      stroke: none;
    }
    .grit {
      stroke: var(--iron);
      stroke-width: 1.5;
      opacity: 0.35;
    }
    .glaze {
      stroke: var(--iron);
      stroke-width: 1.6;
      stroke-linejoin: round;
    }
    .band {
      fill: var(--cobalt);
      opacity: 0.22;
    }
    .surface {
      stroke: var(--iron);
      stroke-width: 1.6;
    }
    .right {
      fill: none;
      stroke: var(--copper);
      stroke-width: 2.5;
    }
    text {
      font: 600 13px var(--text);
      fill: var(--iron);
    }
    .figure,
    .wall {
      text-anchor: middle;
      paint-order: stroke;
      stroke: var(--paper);
      stroke-width: 4px;
      stroke-linejoin: round;
    }
    .figure {
      font: 600 16px var(--figures);
    }
    .look {
      fill: var(--copper);
    }
    .quiet {
      fill: var(--iron-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CoatSection {
  readonly coatMm = input.required<number>();
  readonly lowMm = input<number>();
  readonly highMm = input<number>();
  readonly window = input<CoatWindow>();
  readonly wallMm = input.required<number>();
  /** Of the glaze and of the clay. */
  readonly colour = input.required<string>();
  readonly clay = input.required<string>();
  protected readonly units = inject(Units);
  protected readonly surfaceY = SURFACE_Y;
  protected readonly height = HEIGHT;

  private readonly perMm = computed(
    () => (SURFACE_Y - 14) / (HEADROOM * Math.max(0.2, this.coatMm(), this.highMm() ?? 0, this.window()?.thickMm ?? 0)),
  );
  private y(mm: number): number {
    return SURFACE_Y - mm * this.perMm();
  }
  protected readonly coatPath = computed(() => {
    const top = this.y(this.coatMm());
    const edge = WAVE.map((wave, at) => `L${((150 / (WAVE.length - 1)) * at).toFixed(1)} ${(top + wave).toFixed(1)}`).join('');
    return `M0 ${SURFACE_Y}${edge}L150 ${SURFACE_Y}Z`;
  });
  protected readonly coatTextY = computed(() => Math.min(SURFACE_Y - 8, this.y(this.coatMm() / 2) + 6));
  protected readonly band = computed(() => {
    const [low, high] = [this.lowMm(), this.highMm()];
    return low === undefined || high === undefined ? undefined : { y: this.y(high), height: this.y(low) - this.y(high) };
  });
  protected readonly right = computed(() => {
    const window = this.window();
    if (!window) return undefined;
    const [thick, thin] = [this.y(window.thickMm), this.y(window.thinMm)];
    return {
      d: `M152 ${thick.toFixed(1)}h8V${thin.toFixed(1)}h-8`,
      y: (thick + thin) / 2 + 4,
      thickY: Math.max(12, thick - 6),
      thinY: Math.min(SURFACE_Y, thin + 16),
    };
  });
  protected readonly words = computed(() => {
    const window = this.window();
    return `The wall in section: ${this.units.coat(this.coatMm())} of glaze on ${this.units.length(this.wallMm())} of clay${
      window ? `; right from ${this.units.coat(window.thinMm)} to ${this.units.coat(window.thickMm)}` : ''
    }.`;
  });
}
