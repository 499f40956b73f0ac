import { ChangeDetectionStrategy, ChangeDetectorRef, Component, computed, inject, input, untracked } from '@angular/core';
import type { PiecePlan, PieceShape } from '@cazuela/core';
import { handleColourOf } from './piece-drawing/colours';
import { PieceDrawing } from './piece-drawing/piece-drawing';
import { fitOf, frameOf } from './piece-drawing/sheet';

let counter = 0;

/** Everything that moves with the piece. */
interface Lines {
  fit: PieceDrawing['fit'];
  outside: string;
  wall: string;
  zones: ReturnType<PieceDrawing['zones']>;
  coats: ReturnType<PieceDrawing['coats']>;
  handle: ReturnType<PieceDrawing['handle']>;
  labels: ReturnType<PieceDrawing['labels']>;
  runY: number | undefined;
}

/** A piece as archaeologists draw pots: section with its coats on the left, the outside with its zones on the right. */
@Component({
  selector: 'cz-piece-section',
  templateUrl: './piece-section.html',
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    // Of one size whatever is drawn on it: what grows has the layers of the whole page put together anew.
    .paper {
      fill: var(--kaolin);
    }
    .centre {
      stroke: var(--iron-wash);
      stroke-dasharray: 10 4 2 4;
    }
    .wall {
      fill: var(--cut);
    }
    .outline {
      stroke: var(--iron);
      stroke-width: 2.2;
    }
    .handle,
    .handle-edge {
      fill: none;
    }
    .handle-edge {
      stroke: var(--iron);
    }
    .coat {
      fill: none;
      stroke-linejoin: round;
    }
    .wax-ground {
      fill: var(--paper);
    }
    .wax-line {
      stroke: var(--iron-wash);
      stroke-width: 3;
    }
    .lead {
      stroke: var(--iron-wash);
    }
    .dot {
      fill: var(--iron);
    }
    .zone {
      font: 650 17px var(--text);
      fill: var(--iron);
    }
    .coat-text {
      font: 500 17px var(--text);
      fill: var(--iron-wash);
    }
    .run {
      stroke: var(--oxblood);
      stroke-width: 2;
      stroke-dasharray: 5 3;
    }
    .run-text {
      font: 650 17px var(--text);
      fill: var(--oxblood);
    }
    .bar {
      stroke: var(--iron);
      stroke-width: 2;
    }
    .bar-text {
      font: 500 17px var(--text);
      fill: var(--iron-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceSection {
  readonly shape = input.required<PieceShape>();
  readonly plan = input.required<PiecePlan>();
  /** Colour of each bucket. */
  readonly colours = input.required<ReadonlyMap<string, string>>();
  /** Name of each bucket, for the labels. */
  readonly names = input<ReadonlyMap<string, string>>(new Map());
  readonly clay = input('#E4D8C2');
  readonly small = input(false);
  /** On a phone: as large as possible, without labels beside it. */
  readonly narrow = input(false);
  /** Zones and coats told beside the drawing. */
  readonly labelled = input(true);
  /** A finished drawing, for whatever lies over it: it is not made twice. */
  readonly made = input<PieceDrawing>();
  /** Height of the lower glaze edge after its 95 % run, mm above the shelf. */
  readonly runToMm = input<number>();
  /** Several pieces are on one page: their patterns must not share a name. */
  private readonly number = ++counter;
  protected readonly shadeId = `shade-${this.number}`;
  protected readonly shade = `url(#${this.shadeId})`;
  protected readonly waxId = `wax-${this.number}`;

  private readonly view = inject(ChangeDetectorRef);
  private readonly drawing = computed(() => this.made() ?? new PieceDrawing(this.shape(), this.plan(), this.colours(), this.names()));
  protected readonly viewBox = computed(() => viewBoxOf(this.drawing(), this.small() ? 'small' : this.narrow() ? 'narrow' : 'labels'));
  private readonly lines = computed(() => this.linesOf(this.drawing(), this.runToMm()));
  private followed?: { since: Lines; lines: Lines };
  protected readonly handleColour = computed(() => handleColourOf(this.plan(), this.colours(), this.clay()));
  protected readonly words = computed(() => {
    const { zones, waxFootMm } = this.plan();
    const count = (['inside', 'outside', 'rim', 'foot'] as const).map((zone) => `${zone} ${zones[zone].length}`).join(', ');
    const strips = (this.plan().strips ?? []).length;
    return `${this.shape().name} in section. Coats: ${count}.${strips > 0 ? ` Strips and panels: ${strips}.` : ''} Wax ${waxFootMm} mm up.`;
  });

  /** The piece during a drag, until it is set anew: drawn at once, without change detection for the rest of the page. */
  follow(drawing: PieceDrawing, runToMm: number | undefined): void {
    this.followed = { since: untracked(this.lines), lines: untracked(() => this.linesOf(drawing, runToMm)) };
    this.view.detectChanges();
  }

  protected shown(): Lines {
    const lines = this.lines();
    return this.followed?.since === lines ? this.followed.lines : lines;
  }

  private linesOf(drawing: PieceDrawing, runToMm: number | undefined): Lines {
    return {
      fit: drawing.fit,
      outside: drawing.outside(),
      wall: drawing.wall(),
      zones: drawing.zones(`url(#${this.waxId})`),
      coats: drawing.coats(),
      handle: drawing.handle(),
      labels: this.small() || this.narrow() || !this.labelled() ? [] : drawing.labels(),
      runY: runToMm === undefined || this.small() ? undefined : drawing.y(Math.max(0, runToMm)),
    };
  }
}

/** Room beside and under a drawing: for labels, for a phone without them, or hardly any in a list. */
const ROOMS = {
  labels: { left: 212, right: 206, above: 16, below: 50 },
  narrow: { left: 42, right: 118, above: 16, below: 50 },
  small: { left: 14, right: 14, above: 8, below: 8 },
} as const;

/** The sheet of the drawing, for whatever is laid over it. */
export function viewBoxOf(drawing: PieceDrawing, room: keyof typeof ROOMS): string {
  const { height, halfWidth } = drawing.fit;
  const { left, right, above, below } = ROOMS[room];
  return `${-halfWidth - left} ${-above} ${2 * halfWidth + left + right + drawing.gripOut()} ${height + above + below}`;
}

/** Returns how large a small drawing of this form is in a box of so many pixels, in pixels for each mm of the piece. */
export function pixelsPerMm(shape: PieceShape, box: { width: number; height: number }): number {
  const { scale, height, halfWidth } = fitOf(frameOf(shape));
  const { left, right, above, below } = ROOMS.small;
  return scale * Math.min(box.width / (2 * halfWidth + left + right), box.height / (height + above + below));
}
