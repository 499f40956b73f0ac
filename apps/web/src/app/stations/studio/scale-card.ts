import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import type { Scale } from '@cazuela/contract';
import { decimalsForDivision, formatFixed } from '@cazuela/core';
import { formatDateTime } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { NumberField } from '../../ui/number-field';
import { TextField } from '../../ui/text-field';
import { Expansion } from '../../ui/expansion';

/** Further off than this many divisions, or this share, a scale needs a new battery or a calibration. */
const OFF_DIVISIONS = 2;
const OFF_SHARE = 0.002;
const SHOWN_CHECKS = 6;

/** One scale of the studio, and what it made of a known weight over the months. */
@Component({
  selector: 'cz-scale-card',
  imports: [Expansion, MatIcon, NumberField, TextField],
  templateUrl: './scale-card.html',
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
        // As fine as the scale shows: another decimal would be made up.
        const decimals = decimalsForDivision(this.scale().divisionGrams);
        return {
          at,
          by,
          when: formatDateTime(at),
          shown: this.units.mass(shownGrams),
          difference: `${difference >= 0 ? '+' : '−'} ${formatFixed(Math.abs(difference), decimals)} g`,
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
