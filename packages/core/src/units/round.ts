/**
 * Returns the decimals worth showing for a weight on a scale.
 *
 * @param divisionGrams - finest step of the scale, g, above 0
 * @example
 * decimalsForDivision(0.1) // 1
 */
export function decimalsForDivision(divisionGrams: number): number {
  if (!(divisionGrams > 0)) return 1;
  return Math.max(0, Math.min(3, Math.ceil(-Math.log10(divisionGrams) - 1e-9)));
}

/** Made once for each number of decimals: making a formatter takes a hundred times as long as using it. */
const FORMATS = new Map<number, Intl.NumberFormat>();

function formatWith(decimals: number): Intl.NumberFormat {
  let format = FORMATS.get(decimals);
  if (!format) FORMATS.set(decimals, (format = new Intl.NumberFormat('en-GB', { minimumFractionDigits: decimals, maximumFractionDigits: decimals })));
  return format;
}

/**
 * Returns text with thousands separated by commas and a fixed number of decimals.
 *
 * @param value - any number
 * @param decimals - 0 or more
 * @example
 * formatFixed(1556.4, 0) // '1,556'
 */
export function formatFixed(value: number, decimals: number): string {
  const shown = Object.is(Math.round(value * 10 ** decimals), -0) ? 0 : value;
  return formatWith(decimals).format(shown);
}

/**
 * Returns text with three to four meaningful digits, as a bench needs them.
 *
 * @param value - any number
 * @example
 * formatSensible(12.34) // '12.3'
 */
export function formatSensible(value: number): string {
  const size = Math.abs(value);
  const decimals = size >= 100 || size === 0 ? 0 : size >= 10 ? 1 : size >= 1 ? 2 : 3;
  return formatFixed(value, decimals);
}
