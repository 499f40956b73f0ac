import { ChangeDetectionStrategy, ChangeDetectorRef, Component, computed, inject, input, untracked } from '@angular/core';
import type { PiecePlan, PieceShape } from '@cazuela/core';
import { PieceDrawing } from './piece-drawing/piece-drawing';

let counter = 0;

/** All that moves when the piece does. */
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
  template: `
    <svg
      [attr.viewBox]="viewBox()"
      role="img"
      [attr.aria-hidden]="small() ? true : null"
      [attr.preserveAspectRatio]="small() ? 'xMidYMax' : null"
      [attr.aria-label]="words()"
    >
      <defs>
        <pattern [attr.id]="waxId" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="8" height="8" class="wax-ground" />
          <line x1="0" y1="0" x2="0" y2="8" class="wax-line" />
        </pattern>
        <linearGradient [attr.id]="shadeId">
          <stop offset="0" stop-color="#000" stop-opacity="0" />
          <stop offset="1" stop-color="#000" stop-opacity=".28" />
        </linearGradient>
      </defs>
      @let lines = shown();
      @if (!small()) {
        <rect class="paper" x="-2000" y="-2000" width="4000" height="4000" />
        <line class="centre" x1="0" x2="0" [attr.y1]="-8" [attr.y2]="lines.fit.height + 22" />
      }
      <polygon [attr.points]="lines.outside" [attr.fill]="clay()" />
      @for (zone of lines.zones; track $index) {
        <polygon [attr.points]="zone.points" [attr.fill]="zone.colour" />
      }
      @for (coat of lines.coats; track $index) {
        <polyline class="coat" [attr.points]="coat.points" [attr.stroke]="coat.colour" [attr.stroke-width]="coat.width" />
      }
      <polygon class="wall" [attr.points]="lines.wall" />
      <polygon class="outline" [attr.points]="lines.outside" [attr.fill]="shade" />
      @if (lines.handle; as path) {
        <path class="handle-edge" [attr.d]="path.path" [attr.stroke-width]="path.width + 3" />
        <path class="handle" [attr.d]="path.path" [attr.stroke-width]="path.width" [attr.stroke]="handleColour()" />
      }
      @if (lines.runY; as y) {
        <line class="run" [attr.x1]="0" [attr.x2]="lines.fit.halfWidth + 24" [attr.y1]="y" [attr.y2]="y" />
        <text class="run-text" [attr.x]="lines.fit.halfWidth + 26" [attr.y]="y + 4">95 % run</text>
      }
      @for (label of lines.labels; track label.key) {
        <line class="lead" [attr.x1]="label.fromX" [attr.x2]="label.x" [attr.y1]="label.y" [attr.y2]="label.textY" />
        <circle class="dot" r="3" [attr.cx]="label.fromX" [attr.cy]="label.y" />
        <text class="zone" [attr.x]="label.textX" [attr.y]="label.textY - 3" [attr.text-anchor]="label.anchor">{{ label.what }}</text>
        <text class="coat-text" [attr.x]="label.textX" [attr.y]="label.textY + 13" [attr.text-anchor]="label.anchor">{{ label.how }}</text>
      }
      @if (!small()) {
        <line
          class="bar"
          [attr.x1]="-lines.fit.halfWidth"
          [attr.x2]="-lines.fit.halfWidth + 50 * lines.fit.scale"
          [attr.y1]="lines.fit.height + 24"
          [attr.y2]="lines.fit.height + 24"
        />
        <text class="bar-text" [attr.x]="-lines.fit.halfWidth" [attr.y]="lines.fit.height + 40">50 mm; coats drawn ten times as thick</text>
      }
    </svg>
  `,
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
      fill: var(--iron);
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
      font: 650 14px var(--text);
      fill: var(--iron);
    }
    .coat-text {
      font: 500 13px var(--text);
      fill: var(--iron-wash);
    }
    .run {
      stroke: var(--oxblood);
      stroke-width: 2;
      stroke-dasharray: 5 3;
    }
    .run-text {
      font: 650 13px var(--text);
      fill: var(--oxblood);
    }
    .bar {
      stroke: var(--iron);
      stroke-width: 2;
    }
    .bar-text {
      font: 500 13px var(--text);
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
  /** On a phone: as large as it can be, with nothing told beside it. */
  readonly narrow = input(false);
  /** Zones and coats told beside the drawing. */
  readonly labelled = input(true);
  /** Drawn already, for whatever lies over it: not made twice. */
  readonly made = input<PieceDrawing>();
  /** Height of the lower glaze edge after its 95 % run, mm above the shelf. */
  readonly runToMm = input<number>();
  /** Several pieces stand on one shelf: their patterns must not share a name. */
  private readonly number = ++counter;
  protected readonly shadeId = `shade-${this.number}`;
  protected readonly shade = `url(#${this.shadeId})`;
  protected readonly waxId = `wax-${this.number}`;

  private readonly view = inject(ChangeDetectorRef);
  private readonly drawing = computed(() => this.made() ?? new PieceDrawing(this.shape(), this.plan(), this.colours(), this.names()));
  protected readonly viewBox = computed(() => viewBoxOf(this.drawing(), this.small() ? 'small' : this.narrow() ? 'narrow' : 'labels'));
  private readonly lines = computed(() => this.linesOf(this.drawing(), this.runToMm()));
  private followed?: { since: Lines; lines: Lines };
  protected readonly handleColour = computed(() => {
    const top = this.plan().zones.outside.at(-1);
    return (top && this.colours().get(top.bucketId)) ?? this.clay();
  });
  protected readonly words = computed(() => {
    const { zones, waxFootMm } = this.plan();
    const count = (['inside', 'outside', 'rim', 'foot'] as const).map((zone) => `${zone} ${zones[zone].length}`).join(', ');
    const strips = (this.plan().strips ?? []).length;
    return `${this.shape().name} in section. Coats: ${count}.${strips > 0 ? ` Strips and panels: ${strips}.` : ''} Wax ${waxFootMm} mm up.`;
  });

  /** Under a moving hand, until the piece itself is told anew: drawn at once, and nothing else of the page is asked. */
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

/** Room beside and under a drawing: for labels, for a phone without them, or none to speak of on a shelf. */
const ROOMS = {
  labels: { left: 162, right: 162, above: 16, below: 50 },
  narrow: { left: 42, right: 88, above: 16, below: 50 },
  small: { left: 14, right: 14, above: 8, below: 8 },
} as const;

/** The sheet a drawing stands on, for whatever is laid over it. */
export function viewBoxOf(drawing: PieceDrawing, room: keyof typeof ROOMS): string {
  const { height, halfWidth } = drawing.fit;
  const { left, right, above, below } = ROOMS[room];
  return `${-halfWidth - left} ${-above} ${2 * halfWidth + left + right + drawing.gripOut()} ${height + above + below}`;
}
