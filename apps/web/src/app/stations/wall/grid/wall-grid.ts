import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatTooltip } from '@angular/material/tooltip';
import { combinationKey, type WallCell } from '@cazuela/core';
import { StudioApi } from '../../../data/http/studio-api';
import type { WallGlaze } from '../../../data/results/wall-tests';
import { PreferencesStore } from '../../../data/state/preferences';
import { cellWords, CLAY, combinationTitle, markOf } from '../wall-words';
import { WallCanvas, type WallSeen } from './wall-canvas';
import { readingOf, type Cell } from './wall-reading';
import {
  cellSize,
  closeTo,
  LEAST_CELL_PX,
  MOST_CELL_PX,
  placeAt,
  scrolledInto,
  scrolledTo,
  sightOf,
  USUAL_CELL_PX,
  viewOnPaper,
  walkedTo,
  type Place,
  type Sight,
  type WallView,
} from './wall-view';
import { onZoom } from './zoom-gesture';

/** Room for names, on the left and on top. */
const NAMES_REM = 9;
/** Of the window's height, as in the styles. */
const MOST_HIGH_SHARE = 0.74;
/** The wall stands still after so long, ms. */
const REST_MS = 120;
/** So many cells at most are there to be read out and walked to by keys; more are drawn. */
const MOST_READ = 400;
const STEP = 1.35;
type Lower = typeof CLAY | WallGlaze;

/**
 * Glazes below in rows, glazes over them in columns. What is in sight is drawn on one canvas, so that sixty glazes move as easily as six; buttons
 * that are not seen lie over it, for keys and screen readers, and follow when the wall stands still.
 */
@Component({
  selector: 'cz-wall-grid',
  imports: [MatIcon, MatIconButton, MatTooltip],
  templateUrl: './wall-grid.html',
  styleUrl: './wall-grid.scss',
  host: { '(keydown)': 'walk($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WallGrid {
  readonly glazes = input.required<readonly WallGlaze[]>();
  readonly cells = input.required<ReadonlyMap<string, WallCell>>();
  readonly chosen = input('');
  /** Side of a cell, px. */
  readonly size = input(USUAL_CELL_PX);
  readonly taken = output<string>();
  /** Told when the wall stands still. */
  readonly sized = output<number>();
  private readonly api = inject(StudioApi);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);
  private readonly preferences = inject(PreferencesStore).value;
  private readonly scroller = viewChild.required<ElementRef<HTMLElement>>('scroller');
  private readonly whole = viewChild.required<ElementRef<HTMLElement>>('whole');
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly paper = viewChild.required<ElementRef<HTMLCanvasElement>>('paper');
  private readonly rem = parseFloat(getComputedStyle(document.documentElement).fontSize) || 16;
  private drawn: WallCanvas | undefined;
  private rest: ReturnType<typeof setTimeout> | undefined;
  private isZooming = false;
  protected readonly namesPx = Math.round(NAMES_REM * this.rem);
  protected readonly headsPx = this.namesPx;
  /** As small as it takes to see them all at one look. */
  protected readonly leastPx = signal(LEAST_CELL_PX);
  protected readonly mostPx = MOST_CELL_PX;
  /** While two fingers move, parts of a pixel count. */
  private readonly exactPx = linkedSignal(() => this.size());
  protected readonly cellPx = computed(() => cellSize(this.exactPx()));
  protected readonly lowers = computed((): Lower[] => [CLAY, ...this.glazes()]);
  protected readonly wholePx = computed(() => ({
    wide: this.namesPx + this.glazes().length * this.cellPx(),
    high: this.headsPx + this.lowers().length * this.cellPx(),
  }));
  /** What was in sight when the wall last stood still, and how large; undefined where nothing was measured yet. */
  private readonly stood = signal<{ sight: Sight; cellPx: number } | undefined>(undefined);
  private readonly focused = signal('');
  /** Cells that can be read out. */
  protected readonly reading = computed(() => {
    const [lowers, uppers, cellAt] = [this.lowers(), this.glazes(), this.cellsMade()];
    const all: Sight = { top: 0, bottom: lowers.length, left: 0, right: uppers.length };
    const { sight, cellPx } = this.stood() ?? { sight: all, cellPx: this.cellPx() };
    const part = closeTo(sight, this.placeOf(this.chosen())?.row ?? sight.top, MOST_READ);
    return readingOf({ part, lowers, uppers, cellAt, cellPx, namesPx: this.namesPx, headsPx: this.headsPx });
  });
  /** What stands in each cell, put together when it is first seen. */
  private readonly cellsMade = computed(() => {
    const [cells, lowers, uppers] = [this.cells(), this.lowers(), this.glazes()];
    const made: Cell[][] = lowers.map(() => []);
    return (row: number, column: number): Cell => (made[row]![column] ??= this.cellOf(lowers[row]!, uppers[column]!, cells));
  });
  /** One stop for Tab. */
  protected readonly focusKey = computed(() => {
    const chosen = this.chosen();
    const read = this.reading().rows.flatMap(({ cells }) => cells.map(({ key }) => key));
    return read.includes(chosen) ? chosen : (read[0] ?? '');
  });

  constructor() {
    const ended = new AbortController();
    inject(DestroyRef).onDestroy(() => {
      ended.abort();
      clearTimeout(this.rest);
      this.drawn?.close();
    });
    afterNextRender(() => this.begin(ended.signal));
    // What is drawn has changed.
    effect(() => {
      this.cellsMade();
      this.lowers();
      this.chosen();
      this.focused();
      this.preferences();
      this.cellPx();
      this.drawn?.drawSoon();
    });
    effect(() => {
      this.lowers();
      untracked(() => this.look());
    });
    // Not when glazes come or go: the wall would move under the hand.
    effect(() => {
      const chosen = this.chosen();
      untracked(() => this.bringIntoSight(chosen));
    });
  }

  /** One step larger or smaller; what is in the middle stays there. */
  protected step(by: 1 | -1): void {
    const { wide, high } = this.view();
    this.zoom(STEP ** by, (wide + this.namesPx) / 2, (high + this.headsPx) / 2);
  }

  /** Arrows walk the wall; Home and End go to the ends of a row; plus and minus make its cells larger and smaller. */
  protected walk(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const key = (event.target as HTMLElement).dataset['key'];
    const at = key === undefined ? undefined : this.placeOf(key);
    if (!at) return;
    if (event.key === '+' || event.key === '-') {
      event.preventDefault();
      this.step(event.key === '+' ? 1 : -1);
      return;
    }
    const place = walkedTo(event.key, at, this.glazes().length);
    const next = place && this.keyAt(place);
    if (next === undefined) return;
    event.preventDefault();
    this.taken.emit(next);
    this.bringIntoSight(next);
    afterNextRender(() => this.focus(next), { injector: this.injector });
  }

  protected focusMoved(event?: FocusEvent): void {
    const cell = event?.target as HTMLElement | undefined;
    this.focused.set(cell?.matches(':focus-visible') ? (cell.dataset['key'] ?? '') : '');
  }

  private begin(signal: AbortSignal): void {
    const { nativeElement: scroller } = this.scroller();
    this.drawn = new WallCanvas(this.canvas().nativeElement, () => this.scene());
    // Not in the template: a wall that moves changes nothing else.
    scroller.addEventListener('scroll', () => this.moved(), { passive: true, signal });
    scroller.addEventListener('click', (event) => this.tap(event), { signal });
    scroller.addEventListener('pointermove', (event) => this.name(event), { passive: true, signal });
    window.addEventListener('beforeprint', () => this.print(), { signal });
    const zoomed = onZoom(scroller, (by, x, y) => this.zoom(by, x, y));
    signal.addEventListener('abort', zoomed);
    if (typeof ResizeObserver !== 'undefined') {
      const watched = new ResizeObserver(() => (this.isZooming ? this.drawn?.draw() : this.look()));
      watched.observe(scroller);
      signal.addEventListener('abort', () => watched.disconnect());
    }
    this.look();
    this.bringIntoSight(this.chosen());
  }

  private view(): WallView {
    const { scrollLeft, scrollTop, clientWidth, clientHeight } = this.scroller().nativeElement;
    const [cellPx, namesPx, headsPx] = [this.cellPx(), this.namesPx, this.headsPx];
    return { left: scrollLeft, top: scrollTop, wide: clientWidth, high: clientHeight, cellPx, namesPx, headsPx };
  }

  /** The wall stands still, or is another size: what can be read is what is seen. */
  private look(): void {
    const view = this.view();
    if (view.high === 0) return;
    this.leastPx.set(this.cellsInOneLook());
    this.stood.set({ sight: sightOf(view, this.lowers().length, this.glazes().length), cellPx: view.cellPx });
    // In the same frame: a canvas that gets another size is empty.
    this.drawn?.draw();
  }

  private moved(): void {
    this.drawn?.drawSoon();
    clearTimeout(this.rest);
    this.rest = setTimeout(() => {
      this.isZooming = false;
      this.look();
      if (this.cellPx() !== this.size()) this.sized.emit(this.cellPx());
    }, REST_MS);
  }

  private zoom(by: number, x: number, y: number): void {
    const view = this.view();
    this.exactPx.update((px) => Math.max(this.cellsInOneLook(), Math.min(MOST_CELL_PX, px * by)));
    const cellPx = this.cellPx();
    if (cellPx === view.cellPx) return;
    // At once: it cannot be scrolled further than it is large.
    const { wide, high } = this.wholePx();
    Object.assign(this.whole().nativeElement.style, { width: `${wide}px`, height: `${high}px` });
    this.isZooming = true;
    this.scroller().nativeElement.scrollTo({ ...scrolledTo(view, cellPx, x, y), behavior: 'instant' });
    this.moved();
  }

  private cellsInOneLook(): number {
    const wide = (this.host.nativeElement.clientWidth - this.namesPx) / this.glazes().length;
    const high = (window.innerHeight * MOST_HIGH_SHARE - this.headsPx) / this.lowers().length;
    return Math.max(LEAST_CELL_PX, Math.min(USUAL_CELL_PX, Math.floor(Math.min(wide, high))));
  }

  private scene(view = this.view()): WallSeen {
    const [lowers, uppers, ringed] = [this.lowers(), this.glazes(), new Set([this.chosen(), this.focused()])];
    const sight = sightOf(view, lowers.length, uppers.length);
    return { view, sight, isZooming: this.isZooming, lowers, uppers, cellAt: this.cellsMade(), isRinged: (key) => ringed.has(key) };
  }

  /** All of the wall, as wide as paper is. */
  private print(): void {
    const { namesPx, headsPx } = this;
    const view = viewOnPaper({ rows: this.lowers().length, columns: this.glazes().length, namesPx, headsPx });
    this.drawn?.print(this.paper().nativeElement, this.scene(view));
  }

  private tap(event: MouseEvent): void {
    // A key press on a cell has no place.
    const key = event.detail === 0 ? (event.target as HTMLElement).dataset['key'] : this.under(event);
    if (key !== undefined) this.taken.emit(key);
  }

  /** Names what is under the pointer: where cells are small, their names are not written. */
  private name(event: PointerEvent): void {
    const { nativeElement: scroller } = this.scroller();
    const key = this.under(event);
    const at = key === undefined ? undefined : this.placeOf(key);
    const words = at ? this.cellsMade()(at.row, at.column).label : '';
    if (scroller.title !== words) scroller.title = words;
  }

  private under({ clientX, clientY }: MouseEvent): string | undefined {
    const { nativeElement: scroller } = this.scroller();
    const { left, top } = scroller.getBoundingClientRect();
    const place = placeAt(this.view(), clientX - left - scroller.clientLeft, clientY - top - scroller.clientTop);
    return place && this.keyAt(place);
  }

  private focus(key: string): void {
    const found = [...this.scroller().nativeElement.querySelectorAll<HTMLElement>('[data-key]')].find((cell) => cell.dataset['key'] === key);
    found?.focus({ preventScroll: true });
  }

  private keyAt({ row, column }: Place): string | undefined {
    const [lower, upper] = [this.lowers()[row], this.glazes()[column]];
    return lower && upper ? combinationKey({ lowerId: lower.id, upperId: upper.id }) : undefined;
  }

  private placeOf(key: string): Place | undefined {
    if (!key) return undefined;
    const [lowerId = '', upperId = ''] = key.split('/');
    const [row, column] = [this.lowers().findIndex(({ id }) => id === lowerId), this.glazes().findIndex(({ id }) => id === upperId)];
    return row < 0 || column < 0 ? undefined : { row, column };
  }

  private bringIntoSight(key: string): void {
    const [at, view] = [this.placeOf(key), this.view()];
    if (!at || view.high === 0) return;
    this.scroller().nativeElement.scrollTo({ ...scrolledInto(view, at), behavior: 'instant' });
    this.look();
  }

  private cellOf(lower: Lower, upper: WallGlaze, cells: ReadonlyMap<string, WallCell>): Cell {
    const key = combinationKey({ lowerId: lower.id, upperId: upper.id });
    const cell = cells.get(key);
    return {
      key,
      state: cell?.state ?? '',
      photoUrl: cell?.photoId ? this.api.thumbnailUrl(cell.photoId) : '',
      lowerColour: lower.colour,
      upperColour: upper.colour,
      mark: cell ? markOf(cell) : '',
      label: `${combinationTitle(lower, upper)}: ${cell ? cellWords(cell) : 'not made'}`,
    };
  }
}
