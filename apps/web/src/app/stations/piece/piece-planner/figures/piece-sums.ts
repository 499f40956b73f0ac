import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Units } from '../../../../data/units/units';
import { dragView } from '../draft/drag-view';
import type { PieceFigures } from './piece-figures';
import { PieceScreen } from '../piece-screen';

/** Width of a figure with its unit and a gap before it, in characters. */
const NARROWEST = 10;

interface Row {
  id: string;
  words: string;
  cells: readonly string[];
}

/**
 * Area, glaze and dry weight of each place; they follow every move of a drag. The figures are one monospaced text,
 * because each text node that changes costs its own layout; screen readers get a table.
 */
@Component({
  selector: 'cz-piece-sums',
  templateUrl: './piece-sums.html',
  styles: `
    // A picture of its own, so that a number that changes has nothing else painted.
    :host {
      display: block;
      container-type: inline-size;
      will-change: transform;
    }
    .sums {
      --high: 2.1em;
      margin: 0.8rem 0 1.2rem;
      font: 500 0.92rem/1.5 var(--figures);
    }
    .place {
      display: grid;
      grid-template-columns: minmax(0, 1fr) repeat(4, calc(1ch * var(--places)));
      align-items: center;
      padding-inline: 0.3rem;
      box-shadow: inset 0 1px var(--line);
    }
    .place > * {
      font-family: var(--text);
      line-height: 1.3;
    }
    .head {
      padding-left: 1ch;
      text-align: right;
    }
    .rows {
      position: relative;
    }
    .rows .place {
      height: var(--high);
      overflow: hidden;
    }
    // A box of its own, beside the grid and not in it: were it the grid's, a figure that changes would have the whole page laid out.
    .live {
      position: absolute;
      inset: 0 0.3rem 0 auto;
      width: calc(4ch * var(--places));
      contain: strict;
      line-height: var(--high);
      white-space: pre;
    }
    // Four columns share 350 px with the names.
    @container (max-width: 480px) {
      .sums {
        font-size: min(0.8rem, calc((100cqw - 66px) / 2.4 / var(--places)));
      }
      // A strip or panel takes two lines for its name.
      .rows {
        --high: 2.9em;
      }
      .place {
        padding-inline: 0;
      }
      .live {
        right: 0;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceSums {
  private readonly screen = inject(PieceScreen);
  protected readonly units = inject(Units);
  protected readonly columns = ['area', 'glaze', 'dry', 'lifts the level by'];
  protected readonly settledRows = computed(() => this.rowsOf(this.screen.figures));
  protected readonly places = computed(() => Math.max(NARROWEST, ...this.settledRows().flatMap((row) => row.cells.map((cell) => cell.length + 1))));
  private readonly settledSums = computed(() => this.seenOf(this.settledRows()));
  protected readonly shown = dragView(
    () => this.settledSums(),
    () => this.seenOf(this.rowsOf(this.screen.movedFigures)),
  );

  private rowsOf(figures: PieceFigures): Row[] {
    const { rows, slurryMl, dryGrams } = figures.sums();
    if (rows.length === 0) return [];
    return [
      ...rows.map(({ id, words, areaCm2, slurryMl: ml, dryGrams: grams, isWeighed, displacedMl }) => ({
        id,
        words,
        cells: [
          `${this.units.plain(areaCm2)} cm²`,
          isWeighed ? this.units.millilitres(ml) : '–',
          isWeighed ? this.units.mass(grams) : '–',
          displacedMl > 0 ? this.units.millilitres(displacedMl) : '–',
        ],
      })),
      { id: 'all', words: 'all', cells: ['', this.units.millilitres(slurryMl), this.units.mass(dryGrams), ''] },
    ];
  }

  /** A line of figures for each row, right-aligned. */
  private seenOf(rows: readonly Row[]): { rows: readonly Row[]; figures: string } {
    return { rows, figures: rows.map(({ cells }) => cells.map((cell) => cell.padStart(this.places())).join('')).join('\n') };
  }
}
