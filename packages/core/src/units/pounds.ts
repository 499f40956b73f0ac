import { MASS_UNITS } from './units';

const FRACTIONS: Readonly<Record<string, string>> = {
  '1/2': '½',
  '1/4': '¼',
  '3/4': '¾',
  '1/8': '⅛',
  '3/8': '⅜',
  '5/8': '⅝',
  '7/8': '⅞',
};

/** A fraction is shown where it is the weight to within this share; a powder that is further off is weighed by decimals. */
const FRACTION_WITHIN = 0.02;

/**
 * Returns a weight in pounds and ounces as bench scales show it: to the quarter ounce from a pound on, to the eighth from two ounces, to the
 * sixteenth below, where that holds within 2 %; else in ounces with decimals. Rounding is carried: 15.9 oz is a pound.
 *
 * @param grams - 0 or more
 * @example
 * poundsAndOunces(1034.8) // '2 lb 4 ½ oz'
 * @example
 * poundsAndOunces(1.5) // '0.053 oz'
 */
export function poundsAndOunces(grams: number): string {
  const inOunces = Math.abs(grams) / MASS_UNITS.oz;
  const parts = inOunces >= 16 ? 4 : inOunces >= 2 ? 8 : 16;
  const steps = Math.round(inOunces * parts);
  if (Math.abs(steps / parts - inOunces) > FRACTION_WITHIN * inOunces) return `${(grams / MASS_UNITS.oz).toFixed(inOunces >= 1 ? 2 : 3)} oz`;
  const pounds = Math.floor(steps / (16 * parts));
  const rest = steps - pounds * 16 * parts;
  const ounces = Math.floor(rest / parts);
  const fraction = fractionOf(rest - ounces * parts, parts);
  const sign = grams < 0 ? '−' : '';
  const ounceWords = ounces > 0 || fraction ? `${[ounces || '', fraction].filter(Boolean).join(' ')} oz` : '';
  const words = [pounds > 0 ? `${pounds} lb` : '', ounceWords].filter(Boolean).join(' ');
  return sign + (words || '0 oz');
}

function fractionOf(numerator: number, denominator: number): string {
  if (numerator === 0) return '';
  let [top, bottom] = [numerator, denominator];
  while (top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  return FRACTIONS[`${top}/${bottom}`] ?? `${top}/${bottom}`;
}
