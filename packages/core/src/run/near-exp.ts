/** Steps of the table for each doubling, and the powers of e it spans: flow figures lie well within. */
const PER_DOUBLING = 32;
const SPAN = 22;
const STEP = Math.LN2 / PER_DOUBLING;
const HALF = Math.ceil(SPAN / STEP) + 1;
const TABLE = Float64Array.from({ length: 2 * HALF + 1 }, (_, at) => Math.exp((at - HALF) * STEP));

/**
 * e to the power x, to 1e-13 of itself: a table of its steps and five terms of its series for what is left (|r| < 0.011). Asked for a hundred
 * thousand times in a run, where the exact one costs as much as all the rest. Beyond the table it is the exact one.
 */
export function nearExp(x: number): number {
  if (!(x > -SPAN && x < SPAN)) return Math.exp(x);
  const at = Math.round(x / STEP);
  const r = x - at * STEP;
  return TABLE[at + HALF]! * (1 + r * (1 + r * (1 / 2 + r * (1 / 6 + r * (1 / 24 + r / 120)))));
}
