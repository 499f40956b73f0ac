import { ChangeDetectionStrategy, Component, inject, input, model, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ReactiveFormsModule } from '@angular/forms';
import { checkVessel } from '@cazuela/core';
import { Units } from '../../data/units/units';
import { NumberField } from '../../ui/number-field';
import { TextField } from '../../ui/text-field';
import type { VesselForm } from './studio-form';
import { VesselPicture } from './vessel-picture';

/** One vessel for SG: its empty weight, its true volume, the distance between its marks. */
@Component({
  selector: 'cz-vessel-card',
  imports: [MatButton, NumberField, ReactiveFormsModule, TextField, VesselPicture],
  template: `
    <cz-vessel-picture [volumeMl]="form().value.volumeMl ?? 0" [markMl]="form().value.markMl ?? 0" />
    <h3>{{ form().value.name || 'A vessel' }}</h3>
    <p>{{ told() }}</p>
    @if (open()) {
      <div class="stack" [formGroup]="form()">
        <cz-text-field label="Vessel" formControlName="name" />
        <cz-number-field label="Empty" quantity="mass" formControlName="tareGrams" [decimals]="2" [least]="0" />
        <cz-number-field
          label="Full of water"
          hint="checks it"
          quantity="mass"
          [decimals]="2"
          [value]="null"
          [least]="0"
          (changed)="checkWithWater($event.value)"
        />
        @if (farMl(); as found) {
          <p class="look small" role="alert">
            {{ found }} mL is far from {{ form().value.volumeMl }}: was it filled to another mark, or is its empty weight another? If it is so, type
            it as its true volume.
          </p>
        }
        <cz-number-field label="True volume" quantity="smallVolume" formControlName="volumeMl" [least]="1" />
        <cz-number-field label="Between marks" quantity="smallVolume" formControlName="markMl" [least]="0.01" />
      </div>
    }
    <div class="row">
      <button
        type="button"
        matButton="text"
        [attr.aria-expanded]="open()"
        [attr.aria-label]="(open() ? 'Close ' : 'Change or check ') + form().value.name"
        (click)="open.set(!open())"
      >
        {{ open() ? 'Close' : 'Change or check' }}
      </button>
      @if (open()) {
        <button type="button" matButton="text" [attr.aria-label]="'Take out ' + form().value.name" (click)="removed.emit()">Take out</button>
      }
    </div>
  `,
  styleUrl: './thing-card.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VesselCard {
  readonly form = input.required<VesselForm>();
  readonly open = model(false);
  readonly removed = output();
  private readonly units = inject(Units);
  /** What the water says, where it is far from what is kept. */
  protected readonly farMl = signal<number | undefined>(undefined);

  // A getter, not a signal: a form tells the screen itself when it changes.
  protected told(): string {
    const { volumeMl, tareGrams, markMl } = this.form().getRawValue();
    if (!volumeMl || tareGrams === null || !markMl) return 'its sizes are missing';
    return `holds ${this.units.millilitres(volumeMl)}, weighs ${this.units.typedMass(tareGrams)} empty, marks every ${this.units.millilitres(markMl)}`;
  }

  /** Filled with water to its mark: what that weighs in grams is the true volume in millilitres, whatever is printed on it. */
  protected checkWithWater(fullGrams: number | null): void {
    const { volumeMl, tareGrams } = this.form().controls;
    const found = fullGrams === null ? undefined : checkVessel({ fullGrams, tareGrams: tareGrams.value, volumeMl: volumeMl.value });
    this.farMl.set(found?.kind === 'far' ? found.trueMl : undefined);
    if (found?.kind !== 'ok') return;
    volumeMl.setValue(found.trueMl);
    volumeMl.markAsDirty();
  }
}
