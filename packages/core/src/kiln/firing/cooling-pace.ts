import type { FiringPoint } from '../../melt/heat-work';

/** Cooling is read between these, °C: above, elements may still help; below, the room is too near. */
const FROM_CELSIUS = 700;
const TO_CELSIUS = 120;
const LEAST_POINTS = 4;
const LEAST_FALL_CELSIUS = 150;

/**
 * Returns the time constant of a kiln's natural cooling from a log, hours, by least squares of ln(°C over the room) over time; undefined where the
 * log does not show enough of it.
 *
 * @param log - of one firing, in order of time
 * @param roomCelsius - of the room
 * @example
 * coolingHoursOf([{ hours: 0, celsius: 1200 }]) // undefined
 */
export function coolingHoursOf(log: readonly FiringPoint[], roomCelsius = 20): number | undefined {
  const peak = log.reduce((best, point, at) => (point.celsius >= (log[best]?.celsius ?? -Infinity) ? at : best), 0);
  const cooling = log.slice(peak).filter(({ celsius }) => celsius <= FROM_CELSIUS && celsius >= TO_CELSIUS);
  const first = cooling[0];
  const last = cooling.at(-1);
  if (!first || !last || cooling.length < LEAST_POINTS || first.celsius - last.celsius < LEAST_FALL_CELSIUS) return undefined;
  const points = cooling.map(({ hours, celsius }) => ({ x: hours, y: Math.log(celsius - roomCelsius) }));
  const mean = (of: 'x' | 'y'): number => points.reduce((sum, point) => sum + point[of], 0) / points.length;
  const [meanX, meanY] = [mean('x'), mean('y')];
  const slope = points.reduce((sum, { x, y }) => sum + (x - meanX) * (y - meanY), 0) / points.reduce((sum, { x }) => sum + (x - meanX) ** 2, 0);
  return slope < 0 ? -1 / slope : undefined;
}
