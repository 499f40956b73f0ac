import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { NG_VALIDATORS, NG_VALUE_ACCESSOR, type ValidationErrors, type Validator } from '@angular/forms';
import { MatFormField, MatSuffix } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import {
  celsiusToFahrenheit,
  fahrenheitToCelsius,
  formatFixed,
  fromCanonical,
  readNumber,
  toCanonical,
  type Entered,
  type Unit,
} from '@cazuela/core';
import { Units } from '../data/units/units';
import { ErrorState } from './error-state';
import { Field } from './field';
import { FieldControl } from './field-control';
import { SENTENCE } from './forms/sentence';

/** What a field measures: it decides the unit, and which other units may be typed. */
export type Quantity = 'plain' | 'mass' | 'smallVolume' | 'bigVolume' | 'length' | 'coat' | 'temperature' | 'temperatureRate';

export interface TypedNumber {
  /** In g, mL, mm or plain; null when the field is empty or holds no number. */
  value: number | null;
  /** As it was typed, for quantities. */
  entered?: Entered;
}

const FAMILY: Record<Quantity, readonly string[]> = {
  plain: [],
  mass: ['g', 'kg', 'oz', 'lb'],
  smallVolume: ['mL', 'L', 'US gal', 'US qt', 'US pt', 'US fl oz', 'US tbsp', 'US tsp', 'imp gal', 'imp pt', 'imp fl oz', 'drop'],
  bigVolume: ['mL', 'L', 'US gal', 'US qt', 'US pt', 'US fl oz', 'imp gal', 'imp pt', 'imp fl oz'],
  length: ['mm', 'cm', 'in'],
  coat: ['mm', 'thou', 'in'],
  temperature: [],
  temperatureRate: [],
};
const FAHRENHEIT_PER_CELSIUS = 1.8;
/** An inch is shown finer than a millimetre. */
const INCH_DECIMALS = 2;

/**
 * A number with its unit. It takes what a potter types ("1,5", "2 lb", "1/2"), keeps it as typed, emits the canonical number, and says in a
 * sentence what to type when it is none. In a form its value is the canonical number, null for an empty field.
 */
@Component({
  selector: 'cz-number-field',
  imports: [ErrorState, Field, MatFormField, MatInput, MatSuffix],
  template: `
    <cz-field [of]="this">
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <input
          #box
          matInput
          class="figure"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          [id]="id"
          [value]="text()"
          [disabled]="isDisabled()"
          [czErrorState]="!!problem()"
          [aria-describedby]="describedBy()"
          (input)="type(box.value)"
          (change)="isEditing.set(false)"
          (blur)="leave()"
          (keydown.enter)="entered.emit()"
        />
        @if (shownUnit()) {
          <span matTextSuffix class="unit" aria-hidden="true">{{ shownUnit() }}</span>
        }
      </mat-form-field>
    </cz-field>
  `,
  styles: `
    .unit {
      white-space: nowrap;
      color: var(--iron-wash);
      font-weight: 600;
    }
  `,
  providers: [
    { provide: NG_VALUE_ACCESSOR, useExisting: NumberField, multi: true },
    { provide: NG_VALIDATORS, useExisting: NumberField, multi: true },
  ],
  // Else the unit is not seen as Material's suffix.
  preserveWhitespaces: false,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NumberField extends FieldControl<number | null, TypedNumber> implements Validator {
  readonly quantity = input<Quantity>('plain');
  /** Shown behind a plain number, e.g. "%". */
  readonly unit = input('');
  /** Decimals shown for a value that came from outside. */
  readonly decimals = input(2);
  readonly least = input<number>();
  readonly most = input<number>();
  /** What is usual, in the field's own unit: anything else is asked about in words, and taken all the same. */
  readonly usual = input<readonly [least: number, most: number]>();
  /** Once it is left it shows `value` again, where that is not what was typed: the number was refused. */
  readonly keptOnly = input(false, { transform: booleanAttribute });
  readonly entered = output<void>();

  private readonly units = inject(Units);
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');

  protected readonly shownUnit = computed(() => {
    switch (this.quantity()) {
      case 'plain':
        return this.unit();
      case 'mass':
        return this.units.massUnit();
      case 'smallVolume':
        return this.units.smallVolumeUnit();
      case 'bigVolume':
        return this.units.bigVolumeUnit();
      case 'length':
        return this.unit() || this.units.lengthUnit();
      case 'coat':
        return this.units.coatUnit();
      case 'temperature':
        return this.units.temperatureUnit();
      case 'temperatureRate':
        return `${this.units.temperatureUnit()}/h`;
    }
  });
  /** From the first key until the field is left or Enter is pressed. */
  protected readonly isEditing = signal(false);
  /**
   * What the box shows. While a hand types, the text stays as typed, whatever comes from outside: "1.", on the way from 1.5 to 1.6, is not
   * filled up with another figure. After that: the typed text while its number is still the value, else the value as text. A text that is no
   * number stays while the value is the last number that was emitted.
   */
  private readonly typed = linkedSignal<
    { value: number | null | undefined; isEditing: boolean },
    { text: string; value: number | null; sent: number | null } | undefined
  >({
    source: () => ({ value: this.current(), isEditing: this.isEditing() }),
    computation: ({ value, isEditing }, before) => {
      const [kept, now] = [before?.value, value ?? null];
      return kept && (isEditing || kept.value === now || (kept.value === null && kept.sent === now)) ? kept : undefined;
    },
  });
  protected readonly text = computed(() => this.typed()?.text ?? this.format(this.current()));
  private readonly typedProblem = computed(() => this.wrong(this.text()));

  override readonly question = computed(() => {
    const [usual, value] = [this.usual(), this.current()];
    if (!usual || value === null || value === undefined || this.problem()) return undefined;
    const [least, most] = usual;
    if (value >= least && value <= most) return undefined;
    return `${this.format(value)}${this.suffix()} is unusual: mostly ${this.format(least) || '0'} to ${this.format(most)}${this.suffix()}. Is it so?`;
  });

  focus(): void {
    this.box().nativeElement.focus();
    this.box().nativeElement.select();
  }

  /** In a form, what cannot be read as a number is an error like any other. */
  validate(): ValidationErrors | null {
    const words = this.typedProblem();
    return words ? { [SENTENCE]: words } : null;
  }

  protected override ownProblem(): string | undefined {
    return this.typedProblem();
  }

  protected type(text: string): void {
    this.isEditing.set(true);
    const reading = readNumber(text, this.units.volumeSystem());
    if (reading.kind !== 'ok' || this.wrong(text)) {
      this.typed.update((before) => ({ text, value: null, sent: before?.sent ?? null }));
      this.take(null, { value: null });
      return;
    }
    const unit = reading.unit ?? this.ownUnit();
    const value = this.canonical(reading.value, unit);
    this.typed.set({ text, value, sent: value });
    this.take(value, { value, ...(unit ? { entered: { value: reading.value, unit } } : {}) });
  }

  /** On blur, a number typed in another unit is shown in the unit of the field. */
  protected override leave(): void {
    super.leave();
    this.isEditing.set(false);
    const typed = this.typed();
    if (this.keptOnly() && typed && typed.value !== (this.value() ?? null)) {
      this.typed.set(undefined);
      this.current.set(this.value());
    } else if (typed && typed.value !== null && /[a-z]/i.test(typed.text)) this.typed.set(undefined);
  }

  private format(value: number | null | undefined): string {
    if (value === null || value === undefined || !Number.isFinite(value)) return '';
    const unit = this.ownUnit();
    const shown = unit ? fromCanonical(value, unit) : this.inDegrees(value);
    // At most so many decimals, without trailing zeros: 30 stays 30; a thousand has no comma inside a field.
    return formatFixed(shown, this.decimals() + (unit === 'in' ? INCH_DECIMALS : 0))
      .replace(/,/g, '')
      .replace(/(\.\d*?)0+$/, '$1')
      .replace(/\.$/, '');
  }

  private wrong(text: string): string | undefined {
    const reading = readNumber(text, this.units.volumeSystem());
    if (reading.kind === 'empty') return undefined;
    if (reading.kind === 'notANumber' && reading.meant) return `“${reading.text.slice(0, 20)}” may be two: type ${reading.meant.join(' or ')}.`;
    if (reading.kind === 'notANumber')
      return `“${reading.text.slice(0, 20)}” is not a number: type something like 1.5${FAMILY[this.quantity()].length === 0 ? '' : `, or with a unit like 2 ${FAMILY[this.quantity()].at(-1)}`}.`;
    if (reading.unit && !FAMILY[this.quantity()].includes(reading.unit)) {
      return FAMILY[this.quantity()].length === 0
        ? 'Type the number alone, without a unit.'
        : `Here it takes ${FAMILY[this.quantity()].slice(0, 4).join(', ')}.`;
    }
    const value = this.canonical(reading.value, reading.unit ?? this.ownUnit());
    const least = this.least();
    const most = this.most();
    if (least !== undefined && value < least) return `${this.label()}: at least ${this.format(least) || least}${this.suffix()}.`;
    if (most !== undefined && value > most) return `${this.label()}: at most ${this.format(most) || most}${this.suffix()}.`;
    return undefined;
  }

  /** The unit of a bare number; none for plain numbers and temperatures. */
  private ownUnit(): Unit | undefined {
    return FAMILY[this.quantity()].length === 0 ? undefined : (this.shownUnit() as Unit);
  }

  private isFahrenheit(): boolean {
    return this.units.temperatureUnit() === '°F';
  }

  /** A temperature, or a rate of it, as it is shown; any other number as it is. */
  private inDegrees(value: number): number {
    if (!this.isFahrenheit()) return value;
    if (this.quantity() === 'temperatureRate') return value * FAHRENHEIT_PER_CELSIUS;
    return this.quantity() === 'temperature' ? celsiusToFahrenheit(value) : value;
  }

  private canonical(value: number, unit: Unit | undefined): number {
    if (unit) return toCanonical({ value, unit });
    if (!this.isFahrenheit()) return value;
    if (this.quantity() === 'temperatureRate') return value / FAHRENHEIT_PER_CELSIUS;
    return this.quantity() === 'temperature' ? fahrenheitToCelsius(value) : value;
  }

  private suffix(): string {
    return this.shownUnit() ? ` ${this.shownUnit()}` : '';
  }
}
