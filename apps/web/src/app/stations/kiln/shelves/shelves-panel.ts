import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Firing, Kiln } from '@cazuela/contract';
import { attempt, CONES, shelfCones, shelfOffsetCelsius, type ShelfWitness } from '@cazuela/core';
import { Units } from '../../../data/units/units';
import { CONE_OPTIONS } from '../../../data/units/cone-options';
import type { FieldOption } from '../../../ui/options';
import { SelectField } from '../../../ui/select-field';
import { ConePicture } from './cone-picture';
import { KilnDrawing, type ShelfLabel } from './kiln-drawing';
import { groundWords, shelfConeWords } from './shelf-words';
import { curveOf } from '../../../data/state/firing-read';
import { asWitnessed, offsetsOf } from '../../../data/state/kiln-offsets';

/** How far a cone has bent, by eye. */
const BENT: readonly FieldOption<number>[] = [
  [0, 'stands; the one before is down'],
  [0.25, 'leans a quarter'],
  [0.5, 'half way'],
  [0.75, 'its tip nearly touches'],
  [1, 'is down'],
];

/** What each shelf of a firing saw: cones are read on it by eye, and where nobody read one it is told from the others. */
@Component({
  selector: 'cz-shelves-panel',
  imports: [ConePicture, KilnDrawing, MatButton, RouterLink, SelectField],
  template: `
    @if (kiln(); as kiln) {
      <div class="sides">
        <cz-kiln-drawing
          [chamber]="kiln.body.chamber"
          [shelves]="kiln.body.shelves"
          [labels]="labels()"
          [thermocoupleMm]="kiln.body.thermocoupleMm"
        />
        <div>
          <h3>Cones read by eye, shelf by shelf</h3>
          <ul class="plain-list scale" aria-label="How far a cone has bent">
            @for (option of bent; track option[0]) {
              <li>
                <cz-cone-picture [fraction]="option[0]" />
                <span class="small">{{ option[1] }}</span>
              </li>
            }
          </ul>
          @for (row of rows(); track row.shelf.id) {
            <div class="shelf" role="group" [attr.aria-label]="row.shelf.name">
              <span class="name">{{ row.shelf.name }}</span>
              <cz-select
                label="The cone that bends"
                labelHidden
                [options]="cones"
                [value]="row.read?.upper ?? ''"
                [disabled]="busy()"
                (changed)="readCone(row.shelf.id, $event)"
              />
              @if (row.read) {
                <cz-cone-picture [fraction]="row.read.fraction" />
                <cz-select
                  label="How far it bent"
                  labelHidden
                  [options]="bent"
                  [value]="row.read.fraction"
                  [disabled]="busy()"
                  (changed)="bend(row.shelf.id, $event)"
                />
              }
            </div>
            @if (row.trouble; as words) {
              <p class="small look">{{ words }}</p>
            }
          } @empty {
            <p class="quiet">It has no shelves on its card. <a [routerLink]="['/kiln/kilns', kiln.id]">Say where they stand</a></p>
          }
          <p class="quiet small">
            {{ ground() }} A cone counts before the curve, on its own shelf. <a [routerLink]="['/kiln/kilns', kiln.id]">The kiln’s card</a>
          </p>
        </div>
      </div>
    } @else {
      <p class="quiet">
        This kiln has no card yet: with its shelves on it, each of them gets its own cone.
        <a matButton="outlined" [routerLink]="['/kiln/kilns', 'new']" [queryParams]="{ name: firing().body.kiln }"
          >Describe {{ firing().body.kiln }}</a
        >
      </p>
    }
  `,
  styles: `
    .sides {
      --columns: minmax(0, 1fr) minmax(0, 1.1fr);
      align-items: start;
    }
    .shelf {
      display: grid;
      grid-template-columns: 5rem 7rem 3.2rem minmax(0, 1fr);
      align-items: center;
      gap: 0.5rem;
      padding: 0.2rem 0;
    }
    .scale {
      display: grid;
      grid-template-columns: repeat(5, minmax(0, 1fr));
      gap: 0.4rem;
      margin-bottom: 0.5rem;
    }
    .scale span {
      display: block;
      line-height: 1.2;
    }
    .name {
      font-weight: 600;
    }
    @media (max-width: 600px) {
      .shelf {
        grid-template-columns: 5.5rem minmax(0, 1fr);
        cz-select {
          grid-column: 2;
        }
        cz-cone-picture {
          grid-column: 1;
        }
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShelvesPanel {
  readonly kiln = input<Kiln>();
  readonly firing = input.required<Firing>();
  /** All firings of the studio: this kiln is learnt from its own. */
  readonly firings = input.required<readonly Firing[]>();
  readonly busy = input(false);
  readonly witnesses = output<ShelfWitness[]>();
  private readonly units = inject(Units);
  protected readonly bent = BENT;
  /** The lowest cone has none before it. */
  protected readonly cones: readonly FieldOption[] = [['', 'not read'], ...CONE_OPTIONS.slice(1)];
  private readonly offsets = computed(() => {
    const kiln = this.kiln();
    return kiln && offsetsOf(kiln, this.firings());
  });
  private readonly seen = computed(() => {
    const [kiln, offsets] = [this.kiln(), this.offsets()];
    const made = kiln && offsets && attempt(() => shelfCones(kiln.body, asWitnessed(this.firing()), offsets));
    return made?.kind === 'ok' ? made.value : [];
  });
  protected readonly labels = computed((): ShelfLabel[] =>
    this.seen().map((one) => ({ shelfId: one.shelf.id, ...shelfConeWords(one, this.units), warmth: one.offset.celsius })),
  );
  protected readonly rows = computed(() => {
    const shelves = [...(this.kiln()?.body.shelves ?? [])].sort((a, b) => b.heightMm - a.heightMm);
    return shelves.map((shelf) => {
      const read = this.read().find(({ shelfId }) => shelfId === shelf.id);
      const offset = read && attempt(() => shelfOffsetCelsius({ firing: curveOf(this.firing()), witness: read }));
      return { shelf, read, trouble: offset?.kind === 'refused' ? offset.error.message : '' };
    });
  });
  private readonly read = computed(() => this.firing().body.witnesses ?? []);
  protected readonly ground = computed(() => groundWords(this.offsets()));

  protected readCone(shelfId: string, upper: string): void {
    const others = this.read().filter((one) => one.shelfId !== shelfId);
    const lower = CONES[CONES.findIndex(({ cone }) => cone === upper) - 1]?.cone;
    this.witnesses.emit(lower === undefined ? others : [...others, { shelfId, lower, upper, fraction: 1 }]);
  }

  protected bend(shelfId: string, fraction: number): void {
    this.witnesses.emit(this.read().map((one) => (one.shelfId === shelfId ? { ...one, fraction: Number(fraction) } : one)));
  }
}
