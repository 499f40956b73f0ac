/** Exact unit factors. Mass in g, volume in mL, length in mm. Source: international and US customary definitions. */
export const MASS_UNITS = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 } as const;

export const VOLUME_UNITS = {
  mL: 1,
  L: 1000,
  'US gal': 3785.411784,
  'US qt': 946.352946,
  'US pt': 473.176473,
  'US fl oz': 29.5735295625,
  'US tbsp': 14.78676478125,
  'US tsp': 4.92892159375,
  'imp gal': 4546.09,
  'imp pt': 568.26125,
  'imp fl oz': 28.4130625,
  drop: 0.05,
} as const;

/** A thou is a thousandth of an inch. */
export const LENGTH_UNITS = { mm: 1, cm: 10, in: 25.4, thou: 0.0254 } as const;

export type MassUnit = keyof typeof MASS_UNITS;
export type VolumeUnit = keyof typeof VOLUME_UNITS;
export type LengthUnit = keyof typeof LENGTH_UNITS;
export type Unit = MassUnit | VolumeUnit | LengthUnit;

/** What was typed, kept beside the canonical number so that it is shown again as it was entered. */
export interface Entered {
  value: number;
  unit: Unit;
}

const ALL_UNITS: Record<Unit, number> = { ...MASS_UNITS, ...VOLUME_UNITS, ...LENGTH_UNITS };

/**
 * Returns an entered amount in the canonical unit: g, mL or mm.
 *
 * @param entered - `value` and its `unit`
 * @example
 * toCanonical({ value: 1, unit: 'lb' }) // 453.59237
 */
export function toCanonical(entered: Entered): number {
  return entered.value * ALL_UNITS[entered.unit];
}

/**
 * Returns a canonical amount in another unit.
 *
 * @param canonical - g, mL or mm
 * @param unit - of the same kind
 * @example
 * fromCanonical(453.59237, 'lb') // 1
 */
export function fromCanonical(canonical: number, unit: Unit): number {
  return canonical / ALL_UNITS[unit];
}

/**
 * Returns °F.
 *
 * @param celsius - °C
 * @example
 * celsiusToFahrenheit(100) // 212
 */
export const celsiusToFahrenheit = (celsius: number): number => celsius * 1.8 + 32;
/**
 * Returns °C.
 *
 * @param fahrenheit - °F
 * @example
 * fahrenheitToCelsius(212) // 100
 */
export const fahrenheitToCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;
