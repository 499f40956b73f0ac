/** Steps of the table for each doubling, and the powers of e it covers: flow figures lie well within. */
const PER_DOUBLING = 256;
const SPAN = 22;
const STEP = Math.LN2 / PER_DOUBLING;
const PER_STEP = 1 / STEP;
const HALF = Math.ceil(SPAN / STEP) + 1;
const TABLE = Float64Array.from({ length: 2 * HALF + 1 }, (_, at) => Math.exp((at - HALF) * STEP));
const SIXTH = 1 / 6;

/**
 * Returns e to the power x, within 2e-13 of itself: a table of steps and four terms of the series for what is left. Outside −22 to 22 it is
 * Math.exp.
 *
 * A run asks for it a hundred thousand times; there Math.exp costs as much as all the rest.
 *
 * @param x - any number
 * @example
 * nearExp(1) // 2.7182818
 */
export function nearExp(x: number): number {
  if (!(x > -SPAN && x < SPAN)) return Math.exp(x);
  // The argument is positive here, so cutting off its decimals rounds it.
  const at = (x * PER_STEP + HALF + 0.5) | 0;
  const r = x - (at - HALF) * STEP;
  return TABLE[at]! * (1 + r * (1 + r * (0.5 + r * SIXTH)));
}
