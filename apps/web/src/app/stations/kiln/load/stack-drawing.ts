import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { halfSizeMm, lowestShelfMm, type KilnCard, type LoadPiece, type StackedShelf } from '@cazuela/core';
import type { PieceLook } from './shelf-board';

/** What is told beside a shelf of a load. */
export interface StackLabel {
  shelfId: string;
  name: string;
  figure: string;
  small: string;
  isWrong: boolean;
}

const WALL_MM = 45;
const LABEL_MM = 470;
const POST_MM = 34;
/** Labels do not lie on one another. */
const APART_MM = 130;

/** The kiln from the door, cut open, to scale: shelves on their posts, with the pieces as high and as wide as they are. A shelf is chosen by a tap. */
@Component({
  selector: 'cz-stack-drawing',
  template: `
    <svg [attr.viewBox]="view()" role="group" [attr.aria-label]="'The kiln from the door: ' + shelves().length + ' shelves'">
      <rect class="brick" [attr.x]="-wall" [attr.y]="-wall" [attr.width]="wide() + 2 * wall" [attr.height]="tall() + 2 * wall" rx="14" />
      <rect class="room" x="0" y="0" [attr.width]="wide()" [attr.height]="tall()" />
      @for (row of rows(); track row.id) {
        <g
          class="row"
          role="button"
          tabindex="0"
          [attr.aria-label]="row.label"
          [attr.aria-pressed]="row.id === chosen()"
          [class.chosen]="row.id === chosen()"
          [class.wrong]="row.isWrong"
          (click)="chose.emit(row.id)"
          (keydown.enter)="chose.emit(row.id)"
          (keydown.space)="chose.emit(row.id); $event.preventDefault()"
        >
          <rect class="touch" [attr.x]="row.x" [attr.y]="row.y - row.roomMm" [attr.width]="row.wide" [attr.height]="row.roomMm + thick()" />
          @for (piece of row.pieces; track piece.id) {
            <rect
              class="pot"
              [attr.x]="piece.x"
              [attr.y]="row.y - piece.tall"
              [attr.width]="piece.wide"
              [attr.height]="piece.tall"
              rx="9"
              [attr.fill]="piece.fill"
            />
          }
          @for (x of row.posts; track x) {
            <rect class="post" [attr.x]="x" [attr.y]="row.y - row.roomMm" [attr.width]="post" [attr.height]="row.roomMm" />
          }
          <rect class="shelf" [attr.x]="row.x" [attr.y]="row.y" [attr.width]="row.wide" [attr.height]="thick()" />
          <path class="lead" [attr.d]="'M' + (row.x + row.wide) + ' ' + (row.y + 8) + ' L' + (labelX() - 10) + ' ' + (row.labelY - 8)" />
          <text class="name" [attr.x]="labelX()" [attr.y]="row.labelY">{{ row.name }}</text>
          <text [attr.x]="labelX()" [attr.y]="row.labelY + 46">{{ row.figure }}</text>
          <text class="quiet" [attr.x]="labelX()" [attr.y]="row.labelY + 90">{{ row.small }}</text>
        </g>
      }
      @if (probeY(); as y) {
        <circle class="probe" cx="0" [attr.cy]="y" r="13" />
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-height: 32rem;
    }
    .brick {
      fill: var(--slip);
      stroke: var(--iron);
      stroke-width: 5;
    }
    .room {
      fill: var(--paper);
      stroke: var(--line);
      stroke-width: 3;
    }
    .row {
      cursor: pointer;
      outline: none;
    }
    .touch {
      fill: transparent;
    }
    .chosen .touch {
      fill: var(--kaolin);
    }
    .row:focus-visible .touch {
      stroke: var(--cobalt);
      stroke-width: 7;
    }
    .shelf {
      fill: var(--iron-wash);
    }
    .chosen .shelf {
      fill: var(--cobalt);
    }
    .wrong .shelf {
      fill: var(--oxblood);
    }
    .pot {
      stroke: var(--iron);
      stroke-width: 3;
      fill-opacity: 0.85;
    }
    .post {
      fill: var(--slip);
      stroke: var(--iron-wash);
      stroke-width: 2;
    }
    .lead {
      stroke: var(--line);
      stroke-width: 3;
    }
    .probe {
      fill: var(--oxblood);
    }
    text {
      font: 500 39px var(--text);
      fill: var(--iron);
    }
    .name {
      font: 700 42px var(--heading);
    }
    .chosen .name {
      fill: var(--cobalt);
    }
    .quiet {
      font-size: 35px;
      fill: var(--iron-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StackDrawing {
  readonly card = input.required<KilnCard>();
  readonly shelves = input.required<readonly StackedShelf[]>();
  readonly pieces = input.required<readonly LoadPiece[]>();
  readonly looks = input.required<ReadonlyMap<string, PieceLook>>();
  readonly labels = input.required<readonly StackLabel[]>();
  readonly thick = input(18);
  readonly chosen = input('');
  readonly chose = output<string>();
  protected readonly wall = WALL_MM;
  protected readonly post = POST_MM;
  protected readonly wide = computed(() => {
    const { chamber } = this.card();
    return chamber.kind === 'round' ? chamber.diameterMm : chamber.widthMm;
  });
  protected readonly tall = computed(() => this.card().chamber.heightMm);
  protected readonly labelX = computed(() => this.wide() + WALL_MM + 40);
  protected readonly view = computed(() => {
    const lowest = Math.max(this.tall() + WALL_MM, ...this.rows().map(({ labelY }) => labelY + 105));
    return `${-WALL_MM - 5} ${-WALL_MM - 5} ${this.labelX() + LABEL_MM + WALL_MM} ${lowest + WALL_MM + 10}`;
  });
  protected readonly probeY = computed(() => {
    const heightMm = this.card().thermocoupleMm;
    return heightMm === undefined ? undefined : this.tall() - heightMm;
  });
  private readonly byId = computed(() => new Map(this.pieces().map((piece) => [piece.id, piece])));
  protected readonly rows = computed(() => {
    const [lowestMm, wide] = [lowestShelfMm(this.card()), this.wide()];
    let above = -WALL_MM;
    // Labels from the top down: a shelf above pushes those below it.
    return [...this.shelves()]
      .sort((a, b) => b.fromMm - a.fromMm)
      .map((shelf) => {
        const label = this.labels().find(({ shelfId }) => shelfId === shelf.id);
        const y = this.tall() - lowestMm - shelf.fromMm;
        const labelY = Math.max(y - 20, above + APART_MM);
        above = labelY + 20;
        const [x, across] = shelf.side === undefined ? [10, wide - 20] : [shelf.side === 'left' ? 10 : wide / 2 + 5, wide / 2 - 15];
        const middle = x + across / 2;
        const toX = (xMm: number): number =>
          shelf.side !== undefined && this.card().chamber.kind === 'round' ? wide / 2 + (shelf.side === 'left' ? -xMm : xMm) : middle + xMm;
        return {
          id: shelf.id,
          x,
          wide: across,
          y,
          labelY,
          roomMm: Math.max(20, shelf.roomMm),
          posts: shelf.isTop ? [] : [x + 4, middle - POST_MM / 2, x + across - POST_MM - 4],
          pieces: this.standing(shelf, toX),
          name: label?.name ?? '',
          figure: label?.figure ?? '',
          small: label?.small ?? '',
          isWrong: label?.isWrong ?? false,
          label: `${label?.name ?? ''}: ${label?.figure ?? ''}, ${label?.small ?? ''}`,
        };
      });
  });

  /** Those at the back first: what stands before them hides them. */
  private standing(shelf: StackedShelf, toX: (xMm: number) => number): { id: string; x: number; wide: number; tall: number; fill: string }[] {
    return [...shelf.pieces]
      .sort((a, b) => a.yMm - b.yMm)
      .flatMap((place) => {
        const piece = this.byId().get(place.pieceId);
        if (!piece) return [];
        const [halfX] = halfSizeMm({ footprint: piece.footprint, isTurned: place.isTurned });
        const fill = this.looks().get(piece.id)?.fill ?? 'var(--kaolin)';
        return [{ id: piece.id, x: toX(place.xMm) - halfX, wide: 2 * halfX, tall: piece.heightMm, fill }];
      });
  }
}
