import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import type { PiecePlan, PieceShape } from '@cazuela/core';
import { drag, type D3DragEvent } from 'd3-drag';
import { select } from 'd3-selection';
import { Units } from '../../../data/units';
import { PieceDrawing } from '../../../parts/piece-drawing/piece-drawing';
import { fitOf, frameOf, type Frame } from '../../../parts/piece-drawing/sheet';
import { PieceSection, viewBoxOf } from '../../../parts/piece-section';
import { edgeHandles, formHandles, round, type Handle } from './board-handles';
import { PieceDraft } from './piece-draft';

export type BoardMode = 'zones' | 'form';
const COARSE_STEP_MM = 5;
const RULER_PARTS = [1, 2, 5, 10, 20, 50, 100];
const INCH_MM = 25.4;

/** The piece on paper with what can be dragged on it: edges of its zones, or the points of its form. Every drag has its keys. */
@Component({
  selector: 'cz-piece-board',
  imports: [PieceSection],
  template: `
    <cz-piece-section
      [shape]="shape()"
      [plan]="plan()"
      [colours]="colours()"
      [names]="names()"
      [clay]="clay()"
      [made]="drawing()"
      [runToMm]="mode() === 'zones' ? runToMm() : undefined"
    />
    <svg
      #sheet
      class="hands"
      [attr.viewBox]="viewBox()"
      role="group"
      [attr.aria-label]="mode() === 'form' ? 'Points of the form' : 'Edges of the zones'"
    >
      @if (mode() === 'form') {
        <path class="mirror" [attr.d]="drawing().mirrored()" />
        @for (mark of ruler(); track mark.words) {
          <line class="rule" [attr.x1]="rulerX()" [attr.x2]="rulerX() + 8" [attr.y1]="mark.y" [attr.y2]="mark.y" />
          <text class="rule-text" [attr.x]="rulerX() - 3" [attr.y]="mark.y + 4">{{ mark.words }}</text>
        }
      }
      @for (handle of handles(); track handle.key) {
        <g
          class="hand"
          tabindex="0"
          role="slider"
          [attr.data-key]="handle.key"
          [attr.aria-label]="handle.words"
          [attr.aria-valuenow]="handle.heightMm"
          [attr.aria-valuemin]="0"
          [attr.aria-valuemax]="1200"
          [attr.aria-valuetext]="told(handle)"
          [attr.aria-orientation]="'vertical'"
          [class.chosen]="handle.key === chosen()"
          (focus)="choose(handle.key)"
          (keydown)="press($event, handle)"
        >
          @if (handle.looks === 'edge') {
            <line class="reach" x1="0" [attr.x2]="handle.x" [attr.y1]="handle.y" [attr.y2]="handle.y" />
            <line class="edge" x1="0" [attr.x2]="handle.x" [attr.y1]="handle.y" [attr.y2]="handle.y" />
            <path class="knob" [attr.d]="knob(handle.x, handle.y)" />
          } @else {
            <circle class="reach" r="16" [attr.cx]="handle.x" [attr.cy]="handle.y" />
            @if (handle.looks === 'corner') {
              <rect class="dot" width="12" height="12" [attr.x]="handle.x - 6" [attr.y]="handle.y - 6" />
            } @else {
              <circle class="dot" r="6.5" [class.joint]="handle.looks === 'grip'" [attr.cx]="handle.x" [attr.cy]="handle.y" />
            }
          }
          @if (handle.key === chosen()) {
            <text class="told" text-anchor="end" [attr.x]="handle.x - 14" [attr.y]="handle.y - 12">{{ told(handle) }}</text>
          }
        </g>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
      contain: layout paint;
    }
    cz-piece-section {
      display: block;
      height: 100%;
    }
    .hands {
      position: absolute;
      inset: 0;
      width: 100%;
      height: 100%;
      touch-action: pan-y;
    }
    .hand {
      cursor: ns-resize;
      touch-action: none;
      outline: none;
    }
    .reach {
      fill: transparent;
      stroke: transparent;
      stroke-width: 26;
    }
    .edge {
      stroke: var(--cobalt);
      stroke-width: 1.5;
      stroke-dasharray: 3 3;
    }
    .knob,
    .dot {
      fill: var(--paper);
      stroke: var(--cobalt);
      stroke-width: 2.5;
    }
    .joint {
      fill: var(--slip);
    }
    .chosen .knob,
    .chosen .dot,
    .hand:focus-visible .knob,
    .hand:focus-visible .dot {
      fill: var(--cobalt);
    }
    .hand:focus-visible .edge {
      stroke-width: 3;
    }
    .told {
      font: 650 14px var(--text);
      fill: var(--cobalt);
      paint-order: stroke;
      stroke: var(--kaolin);
      stroke-width: 4;
    }
    .mirror {
      fill: none;
      stroke: var(--cobalt);
      stroke-dasharray: 2 4;
    }
    .rule {
      stroke: var(--iron-wash);
    }
    .rule-text {
      font: 500 12px var(--figures);
      fill: var(--iron-wash);
      text-anchor: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceBoard {
  readonly shape = input.required<PieceShape>();
  readonly plan = input.required<PiecePlan>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly names = input<ReadonlyMap<string, string>>(new Map());
  readonly clay = input('#E4D8C2');
  readonly runToMm = input<number>();
  readonly mode = input.required<BoardMode>();
  /** Drags go by whole mm, or a sixteenth of an inch. */
  readonly snaps = input(true);
  readonly chosen = input<string>();
  readonly changed = output<Partial<PiecePlan>>();
  readonly chosenChange = output<string>();
  /** Delete and corner, at the point that has the focus. */
  readonly pointKey = output<{ at: number; key: 'delete' | 'corner' | 'add' }>();
  private readonly units = inject(Units);
  /** Told by itself: an event of the template would have the whole page checked at every move of a hand. */
  private readonly draft = inject(PieceDraft);
  private readonly sheet = viewChild.required<ElementRef<SVGSVGElement>>('sheet');
  /** The paper stays as it is while a hand drags. */
  private readonly still = signal<Frame | undefined>(undefined);
  protected readonly frame = computed(() => this.still() ?? frameOf(this.shape()));
  protected readonly drawing = computed(() => new PieceDrawing(this.shape(), this.plan(), this.colours(), this.names(), this.frame()));
  protected readonly viewBox = computed(() => viewBoxOf(this.drawing()));
  /** Of the frame alone: what hangs on it stays as it is while a hand drags. */
  private readonly fit = computed(() => fitOf(this.frame()));
  /** At the edge of the paper, where no label stands. */
  protected readonly rulerX = computed(() => -this.fit().halfWidth - 118);
  protected readonly handles = computed(() => {
    const drawing = this.drawing();
    const all = this.mode() === 'form' ? formHandles(this.plan()) : edgeHandles(this.plan(), this.shape());
    return all.map((handle) => {
      const isDot = handle.looks === 'point' || handle.looks === 'corner';
      const slab = this.shape().slabMm !== undefined;
      const x = isDot && !slab ? handle.radiusMm * drawing.fit.scale : drawing.halfWidthAt(handle.heightMm) + (handle.looks === 'edge' ? 8 : 0);
      return { ...handle, x, y: drawing.y(handle.heightMm) };
    });
  });
  protected readonly ruler = computed(() => {
    const { tallMm, scale } = this.fit();
    const inch = this.units.lengthUnit() === 'in';
    const whole = inch ? tallMm / INCH_MM : tallMm;
    const part = (inch ? [0.25, 0.5, 1, 2, 5] : RULER_PARTS).find((one) => whole / one <= 11) ?? RULER_PARTS.at(-1)!;
    return Array.from({ length: Math.floor(whole / part) + 1 }, (_, at) => ({
      words: String(at * part),
      y: (tallMm - at * part * (inch ? INCH_MM : 1)) * scale,
    }));
  });

  constructor() {
    const hand = drag<SVGGElement, unknown>()
      .container(() => this.sheet().nativeElement)
      .subject((event: D3DragEvent<SVGGElement, unknown, { x: number; y: number }>) => {
        const at = this.handles().find((one) => one.key === keyOf(event.sourceEvent as Event));
        // From the middle of what is held, so that it does not jump to the finger.
        return at ? { x: at.x, y: at.y, key: at.key } : { x: event.x, y: event.y };
      })
      .on('start', (event: D3DragEvent<SVGGElement, unknown, { key?: string }>) => {
        this.still.set(this.frame());
        if (event.subject.key) this.choose(event.subject.key);
      })
      .on('drag', (event: D3DragEvent<SVGGElement, unknown, { key?: string }>) => {
        const handle = this.handles().find((one) => one.key === event.subject.key);
        if (handle) this.draft.drag(handle.moved(this.onPaper(event.x, event.y, !(event.sourceEvent as MouseEvent).altKey)));
      })
      .on('end', () => {
        this.still.set(undefined);
        this.draft.drop();
      });
    const keys = computed(() =>
      this.handles()
        .map((handle) => handle.key)
        .join('|'),
    );
    // After new ones are on the paper; those that only moved are bound already.
    afterRenderEffect(() => {
      keys();
      select(this.sheet().nativeElement).selectAll<SVGGElement, unknown>('.hand').call(hand);
    });
  }

  protected choose(key: string): void {
    if (this.chosen() !== key) this.chosenChange.emit(key);
  }

  protected told({ heightMm, radiusMm, free }: Handle): string {
    const up = `${this.units.length(heightMm)} up`;
    return free ? `${this.units.length(2 * radiusMm)} across, ${up}` : up;
  }

  protected knob(x: number, y: number): string {
    return `M${x} ${y - 7}h14l7 7l-7 7h-14z`;
  }

  /** Arrows move by a millimetre, with Shift by five; C turns a point into a corner and back, Delete takes it away, + puts one after it. */
  protected press(event: KeyboardEvent, handle: Handle & { x: number }): void {
    const step = event.shiftKey ? COARSE_STEP_MM : 1;
    const moves: Record<string, [radius: number, height: number]> = {
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
      ArrowRight: [step, 0],
      ArrowLeft: [-step, 0],
      PageUp: [0, 2 * COARSE_STEP_MM],
      PageDown: [0, -2 * COARSE_STEP_MM],
    };
    const move = moves[event.key];
    const at = handle.key.startsWith('point ') ? Number(handle.key.slice(6)) : undefined;
    const does = ({ Delete: 'delete', c: 'corner', '+': 'add' } as const)[event.key];
    if (move)
      this.changed.emit(
        handle.moved({ radiusMm: round(Math.max(0, handle.radiusMm + move[0])), heightMm: round(Math.max(0, handle.heightMm + move[1])) }),
      );
    else if (does && at !== undefined) this.pointKey.emit({ at, key: does });
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  private onPaper(x: number, y: number, snapping: boolean): { radiusMm: number; heightMm: number } {
    const { scale, tallMm } = this.fit();
    const grid = !snapping || !this.snaps() ? 0.1 : this.units.lengthUnit() === 'in' ? INCH_MM / 16 : 1;
    const on = (mm: number): number => Math.max(0, Math.round(mm / grid) * grid);
    return { radiusMm: round(on(x / scale)), heightMm: round(on(tallMm - y / scale)) };
  }
}

const keyOf = (event: Event): string | null => (event.target as Element).closest('.hand')?.getAttribute('data-key') ?? null;
