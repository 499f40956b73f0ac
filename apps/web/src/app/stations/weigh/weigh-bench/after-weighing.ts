import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { allowedDifference, closingCheck, type BatchCheck, type BatchLineState, type BatchState } from '@cazuela/core';
import { Units } from '../../../data/units/units';
import { NumberField, type TypedNumber } from '../../../ui/number-field';
import { closingWords, sieveWords } from '../weigh-words';
import { Checkbox } from '../../../ui/checkbox';

export interface NewCheck {
  check: BatchCheck;
  lineId?: string;
  value?: number;
  text?: string;
  entered?: NonNullable<TypedNumber['entered']>;
}

/** From the last powder to a bucket: the closing weight, slaking, mixing, the sieve, the waste, and a tile beside the old bucket. */
@Component({
  selector: 'cz-after-weighing',
  imports: [Checkbox, MatButton, NumberField],
  templateUrl: './after-weighing.html',
  styles: `
    .after {
      display: grid;
      gap: 0.3rem;
      margin: 0.4rem 0;
      padding-left: 1.4rem;
      font-size: 1.05rem;
      max-width: 50rem;
    }
    .asked {
      display: grid;
      grid-template-columns: 15rem minmax(0, 1fr);
      gap: 1.2rem;
      align-items: end;
    }
    .check {
      display: flex;
      gap: 0.7rem;
      align-items: start;
      min-height: 44px;
      cursor: pointer;
      input {
        width: 26px;
        height: 26px;
        flex: none;
      }
    }
    @media (max-width: 900px) {
      .asked {
        grid-template-columns: minmax(0, 1fr);
        gap: 0.3rem;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AfterWeighing {
  readonly state = input.required<BatchState>();
  readonly checked = output<NewCheck>();
  /** A line to be weighed after all. */
  readonly opened = output<BatchLineState>();
  protected readonly units = inject(Units);
  private readonly typed = signal<Partial<Record<BatchCheck, number>>>({});
  protected readonly expected = computed(() => this.state().dryInGrams + (this.state().waterInGrams ?? 0));
  protected readonly skipped = computed(() => this.state().lines.filter((line) => line.state === 'skipped'));
  protected readonly closing = computed(() => this.value('closingWeight'));
  protected readonly sieve = computed(() =>
    sieveWords(this.state().lines.flatMap((line) => (line.inGrams > 0 && line.sieveMesh ? [line.sieveMesh] : []))),
  );
  protected readonly closingVerdict = computed(() => {
    const shownGrams = this.closing();
    if (shownGrams === undefined) return undefined;
    const { waterInGrams = 0 } = this.state();
    const lines = [
      ...this.state().lines.flatMap(({ name, inGrams }) => (inGrams > 0 ? [{ name, grams: inGrams }] : [])),
      { name: 'the water', grams: waterInGrams },
    ];
    const skipped = this.skipped().map(({ name, targetGrams }) => ({ name, grams: targetGrams }));
    const allowedGrams = allowedDifference({ lines, divisionGrams: this.units.divisionFor(this.expected()) });
    return closingWords(closingCheck({ lines, skipped, shownGrams, allowedGrams }), this.units);
  });
  protected readonly residueSays = computed(() => {
    const residue = this.value('sieveResidue');
    if (!residue) return '';
    const share = (100 * residue) / this.state().dryInGrams;
    if (share > 100) return `That is more than was weighed in (${this.units.mass(this.state().dryInGrams)}): is it dry, and is the unit right?`;
    return `${this.units.plain(share)} % of the powder stays out. ${share > 0.5 ? 'That changes the recipe: grind' : 'Grind'} it wet and put it back.`;
  });

  protected value(check: BatchCheck): number | undefined {
    return this.typed()[check] ?? this.state().checks.find((one) => one.check === check)?.value;
  }

  protected done(check: BatchCheck): boolean {
    return this.state().checks.some((one) => one.check === check);
  }

  protected take(check: BatchCheck, { value, entered }: TypedNumber): void {
    if (value === null) return;
    this.typed.update((typed) => ({ ...typed, [check]: value }));
    this.checked.emit({ check, value, ...(entered ? { entered } : {}) });
  }
}
