import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { KilnChamber, KilnShelf } from '@cazuela/core';

/** What is told beside a shelf. */
export interface ShelfLabel {
  shelfId: string;
  figure: string;
  small: string;
  /** Against the middle of all shelves, °C: it is coloured by it. */
  warmth: number;
}

const HEIGHT = 300;
const WALL = 16;
const LEFT = 14;
const TOP = 14;
const WIDEST = 170;
/** Labels do not lie on one another. */
const LABEL_APART = 34;
/** As hot or cold as a colour gets, °C. */
const MOST_WARMTH = 20;

/** A kiln cut open from the side, to scale: its shelves where they stand, with what each of them saw. */
@Component({
  selector: 'cz-kiln-drawing',
  template: `
    <svg [attr.viewBox]="'0 0 ' + width() + ' ' + full()" role="img" [attr.aria-label]="told()">
      <rect class="brick" [attr.x]="left" [attr.y]="top" [attr.width]="inner() + 2 * wall" [attr.height]="tall + 2 * wall" rx="6" />
      <rect class="chamber" [attr.x]="left + wall" [attr.y]="top + wall" [attr.width]="inner()" [attr.height]="tall" />
      @for (shelf of rows(); track shelf.id) {
        <rect class="shelf" [attr.x]="left + wall + 4" [attr.y]="shelf.y" [attr.width]="inner() - 8" height="5" [attr.fill]="shelf.fill" />
        <path class="lead" [attr.d]="'M' + (left + wall + inner()) + ' ' + (shelf.y + 2) + ' L' + labelX() + ' ' + shelf.labelY" />
        <text [attr.x]="labelX() + 6" [attr.y]="shelf.labelY + 4" class="name">
          {{ shelf.name }}
          <tspan class="figure">{{ shelf.figure }}</tspan>
        </text>
        <text [attr.x]="labelX() + 6" [attr.y]="shelf.labelY + 19" class="quiet">{{ shelf.small }}</text>
      }
      @if (thermocoupleY(); as y) {
        <circle class="probe" [attr.cx]="left + wall" [attr.cy]="y" r="4" />
        <text [attr.x]="left + wall + 8" [attr.y]="y + 20" class="quiet">thermocouple</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 27rem;
    }
    .brick {
      fill: var(--slip);
      stroke: var(--iron);
      stroke-width: 2;
    }
    .chamber {
      fill: var(--paper);
      stroke: var(--line);
    }
    .lead {
      fill: none;
      stroke: var(--line);
    }
    .probe {
      fill: var(--oxblood);
    }
    text {
      fill: var(--iron);
      font: 600 13px var(--text);
    }
    .figure {
      font-weight: 500;
    }
    .quiet {
      fill: var(--iron-wash);
      font: 500 12.5px var(--text);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KilnDrawing {
  readonly chamber = input.required<KilnChamber>();
  readonly shelves = input.required<readonly KilnShelf[]>();
  readonly labels = input<readonly ShelfLabel[]>([]);
  readonly thermocoupleMm = input<number>();
  protected readonly left = LEFT;
  protected readonly top = TOP;
  protected readonly wall = WALL;
  protected readonly tall = HEIGHT;
  protected readonly full = computed(() => Math.max(HEIGHT + 2 * (WALL + TOP), ...this.rows().map(({ labelY }) => labelY + 30)));
  private readonly wide = computed(() => {
    const chamber = this.chamber();
    return chamber.kind === 'round' ? chamber.diameterMm : chamber.widthMm;
  });
  protected readonly inner = computed(() => Math.min(WIDEST, Math.max(60, (HEIGHT * this.wide()) / this.chamber().heightMm)));
  protected readonly labelX = computed(() => LEFT + 2 * WALL + this.inner() + 22);
  protected readonly width = computed(() => this.labelX() + 205);
  private readonly yOf = (heightMm: number): number => TOP + WALL + HEIGHT * (1 - heightMm / this.chamber().heightMm);
  protected readonly thermocoupleY = computed(() => {
    const heightMm = this.thermocoupleMm();
    return heightMm === undefined ? undefined : this.yOf(heightMm);
  });
  protected readonly rows = computed(() => {
    let lowest = TOP;
    return [...this.shelves()]
      .sort((a, b) => b.heightMm - a.heightMm)
      .map((shelf) => {
        const label = this.labels().find(({ shelfId }) => shelfId === shelf.id);
        const y = this.yOf(shelf.heightMm);
        const labelY = Math.max(y, lowest + LABEL_APART - 20);
        lowest = labelY + 20;
        return {
          ...shelf,
          y,
          labelY,
          figure: label?.figure ?? '',
          small: label?.small ?? `${Math.round(shelf.heightMm)} mm up`,
          fill: fillOf(label),
        };
      });
  });
  protected readonly told = computed(
    () =>
      `The kiln from the side: ${this.rows()
        .map(({ name, figure, small }) => `${name} ${figure} ${small}`)
        .join('; ')}`,
  );
}

/** From cold to hot, through the colour of a shelf. */
function fillOf(label: ShelfLabel | undefined): string {
  if (!label) return 'var(--iron)';
  const share = Math.min(1, Math.abs(label.warmth) / MOST_WARMTH);
  return `color-mix(in oklab, ${label.warmth > 0 ? 'var(--oxblood)' : 'var(--cobalt)'} ${Math.round(100 * share)}%, var(--iron))`;
}
