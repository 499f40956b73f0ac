import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Units } from '../../../data/units';
import { following } from './following';
import { PieceScreen } from './piece-screen';
import { groundOfFlow } from './run/run-words';

/** How far the outside runs, and what each place takes of area, glaze and dry weight: under a dragging hand these follow every move. */
@Component({
  selector: 'cz-piece-sums',
  template: `
    @let figures = told();
    @if (figures.run; as it) {
      <p class="runs">
        <span class="figure big">{{ units.roughly(it.runMm) }}</span> is how far the outside likely runs; 95 in 100 stay within
        {{ units.roughly(it.run95Mm) }}. It starts {{ units.roughly(it.edgeMm) }} up.
        <span class="quiet">{{ groundOfFlow(it) }}</span>
      </p>
    }
    @if (figures.sums.rows.length > 0) {
      <table class="sums">
        <caption class="visually-hidden">
          Area and glaze of each place, one piece
        </caption>
        <thead>
          <tr>
            <th scope="col">One piece</th>
            <th scope="col">area</th>
            <th scope="col">glaze</th>
            <th scope="col">dry</th>
            <th scope="col">lifts the level by</th>
          </tr>
        </thead>
        <tbody>
          @for (row of figures.sums.rows; track row.id) {
            <tr>
              <th scope="row">{{ row.words }}</th>
              <td>
                <span class="live">{{ units.plain(row.areaCm2) }} cm²</span>
              </td>
              <td>
                <span class="live">{{ units.millilitres(row.slurryMl) }}</span>
              </td>
              <td>
                <span class="live">{{ units.mass(row.dryGrams) }}</span>
              </td>
              <td>
                <span class="live">{{ row.displacedMl > 0 ? units.millilitres(row.displacedMl) : '–' }}</span>
              </td>
            </tr>
          }
          <tr>
            <th scope="row">all</th>
            <td></td>
            <td>
              <span class="live">{{ units.millilitres(figures.sums.slurryMl) }}</span>
            </td>
            <td>
              <span class="live">{{ units.mass(figures.sums.dryGrams) }}</span>
            </td>
            <td></td>
          </tr>
        </tbody>
      </table>
    }
  `,
  styles: `
    // A picture of its own, so that a number that changes has nothing else painted.
    :host {
      display: block;
      will-change: transform;
    }
    .sums {
      width: 100%;
      margin: 0.8rem 0 1.2rem;
      border-collapse: collapse;
      font-size: 0.92rem;
    }
    th,
    td {
      padding: 0.25rem 0.3rem;
      text-align: right;
      border-top: 1px solid var(--line);
      font-weight: 500;
    }
    th:first-child {
      text-align: left;
    }
    td {
      font-family: var(--figures);
    }
    .sums {
      table-layout: fixed;
    }
    // A number that changes moves nothing else.
    .live {
      display: block;
      height: 1.5em;
      line-height: 1.5;
      contain: size layout style;
      white-space: nowrap;
    }
    // On a phone five columns share 358 px: the longest figures must stay on one line, for a second would lie on the next row.
    @media (max-width: 480px) {
      .sums {
        font-size: 0.8rem;
      }
      th,
      td {
        width: 21%;
        padding-inline: 0.15rem;
      }
      th:first-child {
        width: 16%;
      }
    }
    .runs {
      margin-top: 1rem;
    }
    .runs .big {
      font-size: 1.5rem;
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceSums {
  private readonly screen = inject(PieceScreen);
  protected readonly units = inject(Units);
  protected readonly told = following(
    () => ({ run: this.screen.figures.run(), sums: this.screen.figures.sums() }),
    () => ({ run: this.screen.movedFigures.run(), sums: this.screen.movedFigures.sums() }),
  );
  protected readonly groundOfFlow = groundOfFlow;
}
