import type { FiringPoint } from '../../melt/heat-work';

/** The meter of the kiln, read at some moment of a firing. */
export interface MeterReading {
  hours: number;
  kilowattHours: number;
}

/** What a firing took, and what says so. */
export interface FiredEnergy {
  kilowattHours: number;
  from: 'meter' | 'shareOn';
}

/** The meter tells the whole firing when it was read this near to its beginning, hours. */
const AT_BEGIN_HOURS = 1;

/**
 * Returns what a firing took: by the meter, read at its begin and after its hottest, else by the kiln's power and the time it was on.
 *
 * Source: science §9.
 *
 * @param question - `meter`, any order; `points` of the firing; `fullPowerHours`, time on, as if at full power; `powerWatts` of the kiln
 * @example
 * firedEnergy({ meter: [], points: [], fullPowerHours: 5, powerWatts: 9000 }) // { kilowattHours: 45, from: 'shareOn' }
 */
export function firedEnergy(question: {
  meter: readonly MeterReading[];
  points: readonly FiringPoint[];
  fullPowerHours?: number | undefined;
  powerWatts?: number | undefined;
}): FiredEnergy | undefined {
  const { points, fullPowerHours, powerWatts } = question;
  const meter = [...question.meter].sort((a, b) => a.hours - b.hours);
  const [first, last] = [meter[0], meter.at(-1)];
  const peak = points.reduce((best, { hours, celsius }) => (celsius >= best.celsius ? { hours, celsius } : best), {
    hours: Infinity,
    celsius: -Infinity,
  });
  if (first && last && first.hours <= AT_BEGIN_HOURS && last.hours >= peak.hours && last.kilowattHours > first.kilowattHours)
    return { kilowattHours: last.kilowattHours - first.kilowattHours, from: 'meter' };
  if (fullPowerHours === undefined || fullPowerHours <= 0 || powerWatts === undefined) return undefined;
  return { kilowattHours: (fullPowerHours * powerWatts) / 1_000, from: 'shareOn' };
}

/**
 * Returns the time a kiln was on, as if at full power, hours: gaps, and readings without a share, count nothing.
 *
 * @param readings - in order of time
 * @param gapSeconds - readings further apart do not tell
 * @example
 * hoursAtFullPower([{ seconds: 0, share: 1 }, { seconds: 600, share: 0.5 }], 900) // 0.125
 */
export function hoursAtFullPower(readings: readonly { seconds: number; share?: number | undefined }[], gapSeconds: number): number {
  let seconds = 0;
  for (let at = 1; at < readings.length; at++) {
    const [a, b] = [readings[at - 1]!, readings[at]!];
    const apart = b.seconds - a.seconds;
    if (a.share !== undefined && b.share !== undefined && apart <= gapSeconds) seconds += (apart * (a.share + b.share)) / 2;
  }
  return seconds / 3_600;
}
