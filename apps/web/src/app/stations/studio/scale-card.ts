import { ChangeDetectionStrategy, Component, inject, input, model, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ReactiveFormsModule } from '@angular/forms';
import { scaleCheckSchema, type ScaleCheck } from '@cazuela/contract';
import { decimalsForDivision, formatFixed } from '@cazuela/core';
import { formatDateTime } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { contractForm } from '../../ui/forms/contract-form';
import { NumberField } from '../../ui/number-field';
import { TextField } from '../../ui/text-field';
import { ScalePicture } from '../../parts/scale-picture';
import type { ScaleForm } from './studio-form';

/** Further off than this many divisions, or this share, a scale needs a new battery or a calibration. */
const OFF_DIVISIONS = 2;
const OFF_SHARE = 0.002;
const SHOWN_CHECKS = 6;

interface CheckRow {
  at: string;
  by: string;
  when: string;
  shown: string;
  difference: string;
  off: boolean;
}

/** One scale of the studio, and what it made of a known weight over the months. */
@Component({
  selector: 'cz-scale-card',
  imports: [MatButton, NumberField, ReactiveFormsModule, ScalePicture, TextField],
  templateUrl: './scale-card.html',
  styleUrl: './thing-card.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScaleCard {
  readonly form = input.required<ScaleForm>();
  readonly only = input(false);
  readonly open = model(false);
  readonly removed = output();
  readonly checked = output<{ knownGrams: number; shownGrams: number }>();
  private readonly units = inject(Units);
  protected readonly test = contractForm(scaleCheckSchema, { knownGrams: 500 as number | null, shownGrams: null as number | null });

  // Getters, not signals: a form tells the screen itself when it changes.
  protected told(): string {
    const { divisionGrams, capacityGrams } = this.form().getRawValue();
    return divisionGrams && capacityGrams
      ? `in steps of ${this.units.typedMass(divisionGrams)}, up to ${this.units.typedMass(capacityGrams)}`
      : 'its steps and its load are missing';
  }

  protected rows(): CheckRow[] {
    const { checks, divisionGrams } = this.form().getRawValue();
    return [...checks]
      .reverse()
      .slice(0, SHOWN_CHECKS)
      .map((check) => this.row(check, divisionGrams));
  }

  protected newest(): CheckRow | undefined {
    return this.rows()[0];
  }

  protected verdict(): string {
    const newest = this.newest();
    if (!newest) return 'never checked';
    return newest.off ? `off by ${newest.difference}: battery or calibration` : `${newest.difference} when last checked`;
  }

  protected check(): void {
    const { knownGrams, shownGrams } = this.test.getRawValue();
    this.test.markAllAsTouched();
    if (this.test.invalid || !knownGrams || shownGrams === null) return;
    this.checked.emit({ knownGrams, shownGrams });
    this.test.reset();
  }

  private row({ at, by, knownGrams, shownGrams }: ScaleCheck, divisionGrams: number): CheckRow {
    const difference = shownGrams - knownGrams;
    // As fine as the scale shows: another decimal would be made up.
    const decimals = decimalsForDivision(divisionGrams);
    return {
      at,
      by,
      when: formatDateTime(at),
      shown: this.units.mass(shownGrams),
      difference: `${difference >= 0 ? '+' : '−'} ${formatFixed(Math.abs(difference), decimals)} g`,
      off: Math.abs(difference) > Math.max(OFF_DIVISIONS * divisionGrams, OFF_SHARE * knownGrams),
    };
  }
}
