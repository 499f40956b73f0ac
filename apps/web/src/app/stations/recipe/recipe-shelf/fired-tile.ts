import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { RecipeBody } from '@cazuela/contract';

/** How far the lower edge has run on the drawn tile, in its own units. */
const RUN: Readonly<Record<RecipeBody['movement'], number>> = { stays: 0, unknown: 2, moves: 5, runs: 12, pours: 20 };
const DRIPS = [0.2, 1, 0.35, 0.75, 0.15, 0.9, 0.4];

/** A test tile with this glaze on it: its colour, its shine, and how far its edge has run over the bare clay. */
@Component({
  selector: 'cz-fired-tile',
  template: `
    <svg viewBox="0 0 96 116" aria-hidden="true">
      <path class="clay" d="M8 4h80q4 0 4 4v100q0 4-4 4H8q-4 0-4-4V8q0-4 4-4zM48 10a4 4 0 1 0 .01 0z" fill-rule="evenodd" />
      <path [attr.d]="glaze()" [attr.fill]="colour()" />
      <path class="second" [attr.d]="second()" />
      @if (shine() > 0) {
        <path class="shine" [style.opacity]="shine()" d="M12 22L40 22L20 84L12 84z" />
      }
      @if (surface() === 'crystalline') {
        <path class="crystals" d="M26 40l6 3-6 3 1-6zM60 30l7 2-6 4zM70 62l6 2-5 4zM36 66l7 1-5 5zM54 50l5 3-6 2z" />
      }
      <path class="edge" d="M8 4h80q4 0 4 4v100q0 4-4 4H8q-4 0-4-4V8q0-4 4-4zM48 10a4 4 0 1 0 .01 0z" />
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }
    .clay {
      fill: #d6c3a2;
    }
    .second {
      fill: #1d1713;
      opacity: 0.09;
    }
    .shine {
      fill: #fff;
    }
    .crystals {
      fill: #fff;
      opacity: 0.5;
    }
    .edge {
      fill: none;
      stroke: var(--iron);
      stroke-width: 1.6;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiredTile {
  readonly colour = input.required<string>();
  readonly surface = input.required<RecipeBody['surface']>();
  readonly movement = input.required<RecipeBody['movement']>();
  protected readonly shine = computed(() => ({ gloss: 0.34, crystalline: 0.26, satin: 0.15, matt: 0, unknown: 0.08 })[this.surface()]);
  protected readonly glaze = computed(() => this.film(18, 84));
  /** The lower part was dipped twice: a glaze is judged on its thick end. */
  protected readonly second = computed(() => this.film(52, 84));

  private film(top: number, bottom: number): string {
    const run = RUN[this.movement()];
    const step = 87 / (DRIPS.length - 1);
    const edge = DRIPS.map((share, at) => {
      const [x, y] = [91.2 - at * step, bottom + share * run];
      const from = at === 0 ? '' : `Q${(x + step / 2).toFixed(1)} ${(bottom + 0.4 * share * run).toFixed(1)} `;
      return `${at === 0 ? 'L' : from}${x.toFixed(1)} ${y.toFixed(1)}`;
    }).join('');
    return `M4.8 ${top}L91.2 ${top}${edge}Z`;
  }
}
