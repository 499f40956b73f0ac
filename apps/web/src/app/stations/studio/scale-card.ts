import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import type { Scale } from '@cazuela/contract';
import { formatDateTime } from '../../data/times';
import { Units } from '../../data/units';
import { NumberField } from '../../parts/number-field';

/** Further off than this many divisions, or this share, a scale wants a new battery or a calibration. */
const OFF_DIVISIONS = 2;
const OFF_SHARE = 0.002;
const SHOWN_CHECKS = 6;

/** One scale of the studio, and what it made of a known weight over the months. */
@Component({
  selector: 'cz-scale-card',
  imports: [MatIcon, NumberField],
  template: `
    <div class="row fields">
      <label class="named">Scale<input maxlength="80" [value]="scale().name" (input)="changed.emit({ name: $any($event.target).value })" /></label>
      <cz-number-field
        label="It shows steps of"
        quantity="mass"
        [decimals]="3"
        [value]="scale().divisionGrams"
        [least]="0.001"
        [most]="100"
        (changed)="$event.value && changed.emit({ divisionGrams: $event.value })"
      />
      <cz-number-field
        label="and holds up to"
        quantity="mass"
        [value]="scale().capacityGrams"
        [least]="10"
        (changed)="$event.value && changed.emit({ capacityGrams: $event.value })"
      />
      @if (!only()) {
        <button type="button" class="press bare" [attr.aria-label]="'Take out ' + scale().name" (click)="removed.emit()">
          <mat-icon svgIcon="close" aria-hidden="true" />
        </button>
      }
    </div>
    <details>
      <summary>Against a known weight{{ verdict() ? ': ' + verdict() : '' }}</summary>
      <form class="row fields" (submit)="$event.preventDefault(); check()">
        <cz-number-field label="Known weight" quantity="mass" [value]="known()" [decimals]="2" [least]="1" (changed)="known.set($event.value)" />
        <cz-number-field label="The scale shows" quantity="mass" [value]="shown()" [decimals]="3" [least]="0" (changed)="shown.set($event.value)" />
        <button type="submit" class="press quiet-press" [disabled]="!known() || shown() === null">Note it</button>
      </form>
      @if (rows().length > 0) {
        <table class="sheet" aria-label="What it showed">
          @for (row of rows(); track row.at) {
            <tr>
              <td>{{ row.when }}, {{ row.by }}</td>
              <td class="num">{{ row.shown }}</td>
              <td class="num" [class.look]="row.off">{{ row.difference }}</td>
            </tr>
          }
        </table>
      }
    </details>
  `,
  styles: `
    :host {
      display: block;
      padding: 0.3rem 0;
    }
    .fields {
      align-items: end;
      gap: 0.9rem;
    }
    .sheet {
      width: auto;
      min-width: 24rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScaleCard {
  readonly scale = input.required<Scale>();
  readonly only = input(false);
  readonly changed = output<Partial<Scale>>();
  readonly removed = output();
  readonly checked = output<{ knownGrams: number; shownGrams: number }>();
  private readonly units = inject(Units);
  protected readonly known = signal<number | null>(500);
  protected readonly shown = signal<number | null>(null);
  protected readonly rows = computed(() =>
    [...this.scale().checks]
      .reverse()
      .slice(0, SHOWN_CHECKS)
      .map(({ at, by, knownGrams, shownGrams }) => {
        const difference = shownGrams - knownGrams;
        return {
          at,
          by,
          when: formatDateTime(at),
          shown: this.units.mass(shownGrams),
          difference: `${difference >= 0 ? '+' : '−'} ${this.units.plain(Math.abs(difference))} g`,
          off: Math.abs(difference) > Math.max(OFF_DIVISIONS * this.scale().divisionGrams, OFF_SHARE * knownGrams),
        };
      }),
  );
  protected readonly verdict = computed(() => {
    const [newest] = this.rows();
    if (!newest) return 'never checked';
    return newest.off ? `off by ${newest.difference}: battery or calibration` : `${newest.difference} when last checked`;
  });

  protected check(): void {
    const [knownGrams, shownGrams] = [this.known(), this.shown()];
    if (!knownGrams || shownGrams === null) return;
    this.checked.emit({ knownGrams, shownGrams });
    this.shown.set(null);
  }
}
