import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { lotIdOf } from '@cazuela/core';
import { formatDate } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { LoadScreen } from './load-screen';
import { SETTING_WORDS, shelfName } from './load-words';
import { ShelfBoard } from './shelf-board';

/** On paper: the load shelf by shelf, from the lowest up, as it is put in. */
@Component({
  selector: 'cz-load-print',
  imports: [ShelfBoard],
  template: `
    <h1>Load of {{ screen.kiln()?.body?.name }}, {{ date() }}</h1>
    @for (row of rows(); track row.shelf.id) {
      <section>
        <h2>{{ row.name }}: {{ row.shelf.pieces.length }} pieces</h2>
        <p>{{ row.height }}</p>
        @if (screen.toLoad(); as kiln) {
          <cz-shelf-board
            [label]="row.name"
            [shelf]="row.shelf"
            [pieces]="screen.pieces()"
            [kiln]="kiln"
            [looks]="screen.looks()"
            [isLocked]="true"
          />
        }
        <table>
          <thead>
            <tr>
              <th scope="col">code</th>
              <th scope="col">what</th>
              <th scope="col">stands</th>
              <th scope="col">in</th>
            </tr>
          </thead>
          <tbody>
            @for (lot of row.lots; track lot.codes) {
              <tr>
                <td>{{ lot.codes }}</td>
                <td>{{ lot.name }}</td>
                <td>{{ lot.stands }}</td>
                <td>□</td>
              </tr>
            }
          </tbody>
        </table>
      </section>
    }
    <p>
      Runners on plates, 15 mm round them; 5 mm between others; 20 mm to elements and thermocouple. Nothing damp goes in. A witness cone on every
      shelf.
    </p>
  `,
  styles: `
    :host {
      display: none;
    }
    @media print {
      :host {
        display: block;
      }
      section {
        break-inside: avoid;
        margin-bottom: 8mm;
      }
      cz-shelf-board {
        display: block;
        width: 110mm;
      }
      table {
        width: 100%;
        border-collapse: collapse;
      }
      td,
      th {
        text-align: left;
        border-bottom: 0.3mm solid #888;
        padding: 1mm 2mm 1mm 0;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadPrint {
  protected readonly screen = inject(LoadScreen);
  private readonly units = inject(Units);
  protected readonly date = computed(() => {
    const load = this.screen.load();
    return load ? formatDate(load.createdAt) : '';
  });
  protected readonly rows = computed(() =>
    this.screen.shelves().map((shelf) => {
      const ids = [...new Set(shelf.pieces.map(({ pieceId }) => lotIdOf(pieceId)))];
      return {
        shelf,
        name: shelfName(shelf, this.screen.shelves()),
        height: `${shelf.fromMm > 0 ? `${this.units.length(shelf.fromMm)} above the lowest shelf` : 'The lowest shelf'}${shelf.columnMm.length > 0 ? `; three columns of ${shelf.columnMm.map((mm) => this.units.length(mm)).join(' + ')} for the next one` : ''}.`,
        lots: ids.flatMap((id) => {
          const lot = this.screen.standing().lots.find((one) => one.id === id);
          if (!lot) return [];
          const codes = shelf.pieces
            .filter(({ pieceId }) => lotIdOf(pieceId) === id)
            .map(({ pieceId }) => this.screen.looks().get(pieceId)?.code ?? '');
          return [
            {
              codes: codes.sort((a, b) => a.localeCompare(b, undefined, { numeric: true })).join(', '),
              name: lot.name,
              stands: SETTING_WORDS[lot.setting ?? 'shelf'],
            },
          ];
        }),
      };
    }),
  );
}
