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
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { PiecePlan, PieceShape } from '@cazuela/core';
import { drag, type D3DragEvent } from 'd3-drag';
import { select } from 'd3-selection';
import { Units } from '../../../../data/units/units';
import { PieceDrawing } from '../../../../parts/piece-drawing/piece-drawing';
import { fitOf, frameOf, type Frame } from '../../../../parts/piece-drawing/sheet';
import { PieceSection, viewBoxOf } from '../../../../parts/piece-section';
import { edgeHandles, formHandles, isSamePlace, round, sideHandles, type Handle, type Place } from './board-handles';
import { markOf } from './board-marks';
import { BoardPaper, INCH_MM, nearest, rulerMarks, type PlacedHandle } from './board-paper';
import { leaveField } from '../../../../ui/leave-field';
import { dragView } from '../draft/drag-view';
import { PieceDraft } from '../draft/piece-draft';

export type BoardMode = 'zones' | 'form';
/** Distance of the ruler from the piece, on the paper. */
const RULER_BESIDE = 14;
const COARSE_STEP_MM = 5;
const FINE_MM = 0.1;
const MOST_LENGTHS = 500;

interface Sight {
  drawing: PieceDrawing;
  paper: BoardPaper;
  handles: PlacedHandle[];
}

/**
 * The piece on paper with handles: edges of its zones, or the points of its form. Every drag can be done by keys. It is as large as it can be: what
 * lies where is told in the list of places.
 */
@Component({
  selector: 'cz-piece-board',
  imports: [PieceSection],
  templateUrl: './piece-board.html',
  styleUrl: './piece-board.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceBoard {
  readonly shape = input.required<PieceShape>();
  readonly plan = input.required<PiecePlan>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly names = input<ReadonlyMap<string, string>>(new Map());
  readonly clay = input('#E4D8C2');
  readonly runToMm = input<number>();
  /** The same during a drag. */
  readonly movedRunToMm = input<() => number | undefined>();
  readonly mode = input.required<BoardMode>();
  /** Drags snap to whole mm, or a sixteenth of an inch. */
  readonly snaps = input(true);
  /** Which share of the turn is in front, so that every panel can be brought there. */
  readonly turned = input(0);
  readonly chosen = input<string>();
  readonly changed = output<Partial<PiecePlan>>();
  readonly chosenChange = output<string>();
  /** A place of the plan that was tapped. */
  readonly placeTapped = output<string>();
  /** Delete and corner, at the point that has the focus. */
  readonly pointKey = output<{ at: number; key: 'delete' | 'corner' | 'add' }>();
  private readonly units = inject(Units);
  private readonly lengths = new Map<string, string>();
  /** A listener of its own: an event binding in the template would run change detection for the whole page on every move. */
  private readonly draft = inject(PieceDraft);
  private readonly section = viewChild.required(PieceSection);
  private readonly sheet = viewChild.required<ElementRef<SVGSVGElement>>('sheet');
  /** The paper stays as it is during a drag. */
  private readonly still = signal<Frame | undefined>(undefined);
  /** The last place of the pointer, on its grid. */
  private led?: Place;
  protected readonly markOf = markOf;
  protected readonly frame = computed(() => this.still() ?? frameOf(this.shape()));
  protected readonly viewBox = computed(() => viewBoxOf(this.sight().drawing, 'narrow'));
  /** Of the frame alone: what depends on it stays as it is during a drag. */
  private readonly fit = computed(() => fitOf(this.frame()));
  /** Beside the piece. */
  protected readonly rulerX = computed(() => -this.fit().halfWidth - RULER_BESIDE);
  protected readonly sight = computed(() => this.sightOf(this.shape(), this.plan()));
  private readonly movedSight = computed(() => this.sightOf(this.draft.shape(), this.draft.body()?.plan ?? this.plan()));
  protected readonly seen = dragView(this.sight, this.movedSight);
  protected readonly ruler = computed(() => rulerMarks(this.fit(), this.units.lengthUnit()));

  constructor() {
    const dragBehavior = drag<SVGGElement, unknown>()
      .container(() => this.sheet().nativeElement)
      .subject((event: D3DragEvent<SVGGElement, unknown, { x: number; y: number }>) => {
        const at = nearest(this.seen().handles, event);
        // From the middle of the handle, so that it does not jump to the finger.
        return at ? { x: at.x, y: at.y, key: at.key } : { x: event.x, y: event.y };
      })
      .on('start', (event: D3DragEvent<SVGGElement, unknown, { key?: string }>) => {
        this.still.set(this.frame());
        this.led = this.seen().handles.find((one) => one.key === event.subject.key);
        const source = event.sourceEvent as Event;
        // A mouse drag selects nothing; otherwise the page looks for words under it on every move.
        if (source.type === 'mousedown') source.preventDefault();
        this.take(event.subject.key);
        if (event.subject.key) this.choose(event.subject.key);
      })
      .on('drag', (event: D3DragEvent<SVGGElement, unknown, { key?: string }>) => {
        const { handles, paper } = this.seen();
        const handle = handles.find((one) => one.key === event.subject.key);
        if (handle) this.lead(handle, paper.placeOf(handle, event, this.grid(event.sourceEvent as MouseEvent)));
      })
      .on('end', (event: D3DragEvent<SVGGElement, unknown, { key?: string }>) => {
        this.still.set(undefined);
        this.draft.drop();
        this.take(event.subject.key);
      });
    this.draft.moves$.pipe(takeUntilDestroyed()).subscribe(() => {
      const runToMm = this.mode() === 'zones' ? this.movedRunToMm()?.() : undefined;
      this.section().follow(this.movedSight().drawing, runToMm);
    });
    const keys = computed(() =>
      this.sight()
        .handles.map((handle) => handle.key)
        .join('|'),
    );
    afterRenderEffect(() => {
      // By keys a place is chosen in the list beside the drawing.
      select(this.sheet().nativeElement).on('click', (event: MouseEvent) => this.tap(event));
    });
    // After new ones are on the paper; those that only moved have listeners already.
    afterRenderEffect(() => {
      keys();
      select(this.sheet().nativeElement)
        .selectAll<SVGGElement, unknown>('.hand')
        .call(dragBehavior)
        // The handle keeps the pointer until it is released: the browser need not look for what lies under it.
        .on('pointerdown', ({ currentTarget, pointerId }: PointerEvent) => {
          leaveField();
          (currentTarget as Element).setPointerCapture(pointerId);
        });
    });
  }

  /** Everything on the paper, for the piece as it is or as it was just dragged. */
  private sightOf(shape: PieceShape, plan: PiecePlan): Sight {
    const drawing = new PieceDrawing(shape, plan, this.colours(), this.names(), this.frame(), this.turned());
    const paper = new BoardPaper(drawing, this.fit(), shape, this.turned());
    const handles =
      this.mode() === 'form' ? formHandles(plan) : [...edgeHandles(plan, shape), ...sideHandles(plan).filter((side) => paper.sees(side))];
    return { drawing, paper, handles: handles.map((handle) => paper.placed(handle)) };
  }

  /** The keys go on with what is held, not with what lies above it. */
  private take(key: string | undefined): void {
    const at = this.seen().handles.findIndex((one) => one.key === key);
    this.sheet().nativeElement.querySelectorAll<SVGGElement>('.hand')[at]?.focus({ preventScroll: true });
  }

  /** Between two steps of the grid nothing moves. */
  private lead(handle: Handle, to: Place): void {
    if (this.led && isSamePlace(handle, this.led, to)) return;
    this.led = to;
    this.draft.drag(handle.moved(to));
  }

  /** A tap beside the handles means the place under it. */
  private tap(event: MouseEvent): void {
    const sheet = this.sheet().nativeElement;
    if (this.mode() !== 'zones' || (event.target as Element).closest('.hand')) return;
    const matrix = sheet.getScreenCTM?.()?.inverse();
    if (!matrix) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    const place = this.sight().paper.placeAt(this.plan(), { x, y });
    if (place) this.placeTapped.emit(place);
  }

  /** For the keys; a pointer chooses the nearest. */
  protected focused({ target }: Event, key: string): void {
    if ((target as Element).matches(':focus-visible')) this.choose(key);
  }

  protected choose(key: string): void {
    if (this.chosen() !== key) this.chosenChange.emit(key);
  }

  protected told({ heightMm, radiusMm, free, share }: Handle): string {
    if (share !== undefined) return `${Math.round(100 * share)} % round`;
    const up = `${this.length(heightMm)} up`;
    return free ? `${this.length(2 * radiusMm)} across, ${up}` : up;
  }

  /** The readout of what is held: beside the shelf, where the pointer does not cover it. */
  protected toldOfChosen(): string {
    const held = this.seen().handles.find((one) => one.key === this.chosen());
    return held ? this.told(held) : '';
  }

  /** Only one of all the handles moves: the words of the others are known. */
  private length(mm: number): string {
    const key = `${this.units.lengthUnit()} ${mm}`;
    const known = this.lengths.get(key);
    if (known !== undefined) return known;
    if (this.lengths.size >= MOST_LENGTHS) this.lengths.clear();
    const words = this.units.length(mm);
    this.lengths.set(key, words);
    return words;
  }

  /** Whole mm or sixteenths of an inch; with Alt, or where drags do not snap, a tenth of a mm. */
  private grid({ altKey }: MouseEvent): number {
    if (altKey || !this.snaps()) return FINE_MM;
    return this.units.lengthUnit() === 'in' ? INCH_MM / 16 : 1;
  }

  /** Arrows move by a millimetre, with Shift by five; C turns a point into a corner and back, Delete takes it away, + puts one after it. */
  protected press(event: KeyboardEvent, drawn: PlacedHandle): void {
    // Two presses can come before the page is drawn again: the second goes on from the first, not from what is on the paper.
    const handle = this.movedSight().handles.find((one) => one.key === drawn.key) ?? drawn;
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
    const round_ = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    const at = handle.key.startsWith('point ') ? Number(handle.key.slice(6)) : undefined;
    const does = ({ Delete: 'delete', c: 'corner', '+': 'add' } as const)[event.key];
    if (handle.share !== undefined) {
      if (!round_) return;
      this.changed.emit(handle.moved({ ...handle, share: handle.share + (round_ * step) / 100 }));
    } else if (move)
      this.changed.emit(
        handle.moved({ radiusMm: round(Math.max(0, handle.radiusMm + move[0])), heightMm: round(Math.max(0, handle.heightMm + move[1])) }),
      );
    else if (does && at !== undefined) this.pointKey.emit({ at, key: does });
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
}
