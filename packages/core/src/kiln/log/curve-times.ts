import type { FiringPoint } from '../../melt/heat-work';

/** Near its hottest is within so much of it, °C. */
export const NEAR_PEAK_CELSIUS = 10;

/**
 * Returns the hottest point of a curve, the first of several.
 *
 * @param curve - one point or more
 * @example
 * hottestPoint([{ hours: 0, celsius: 20 }, { hours: 9, celsius: 1200 }]).hours // 9
 */
export const hottestPoint = (curve: readonly FiringPoint[]): FiringPoint =>
  curve.reduce((best, point) => (point.celsius > best.celsius ? point : best));

/**
 * Returns when a curve first reaches a temperature, hours; its end where it never does.
 *
 * @param curve - one point or more, hours rising
 * @param celsius - the temperature
 * @example
 * firstAtHours([{ hours: 0, celsius: 0 }, { hours: 10, celsius: 1000 }], 500) // 5
 */
export function firstAtHours(curve: readonly FiringPoint[], celsius: number): number {
  const at = curve.findIndex((point) => point.celsius >= celsius);
  const [a, b] = [curve[at - 1], curve[at]];
  if (!b) return curve.at(-1)!.hours;
  return a && b.celsius > a.celsius ? a.hours + ((b.hours - a.hours) * (celsius - a.celsius)) / (b.celsius - a.celsius) : b.hours;
}

/**
 * Returns when a curve was last at a temperature on its way down, hours; undefined where it never came down to it.
 *
 * @param curve - hours rising
 * @param celsius - the temperature
 * @example
 * lastAtHours([{ hours: 0, celsius: 1000 }, { hours: 10, celsius: 0 }], 500) // 5
 */
export function lastAtHours(curve: readonly FiringPoint[], celsius: number): number | undefined {
  const at = curve.findLastIndex((point) => point.celsius >= celsius);
  const [a, b] = [curve[at], curve[at + 1]];
  if (!a || !b) return undefined;
  return a.hours + ((b.hours - a.hours) * (a.celsius - celsius)) / (a.celsius - b.celsius);
}

/**
 * Returns for how long a curve was near its hottest, minutes; 0 where it never came down again.
 *
 * @param curve - one point or more, hours rising
 * @example
 * nearPeakMinutes([{ hours: 0, celsius: 1200 }, { hours: 1, celsius: 1200 }, { hours: 2, celsius: 200 }]) // 60.6
 */
export function nearPeakMinutes(curve: readonly FiringPoint[]): number {
  const { celsius } = hottestPoint(curve);
  const [from, until] = [firstAtHours(curve, celsius - NEAR_PEAK_CELSIUS), lastAtHours(curve, celsius - NEAR_PEAK_CELSIUS)];
  return until === undefined ? 0 : Math.max(0, until - from) * 60;
}
