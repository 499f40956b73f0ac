import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { BucketPart, RangeWay } from '@cazuela/core';
import { Units } from '../../../data/units';
import { wayWords } from '../way-words';
import { BucketScreen } from './bucket-screen';

/** Every way to the range side by side: what to do first, what it costs, what is in its way. */
@Component({
  selector: 'cz-ways-panel',
  imports: [RouterLink],
  template: `
    @if (ways().length > 1) {
      <section aria-labelledby="ways">
        <h2 id="ways">Ways into its range</h2>
        <ul class="plain-list ways">
          @for (entry of ways(); track entry.key) {
            <li [class.blocked]="entry.blocks.length > 0">
              <h3>{{ entry.what }}</h3>
              <p class="small">{{ entry.cost }}.</p>
              @for (block of entry.blocks; track block) {
                <p class="small look">{{ block }}</p>
              }
              @if (entry.way.kind === 'powder') {
                <details>
                  <summary>The powders</summary>
                  <table class="sheet small">
                    @for (part of powder(entry.way.firstGrams); track part.powderId + part.part) {
                      <tr>
                        <td>{{ part.name }}</td>
                        <td class="num">{{ units.mass(part.grams) }}</td>
                      </tr>
                    }
                  </table>
                  <p class="small quiet">Respirator on for the powder; wipe wet.</p>
                </details>
              }
              @if (entry.way.kind === 'otherBucket') {
                <a
                  class="press quiet-press"
                  [routerLink]="['/bucket', entry.way.other.id]"
                  [queryParams]="{ pour: screen.bucket()!.id, ml: entry.ml }"
                  >Pour it from {{ entry.way.other.code }}</a
                >
              } @else if (entry.tap && entry.blocks.length === 0) {
                <button type="button" class="press quiet-press" [attr.aria-label]="entry.tap + ': ' + entry.what" (click)="take(entry.way)">
                  {{ entry.tap }}
                </button>
              }
            </li>
          }
        </ul>
        <p class="quiet small">Each is four fifths of what is missing. Then stir, measure, and take the rest from the new reading.</p>
      </section>
    }
  `,
  styles: `
    .ways {
      margin: 0.5rem 0;
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
      gap: 0 1.4rem;
    }
    li {
      display: grid;
      gap: 0.3rem;
      align-content: start;
      justify-items: start;
      padding: 0.6rem 0;
      border-top: 3px solid var(--copper);
    }
    li.blocked {
      border-top-color: var(--line);
    }
    h3 {
      font-size: 1.05rem;
    }
    table {
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WaysPanel {
  protected readonly screen = inject(BucketScreen);
  protected readonly units = inject(Units);
  /** One way alone is the advice itself. */
  protected readonly ways = computed(() =>
    (this.screen.ways()?.ways ?? []).map((way) => ({
      way,
      key: way.kind + (way.kind === 'otherBucket' ? way.other.id : ''),
      ml: Math.floor(way.firstMl),
      ...wayWords(way, this.units),
    })),
  );

  /** Its own powder in the shares that are in it now, stain and all: the recipe is kept. */
  protected powder(grams: number): BucketPart[] {
    const { parts, dryGrams } = this.screen.contents()!;
    return parts.map((part) => ({ ...part, grams: (part.grams * grams) / dryGrams }));
  }

  protected take(way: RangeWay): void {
    const grams = this.units.pourable(way.firstMl);
    const entered = { value: grams, unit: 'mL' } as const;
    if (way.kind === 'water') this.screen.note({ type: 'waterAdded', grams, entered });
    else if (way.kind === 'pourOff') this.screen.note({ type: 'waterPouredOff', grams, entered });
    else if (way.kind === 'powder') this.screen.note({ type: 'powderAdded', reason: 'thicken', parts: this.powder(way.firstGrams) });
  }
}
