import { computed, inject, Injectable } from '@angular/core';
import {
  celsiusToFahrenheit,
  decimalsForDivision,
  formatFixed,
  formatSensible,
  fromCanonical,
  poundsAndOunces,
  scaleFor,
  type MassUnit,
  type VolumeUnit,
} from '@cazuela/core';
import { PreferencesStore } from '../state/preferences';
import { StudioStore } from '../state/studio-store';

/** Made once: making a formatter takes longer than formatting a thousand numbers. */
const AS_TYPED = new Intl.NumberFormat('en', { maximumFractionDigits: 4 });

/** Less than this is said in millilitres or fluid ounces, mL. */
const LEAST_LITRES_ML = 950;

/** Canonical numbers as text, in the units of this device. The only place where screens round. */
@Injectable({ providedIn: 'root' })
export class Units {
  private readonly preferences = inject(PreferencesStore).value;
  private readonly studio = inject(StudioStore).studio;

  readonly massUnit = computed<MassUnit>(() => this.preferences().mass);
  readonly bigVolumeUnit = computed<VolumeUnit>(() => ({ metric: 'L', US: 'US gal', imp: 'imp gal' })[this.preferences().volume] as VolumeUnit);
  readonly smallVolumeUnit = computed<VolumeUnit>(
    () => ({ metric: 'mL', US: 'US fl oz', imp: 'imp fl oz' })[this.preferences().volume] as VolumeUnit,
  );
  /** Whose pints and gallons a bare "pt" stands for; undefined in a metric studio. */
  readonly volumeSystem = computed(() => {
    const { volume } = this.preferences();
    return volume === 'metric' ? undefined : volume;
  });
  readonly temperatureUnit = computed(() => (this.preferences().temperature === 'C' ? '°C' : '°F'));
  private readonly scales = computed(() => this.studio()?.scales ?? []);

  /** Returns the division of the scale for such a weight; a tenth of a gram where no scale is known. */
  divisionFor(grams: number): number {
    const scales = this.scales();
    return scales.length > 0 ? scaleFor({ targetGrams: Math.abs(grams), scales }).divisionGrams : 0.1;
  }

  /** A weight as the scale in use can show it. */
  mass(grams: number, divisionGrams = this.divisionFor(grams)): string {
    return this.massUnit() === 'lb' ? poundsAndOunces(grams) : `${this.massFigure(grams, divisionGrams)} ${this.massUnit()}`;
  }

  /** The same in grams, to stand beside ounces; empty where grams are shown already. */
  besideMass(grams: number): string {
    return this.massUnit() === 'g' ? '' : `${formatFixed(grams, decimalsForDivision(this.divisionFor(grams)))} g`;
  }

  /** What is on the shelf, as sacks and jars are counted, not as a scale shows it. */
  sack(grams: number): string {
    if (this.massUnit() !== 'g') return this.mass(grams);
    return Math.abs(grams) >= 1000 ? `${formatFixed(grams / 1000, 1)} kg` : `${formatFixed(grams, 0)} g`;
  }

  massFigure(grams: number, divisionGrams = this.divisionFor(grams)): string {
    const unit = this.massUnit();
    const decimals = unit === 'g' ? decimalsForDivision(divisionGrams) : unit === 'oz' ? 2 : 3;
    return formatFixed(fromCanonical(grams, unit), decimals);
  }

  /** A bucket's volume. */
  litres(millilitres: number): string {
    // Half a cup is not "0.0 L".
    if (Math.abs(millilitres) < LEAST_LITRES_ML) return this.millilitres(millilitres);
    return `${formatFixed(fromCanonical(millilitres, this.bigVolumeUnit()), 1)} ${this.bigVolumeUnit()}`;
  }

  /**
   * Returns water to pour at once, rounded down to what a jug can show, mL: 1,319 → 1,310, 86 → 85. Too little can be corrected, too much cannot.
   */
  pourable(millilitres: number): number {
    const step = millilitres >= 200 ? 10 : millilitres >= 40 ? 5 : 1;
    return Math.floor(millilitres / step) * step;
  }

  /** A small volume, or water to add: millilitres or fluid ounces. */
  millilitres(value: number): string {
    const unit = this.smallVolumeUnit();
    return `${unit === 'mL' ? formatFixed(value, 0) : formatFixed(fromCanonical(value, unit), 1)} ${unit}`;
  }

  temperature(celsius: number): string {
    return this.preferences().temperature === 'C' ? `${formatFixed(celsius, 0)} °C` : `${formatFixed(celsiusToFahrenheit(celsius), 0)} °F`;
  }

  /** How far apart two temperatures are: "25 °C", "45 °F". */
  temperatureSpan(celsius: number): string {
    const isMetric = this.preferences().temperature === 'C';
    return `${Math.round(Math.abs(isMetric ? celsius : (celsius * 9) / 5))} ${isMetric ? '°C' : '°F'}`;
  }

  /** How fast a kiln goes: "120 °C/h", "216 °F/h"; down with a minus. */
  rate(celsiusPerHour: number): string {
    const sign = Math.round(celsiusPerHour) < 0 ? '−' : '';
    return `${sign}${this.temperatureSpan(celsiusPerHour)}/h`;
  }

  /** How much hotter or colder: "+8 °C", "−14 °F". */
  temperatureStep(celsius: number): string {
    const isMetric = this.preferences().temperature === 'C';
    const step = Math.round(isMetric ? celsius : (celsius * 9) / 5);
    return `${step > 0 ? '+' : step < 0 ? '−' : '±'}${Math.abs(step)} ${isMetric ? '°C' : '°F'}`;
  }

  sg = (value: number): string => formatFixed(value, 2);
  sgFine = (value: number): string => formatFixed(value, 3);
  readonly coatUnit = computed<'mm' | 'thou'>(() => this.preferences().coat);
  /** A coat: mm, or thousandths of an inch. */
  coat = (value: number): string =>
    this.coatUnit() === 'mm' ? `${formatFixed(value, 2)} mm` : `${formatFixed(fromCanonical(value, 'thou'), 0)} thou`;
  readonly lengthUnit = computed<'mm' | 'in'>(() => this.preferences().length);
  /** A size as it was drawn: 12.5 mm, or inches to a hundredth. */
  length = (millimetres: number): string =>
    this.lengthUnit() === 'mm' ? `${this.typed(Math.round(10 * millimetres) / 10)} mm` : `${formatFixed(fromCanonical(millimetres, 'in'), 2)} in`;
  /** Lengths that are known only roughly: a run, a wax line. */
  roughly = (millimetres: number): string =>
    this.lengthUnit() === 'mm'
      ? `${formatFixed(millimetres, millimetres < 10 ? 1 : 0)} mm`
      : `${formatFixed(fromCanonical(millimetres, 'in'), 2)} in`;
  minutes = (value: number): string => `${formatFixed(value, 0)} min`;
  seconds = (value: number): string => `${formatFixed(value, 1)} s`;
  /** A recipe's share as it was written: 3, 2.5, 66.667. */
  share = (value: number): string => `${Number(value.toFixed(3))} %`;
  percent = (value: number): string => `${formatSensible(value)} %`;
  plain = formatSensible;
  /** A number as it was typed: 20, not 20.0. */
  typed = (value: number): string => AS_TYPED.format(value);
  /** A weight that was typed: 0.1 g, not what some scale would show of it. */
  typedMass = (grams: number): string => `${AS_TYPED.format(fromCanonical(grams, this.massUnit()))} ${this.massUnit()}`;
  /** An amount of the studio's money. */
  money = (amount: number): string => `${formatFixed(amount, 2)} ${this.studio()?.currency ?? ''}`.trim();
}
