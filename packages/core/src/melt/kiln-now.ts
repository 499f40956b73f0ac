import { PotterError } from '../checks/potter-error';
import { requireNumber } from '../checks/require';
import type { FiringPoint } from './heat-work';

/** A kiln may be opened when it no longer burns hands and shocks pots, °C: the highest that is ever told; a potter may set it lower. */
export const OPEN_BELOW_CELSIUS = 100;

export type KilnNow =
  | { kind: 'notStarted' }
  | { kind: 'firing'; celsius: number; opensAtHours: number }
  | { kind: 'cooling'; celsius: number; opensAtHours: number }
  | { kind: 'canBeOpened' };

/**
 * Returns where a firing stands after some hours, read off its curve: an estimate wherever nobody logged the kiln.
 *
 * @param question - `firing`, two points or more; `hours` since its start; `openCelsius`, below which the potter opens it
 * @throws PotterError for fewer points, or hours that are no number
 * @example
 * kilnNow({ firing: REFERENCE_FIRING, hours: 4 }).kind // 'firing'
 */
export function kilnNow(question: { firing: readonly FiringPoint[]; hours: number; openCelsius?: number | undefined }): KilnNow {
  const { firing, hours, openCelsius = OPEN_BELOW_CELSIUS } = question;
  if (firing.length < 2) throw new PotterError('emptyList', 'firing', firing.length, 'A firing needs at least two points.');
  requireNumber('hours', hours);
  if (hours < firing[0]!.hours) return { kind: 'notStarted' };
  const peak = firing.reduce((best, point) => (point.celsius >= best.celsius ? point : best));
  const opensAtHours = hoursBelow(firing, peak.hours, Math.min(openCelsius, OPEN_BELOW_CELSIUS));
  if (hours >= opensAtHours) return { kind: 'canBeOpened' };
  return { kind: hours <= peak.hours ? 'firing' : 'cooling', celsius: celsiusAt(firing, hours), opensAtHours };
}

/**
 * Returns the temperature on a curve, °C. Before its start and after its end the end value holds.
 *
 * @param firing - one point or more, hours rising
 * @param hours - since its start
 * @example
 * celsiusAt([{ hours: 0, celsius: 20 }, { hours: 10, celsius: 1220 }], 5) // 620
 */
export function celsiusAt(firing: readonly FiringPoint[], hours: number): number {
  const after = firing.findIndex((point) => point.hours >= hours);
  if (after < 0) return firing.at(-1)!.celsius;
  if (after === 0) return firing[0]!.celsius;
  const a = firing[after - 1]!;
  const b = firing[after]!;
  return b.hours === a.hours ? b.celsius : a.celsius + ((b.celsius - a.celsius) * (hours - a.hours)) / (b.hours - a.hours);
}

/** Hours until the curve has come down to a temperature at which it may be opened; its end when it never does. */
function hoursBelow(firing: readonly FiringPoint[], peakHours: number, openCelsius: number): number {
  for (let i = 1; i < firing.length; i++) {
    const a = firing[i - 1]!;
    const b = firing[i]!;
    if (b.hours > peakHours && b.celsius <= openCelsius && a.celsius > openCelsius) {
      return a.hours + ((b.hours - a.hours) * (a.celsius - openCelsius)) / (a.celsius - b.celsius);
    }
  }
  return firing.at(-1)!.hours;
}
