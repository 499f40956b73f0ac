import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { combinationKey, type TestState, type WallCell } from '@cazuela/core';
import { StudioApi } from '../../data/http/studio-api';
import type { WallGlaze } from '../../data/results/wall-tests';
import { cellWords, CLAY, combinationTitle, markOf } from './wall-words';

/** Size of a cell and of the column of names, px: as in the styles. */
const CELL_PX = 64;
const NAMES_PX = 144;
/** So many more are drawn beyond each edge, so that nothing is empty while it moves. */
const AROUND = 3;
const ARROWS: Readonly<Record<string, readonly [row: number, column: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** What of the wall is in sight: first and last, in cells; all of it where nothing was measured yet. */
interface Sight {
  top: number;
  bottom: number;
  left: number;
  right: number;
}
interface GridCell {
  key: string;
  state: TestState | '';
  photoUrl: string;
  lowerColour: string;
  upperColour: string;
  mark: string;
  label: string;
}
const ALL: Sight = { top: 0, bottom: Infinity, left: 0, right: Infinity };

/** Glazes below in rows, glazes over them in columns. Only cells in sight are drawn, so that sixty glazes move as easily as six. */
@Component({
  selector: 'cz-wall-grid',
  templateUrl: './wall-grid.html',
  styleUrl: './wall-grid.scss',
  host: { '(keydown)': 'walk($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WallGrid {
  readonly glazes = input.required<readonly WallGlaze[]>();
  readonly cells = input.required<ReadonlyMap<string, WallCell>>();
  readonly chosen = input('');
  readonly taken = output<string>();
  private readonly api = inject(StudioApi);
  private readonly injector = inject(Injector);
  private readonly scroller = viewChild.required<ElementRef<HTMLElement>>('scroller');
  private readonly sight = signal(ALL, { equal: (a, b) => a.top === b.top && a.bottom === b.bottom && a.left === b.left && a.right === b.right });
  protected readonly lowers = computed(() => [CLAY, ...this.glazes()]);
  protected readonly cellPx = CELL_PX;
  protected readonly wholePx = computed(() => NAMES_PX + this.glazes().length * CELL_PX);
  /** Columns in sight, and how many lie left of them. */
  protected readonly columns = computed(() => {
    const { left, right } = this.sight();
    return { skipped: left, glazes: this.glazes().slice(left, right) };
  });
  protected readonly rows = computed(() => {
    const { top, bottom } = this.sight();
    const cellOf = this.cellsMade();
    const uppers = this.columns().glazes;
    const shown = this.lowers().slice(top, bottom);
    return {
      skipped: top,
      after: Math.max(0, this.lowers().length - top - shown.length),
      lines: shown.map((lower, at) => ({ ...lower, index: top + at, cells: uppers.map((upper) => cellOf(lower, upper)) })),
    };
  });
  /** What stands in each cell, put together when it is first seen. */
  private readonly cellsMade = computed(() => {
    const cells = this.cells();
    const made = new Map<string, GridCell>();
    return (lower: typeof CLAY, upper: WallGlaze): GridCell => {
      const key = combinationKey({ lowerId: lower.id, upperId: upper.id });
      const cell = made.get(key) ?? this.cellOf(lower, upper, cells.get(key));
      made.set(key, cell);
      return cell;
    };
  });
  /** One stop for Tab. */
  protected readonly focusKey = computed(() => this.chosen() || combinationKey({ lowerId: '', upperId: this.glazes()[0]?.id ?? '' }));

  constructor() {
    // Without one, as in tests, all of it is drawn.
    const watched = typeof ResizeObserver === 'undefined' ? undefined : new ResizeObserver(() => this.look());
    inject(DestroyRef).onDestroy(() => watched?.disconnect());
    effect(() => {
      const { nativeElement } = this.scroller();
      watched?.observe(nativeElement);
      untracked(() => {
        this.look();
        this.bringIntoSight(this.chosen());
      });
    });
  }

  /** Which cells are in sight. */
  protected look(): void {
    const { scrollTop, scrollLeft, clientHeight, clientWidth } = this.scroller().nativeElement;
    if (clientHeight === 0) return;
    const [row, column] = [Math.floor(scrollTop / CELL_PX), Math.floor(scrollLeft / CELL_PX)];
    this.sight.set({
      top: Math.max(0, row - AROUND),
      bottom: row + Math.ceil(clientHeight / CELL_PX) + AROUND,
      left: Math.max(0, column - AROUND),
      right: column + Math.ceil(clientWidth / CELL_PX) + AROUND,
    });
  }

  /** Of a column in sight. */
  protected leftPx(at: number): number {
    return NAMES_PX + (this.columns().skipped + at) * CELL_PX;
  }

  /** Arrows walk the wall; Home and End go to the ends of a row. */
  protected walk(event: KeyboardEvent): void {
    const key = (event.target as HTMLElement).dataset['key'];
    const at = key === undefined ? undefined : this.placeOf(key);
    if (!at) return;
    const by = ARROWS[event.key];
    const last = this.glazes().length - 1;
    const column = by ? at.column + by[1] : event.key === 'Home' ? 0 : event.key === 'End' ? last : undefined;
    const lower = this.lowers()[at.row + (by?.[0] ?? 0)];
    const upper = column === undefined ? undefined : this.glazes()[column];
    if (!lower || !upper) return;
    event.preventDefault();
    const next = combinationKey({ lowerId: lower.id, upperId: upper.id });
    this.taken.emit(next);
    this.bringIntoSight(next);
    afterNextRender(() => this.focus(next), { injector: this.injector });
  }

  private focus(key: string): void {
    const found = [...this.scroller().nativeElement.querySelectorAll<HTMLElement>('[data-key]')].find((cell) => cell.dataset['key'] === key);
    found?.focus();
  }

  private placeOf(key: string): { row: number; column: number } | undefined {
    const [lowerId = '', upperId = ''] = key.split('/');
    const [row, column] = [this.lowers().findIndex(({ id }) => id === lowerId), this.glazes().findIndex(({ id }) => id === upperId)];
    return row < 0 || column < 0 ? undefined : { row, column };
  }

  private bringIntoSight(key: string): void {
    const at = key ? this.placeOf(key) : undefined;
    const box = this.scroller().nativeElement;
    if (!at || box.clientHeight === 0) return;
    const head = box.querySelector('[role="row"]')?.clientHeight ?? 0;
    const [top, left] = [at.row * CELL_PX, at.column * CELL_PX];
    const [high, wide] = [box.clientHeight - head - CELL_PX, box.clientWidth - NAMES_PX - CELL_PX];
    box.scrollTop = Math.min(top, Math.max(box.scrollTop, top - high));
    box.scrollLeft = Math.min(left, Math.max(box.scrollLeft, left - wide));
    this.look();
  }

  private cellOf(lower: typeof CLAY, upper: WallGlaze, cell: WallCell | undefined): GridCell {
    return {
      key: combinationKey({ lowerId: lower.id, upperId: upper.id }),
      state: cell?.state ?? '',
      photoUrl: cell?.photoId ? this.api.thumbnailUrl(cell.photoId) : '',
      lowerColour: lower.colour,
      upperColour: upper.colour,
      mark: cell ? markOf(cell) : '',
      label: `${combinationTitle(lower, upper)}: ${cell ? cellWords(cell) : 'not made'}`,
    };
  }
}
