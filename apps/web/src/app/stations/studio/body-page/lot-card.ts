import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { ReactiveFormsModule } from '@angular/forms';
import { MatIcon } from '@angular/material/icon';
import { attempt, readThirstTest, wallSuctionGuess, type ThirstTest } from '@cazuela/core';
import { formatWhen } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { NumberField } from '../../../ui/number-field';
import type { LotForm } from './body-form';
import { ThirstBench } from './thirst-bench';
import { ThirstTestsUnderWay } from './thirst-tests-under-way';
import { TextField } from '../../../ui/text-field';
import { SelectField } from '../../../ui/select-field';
import { CONE_OPTIONS } from '../../../data/units/cone-options';

/** One bisque firing of a body: the cone it reached, its wall, and how thirsty it proved in water. */
@Component({
  selector: 'cz-lot-card',
  imports: [MatButton, MatIcon, MatIconButton, MatTooltip, NumberField, ReactiveFormsModule, SelectField, TextField, ThirstBench],
  templateUrl: './lot-card.html',
  styles: `
    :host {
      display: block;
      padding: 0.6rem 0;
      border-bottom: 1px solid var(--line);
    }
    .lot {
      display: grid;
      grid-template-columns: repeat(4, minmax(0, 1fr)) 44px;
      gap: 0.8rem;
      align-items: end;
    }
    .lot button {
      grid-column: -2;
    }
    @media (max-width: 700px) {
      .lot {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LotCard {
  readonly form = input.required<LotForm>();
  readonly bodyWallMm = input<number | null>(null);
  readonly removed = output<void>();
  protected readonly units = inject(Units);
  protected readonly underWay = inject(ThirstTestsUnderWay);
  protected readonly cones = CONE_OPTIONS;
  protected readonly when = formatWhen;
  protected readonly testing = signal(false);

  // A getter, not a signal: a form tells the screen itself when it changes.
  protected thirst(): string {
    const { thirst, bisqueCone } = this.form().getRawValue();
    const read = thirst && attempt(() => readThirstTest(thirst));
    if (!read) return 'Its thirst is a starting guess from its cone.';
    if (read.kind === 'refused') return read.error.message;
    const { wallSuction, absorptionPercent, waterMm } = read.value;
    const against = wallSuction / wallSuctionGuess({ bisqueCone });
    const said = against > 1.1 ? 'thirstier than' : against < 0.9 ? 'less thirsty than' : 'as thirsty as';
    return `Tested in water: drinks ${this.units.percent(absorptionPercent)}, ${waterMm.toFixed(2)} mm in all, suction ${wallSuction.toFixed(3)} mm²/s, ${said} cone ${bisqueCone} usually is.`;
  }

  protected keepTest(test: ThirstTest | null): void {
    const { thirst } = this.form().controls;
    thirst.setValue(test);
    thirst.markAsDirty();
    this.testing.set(false);
  }
}
