import { ChangeDetectionStrategy, Component, computed, type ElementRef, input, output, signal, viewChild } from '@angular/core';
import { shapeOf, type PiecePlan, type SeenFault } from '@cazuela/core';
import { PieceDrawing } from '../../../parts/piece-drawing/piece-drawing';
import { PieceSection, viewBoxOf } from '../../../parts/piece-section';

/** A line of glaze is dragged by a finger: it is taken within so much of it, in drawing units. */
const GRIP = 22;

/** Where on a piece somebody pointed. */
export interface PointedAt {
  where: SeenFault['where'];
  at: { across: number; up: number };
}

/** A fired piece by its plan: a tap says where a fault is, and the lower edge of its glaze is dragged down to where it ended. */
@Component({
  selector: 'cz-fired-piece',
  imports: [PieceSection],
  template: `
    <cz-piece-section [shape]="shape()" [plan]="plan()" [colours]="colours()" [clay]="clay()" [made]="drawing()" [narrow]="true" />
    <svg
      #board
      class="over"
      [attr.viewBox]="viewBox()"
      [class.pointing]="isPointing()"
      (pointerdown)="down($event)"
      (pointermove)="drag($event)"
      (pointerup)="drop()"
      (pointercancel)="held.set(undefined)"
    >
      @for (mark of marks(); track $index) {
        <g [attr.transform]="'translate(' + mark.x + ' ' + mark.y + ')'">
          <circle class="mark" r="11" />
          <text class="letter" y="5">{{ mark.letter }}</text>
        </g>
      }
      <g
        class="edge"
        role="slider"
        tabindex="0"
        aria-label="How far its glaze ran, mm"
        aria-orientation="vertical"
        [attr.aria-valuenow]="shownMm()"
        aria-valuemin="0"
        [attr.aria-valuemax]="mostMm()"
        [attr.aria-valuetext]="shownMm() + ' mm'"
        (keydown)="key($event)"
      >
        <line class="was" x1="0" [attr.x2]="halfWidth()" [attr.y1]="edgeY()" [attr.y2]="edgeY()" />
        <line class="now" x1="0" [attr.x2]="halfWidth() + 16" [attr.y1]="nowY()" [attr.y2]="nowY()" />
        <circle class="grip" r="9" [attr.cx]="halfWidth() + 16" [attr.cy]="nowY()" />
        <text class="ran" [attr.x]="halfWidth() + 30" [attr.y]="nowY() + 5">{{ shownMm() > 0 ? 'ran ' + shownMm() + ' mm' : 'ran?' }}</text>
      </g>
    </svg>
  `,
  styles: `
    :host {
      display: grid;
      position: relative;
      height: 100%;
      > * {
        grid-area: 1 / 1;
        min-height: 0;
      }
    }
    .over {
      width: 100%;
      height: 100%;
      touch-action: none;
    }
    .pointing {
      cursor: crosshair;
    }
    .mark {
      fill: var(--oxblood);
      stroke: var(--paper);
      stroke-width: 2;
    }
    .letter {
      font: 700 15px var(--text);
      fill: var(--paper);
      text-anchor: middle;
    }
    .edge {
      cursor: ns-resize;
      outline: none;
    }
    .was {
      stroke: var(--iron-wash);
      stroke-dasharray: 4 4;
    }
    .now {
      stroke: var(--oxblood);
      stroke-width: 2;
    }
    .grip {
      fill: var(--paper);
      stroke: var(--cobalt);
      stroke-width: 3;
    }
    .edge:focus-visible .grip {
      fill: var(--cobalt);
    }
    .ran {
      font: 650 15px var(--text);
      fill: var(--iron);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiredPiece {
  readonly plan = input.required<PiecePlan>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly clay = input('#E4D8C2');
  readonly faults = input<readonly SeenFault[]>([]);
  readonly ranMm = input<number | undefined>();
  /** A fault waits for its place. */
  readonly isPointing = input(false);
  readonly pointed = output<PointedAt>();
  readonly ran = output<number>();
  private readonly board = viewChild.required<ElementRef<SVGSVGElement>>('board');
  /** The edge in the hand, mm that it ran. */
  protected readonly held = signal<number | undefined>(undefined);
  protected readonly shape = computed(() => shapeOf(this.plan()));
  protected readonly drawing = computed(() => new PieceDrawing(this.shape(), this.plan(), this.colours(), new Map()));
  protected readonly viewBox = computed(() => viewBoxOf(this.drawing(), 'narrow'));
  /** Where the glaze ended when it was put on, mm over the shelf. */
  private readonly edgeMm = computed(() => this.plan().waxFootMm);
  /** It may have run over the foot and down what the piece stood on. */
  protected readonly mostMm = computed(() => Math.round(this.edgeMm() + this.drawing().fit.tallMm));
  protected readonly shownMm = computed(() => Math.round(this.held() ?? this.ranMm() ?? 0));
  protected readonly edgeY = computed(() => this.drawing().y(this.edgeMm()));
  protected readonly nowY = computed(() => this.drawing().y(Math.max(-6, this.edgeMm() - this.shownMm())));
  protected readonly halfWidth = computed(() => this.drawing().halfWidthAt(Math.max(0, this.edgeMm() - this.shownMm())));
  protected readonly marks = computed(() =>
    this.faults().flatMap(({ fault, at }) => {
      if (!at) return [];
      const { tallMm, halfWidth } = this.drawing().fit;
      return [{ x: at.across * halfWidth, y: this.drawing().y(at.up * tallMm), letter: fault.charAt(0).toUpperCase() }];
    }),
  );

  protected down(event: PointerEvent): void {
    const { x, y } = this.pointAt(event);
    if (x > 0 && Math.abs(y - this.nowY()) < GRIP && Math.abs(x - this.halfWidth() - 16) < 2 * GRIP) {
      this.board().nativeElement.setPointerCapture?.(event.pointerId);
      this.held.set(this.shownMm());
      return;
    }
    if (this.isPointing()) this.pointed.emit(this.placeAt(x, y));
  }

  protected drag(event: PointerEvent): void {
    if (this.held() === undefined) return;
    const { fit } = this.drawing();
    const heightMm = fit.tallMm - this.pointAt(event).y / fit.scale;
    this.held.set(this.within(this.edgeMm() - heightMm));
  }

  protected drop(): void {
    const mm = this.held();
    this.held.set(undefined);
    if (mm !== undefined) this.ran.emit(Math.round(mm));
  }

  protected key(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1, PageDown: 5, PageUp: -5 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    this.ran.emit(this.within(this.shownMm() + by));
  }

  private within(mm: number): number {
    return Math.min(this.mostMm(), Math.max(0, mm));
  }

  /** The left half of the drawing is the section: what is tapped there is inside. */
  private placeAt(x: number, y: number): PointedAt {
    const { fit } = this.drawing();
    const heightMm = fit.tallMm - y / fit.scale;
    const at = { across: clamp(x / fit.halfWidth, -1.2, 1.2), up: clamp(heightMm / fit.tallMm, -0.1, 1.1) };
    if (heightMm >= fit.tallMm - this.plan().rimBandMm && this.plan().rimBandMm > 0) return { where: 'rim', at };
    if (heightMm <= this.edgeMm()) return { where: 'foot', at };
    return { where: x < 0 ? 'inside' : 'outside', at };
  }

  private pointAt(event: PointerEvent): { x: number; y: number } {
    const svg = this.board().nativeElement;
    const matrix = svg.getScreenCTM?.();
    if (!matrix) return { x: 0, y: 0 };
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { x: point.x, y: point.y };
  }
}

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
