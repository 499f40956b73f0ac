/**
 * Returns ∫f over an interval from 0 to 1, by Simpson's rule.
 *
 * The error falls with the fourth power of the panels for a smooth f; a cubic is exact.
 *
 * @param f - the integrand, smooth from 0 to 1
 * @param panels - how many parts the interval is cut into, even, at least 2
 * @example
 * simpson((x) => x ** 3, 2) // 0.25
 */
export function simpson(f: (x: number) => number, panels: number): number {
  let sum = f(0) + f(1);
  for (let i = 1; i < panels; i++) sum += (i % 2 === 1 ? 4 : 2) * f(i / panels);
  return sum / (3 * panels);
}
