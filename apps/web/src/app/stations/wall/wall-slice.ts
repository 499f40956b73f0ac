import { afterRenderEffect, ChangeDetectionStrategy, Component, computed, type ElementRef, input, output, viewChild } from '@angular/core';
import { combinationKey, type WallCell } from '@cazuela/core';
import type { WallGlaze } from '../../data/results/wall-tests';
import { token } from '../../parts/token';

/** A slice is about so wide, px; a cell is not smaller than a fingertip can hit with a mouse, nor larger than it needs. */
const SLICE_PX = 330;
const LEAST_PX = 5;
const MOST_PX = 26;
const FAINT = 0.35;

/** The wall of one clay, or of one cone, small: to see at one look where it is empty, and where it is full. */
@Component({
  selector: 'cz-wall-slice',
  template: `
    <figure>
      <figcaption>
        <strong>{{ title() }}</strong> <span class="quiet small">{{ summary() }}</span>
      </figcaption>
      <canvas
        #picture
        role="img"
        [attr.aria-label]="title() + ': ' + summary()"
        [width]="side()"
        [height]="side() + cellPx()"
        (click)="tap($event)"
      ></canvas>
    </figure>
  `,
  styles: `
    figure {
      margin: 0;
    }
    canvas {
      display: block;
      margin-top: 0.3rem;
      border: 1px solid var(--line);
      border-radius: 4px;
      background: var(--paper);
      cursor: pointer;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WallSlice {
  readonly title = input.required<string>();
  readonly glazes = input.required<readonly WallGlaze[]>();
  readonly cells = input.required<ReadonlyMap<string, WallCell>>();
  readonly chosen = input('');
  readonly taken = output<string>();
  private readonly picture = viewChild.required<ElementRef<HTMLCanvasElement>>('picture');
  protected readonly cellPx = computed(() => Math.max(LEAST_PX, Math.min(MOST_PX, Math.floor(SLICE_PX / Math.max(1, this.glazes().length)))));
  protected readonly side = computed(() => this.cellPx() * this.glazes().length);
  protected readonly summary = computed(() => {
    const cells = [...this.cells().values()];
    const fired = cells.filter(({ state }) => state === 'fired').length;
    return `${fired} fired, ${cells.length - fired} on their way`;
  });
  /** The clay is the first row. */
  private readonly rows = computed(() => ['', ...this.glazes().map(({ id }) => id)]);

  constructor() {
    // A canvas that gets its size is empty: it is drawn once that is set.
    afterRenderEffect(() => this.draw());
  }

  protected tap(event: MouseEvent): void {
    const px = this.cellPx();
    const [row, column] = [this.rows()[Math.floor(event.offsetY / px)], this.glazes()[Math.floor(event.offsetX / px)]];
    if (row !== undefined && column) this.taken.emit(combinationKey({ lowerId: row, upperId: column.id }));
  }

  /** Each cell halved as the glazes lie, the upper one on top; what is not fired yet is faint. */
  private draw(): void {
    const pen = this.picture().nativeElement.getContext('2d');
    const [px, glazes, cells, rows, chosen] = [this.cellPx(), this.glazes(), this.cells(), this.rows(), this.chosen()];
    if (!pen) return;
    const colours = new Map(glazes.map(({ id, colour }) => [id, colour]));
    pen.clearRect(0, 0, this.side(), this.side() + px);
    rows.forEach((lowerId, row) =>
      glazes.forEach((upper, column) => {
        const key = combinationKey({ lowerId, upperId: upper.id });
        const cell = cells.get(key);
        const [x, y] = [column * px, row * px];
        if (cell) {
          pen.globalAlpha = cell.state === 'fired' ? 1 : FAINT;
          pen.fillStyle = colours.get(lowerId) ?? upper.colour;
          pen.fillRect(x, y, px - 1, px - 1);
          pen.fillStyle = upper.colour;
          pen.fillRect(x, y, px - 1, Math.floor(px / 2));
          pen.globalAlpha = 1;
        }
        if (key === chosen) {
          pen.lineWidth = 2;
          pen.strokeStyle = token('--cobalt');
          pen.strokeRect(x + 1, y + 1, px - 3, px - 3);
        }
      }),
    );
  }
}
