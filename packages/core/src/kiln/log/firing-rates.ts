import type { FiringPoint } from '../../melt/heat-work';
import { firstAtHours, hottestPoint, lastAtHours, nearPeakMinutes } from './curve-times';

/** How fast a firing went where that makes faults; left out where it did not come there. */
export interface FiringRates {
  /** The fastest over 1,000 °C on the way up, °C per hour. */
  fastestOver1000PerHour?: number | undefined;
  /** The fastest of the first 150 °C of cooling. */
  fastestFromPeakPerHour?: number | undefined;
  /** Between 520 and 620 °C, the faster of both ways. */
  fastestAt570PerHour?: number | undefined;
  from1100To900PerHour?: number | undefined;
  /** Within 10 °C of its hottest. */
  holdMinutes?: number | undefined;
}

/** A rate is that of so long at least: a shorter one is the thermocouple's own. */
const LOOK_HOURS = 0.25;
const FROM_PEAK_CELSIUS = 150;

/**
 * Returns how fast a firing went where that makes faults.
 *
 * Source: science §10, the temperatures of its causes.
 *
 * @param log - as it was read, in order of time
 * @example
 * firingRates([{ hours: 0, celsius: 20 }, { hours: 12, celsius: 1220 }]).fastestOver1000PerHour // 100
 */
export function firingRates(log: readonly FiringPoint[]): FiringRates {
  if (log.length < 2) return {};
  const peak = hottestPoint(log);
  const [up, down] = [log.filter(({ hours }) => hours <= peak.hours), log.filter(({ hours }) => hours >= peak.hours)];
  const isCooled = down.at(-1)!.celsius < peak.celsius - FROM_PEAK_CELSIUS;
  const inversion = [crossing(up, 520, 620, firstAtHours), ...(down.at(-1)!.celsius < 520 ? [crossing(down, 520, 620, lastAtHours)] : [])].filter(
    (rate) => rate !== undefined,
  );
  const slow = down.at(-1)!.celsius < 900 && peak.celsius > 1_100 ? crossing(down, 900, 1_100, lastAtHours) : undefined;
  return {
    ...(peak.celsius > 1_000
      ? {
          fastestOver1000PerHour: fastest(
            up.filter(({ celsius }) => celsius >= 1_000),
            up,
            1_000,
          ),
        }
      : {}),
    ...(isCooled
      ? {
          fastestFromPeakPerHour: fastest(
            down.filter(({ celsius }) => celsius >= peak.celsius - FROM_PEAK_CELSIUS),
            down,
            peak.celsius - FROM_PEAK_CELSIUS,
          ),
        }
      : {}),
    ...(inversion.length > 0 && peak.celsius > 620 ? { fastestAt570PerHour: Math.max(...inversion) } : {}),
    ...(slow === undefined ? {} : { from1100To900PerHour: slow }),
    ...(isCooled ? { holdMinutes: nearPeakMinutes(log) } : {}),
  };
}

/** The rate between two temperatures, °C per hour, always above 0. */
function crossing(
  part: readonly FiringPoint[],
  low: number,
  high: number,
  when: (curve: readonly FiringPoint[], celsius: number) => number | undefined,
): number | undefined {
  const [a, b] = [when(part, low), when(part, high)];
  if (a === undefined || b === undefined || a === b) return undefined;
  return (high - low) / Math.abs(a - b);
}

/** The fastest change over a quarter of an hour or more, of the points that count and where the curve comes among them. */
function fastest(points: readonly FiringPoint[], part: readonly FiringPoint[], edgeCelsius: number): number {
  const isRising = part.at(-1)!.celsius > part[0]!.celsius;
  const edgeHours = isRising ? firstAtHours(part, edgeCelsius) : (lastAtHours(part, edgeCelsius) ?? part.at(-1)!.hours);
  const edge = { hours: edgeHours, celsius: edgeCelsius };
  const all = isRising ? [edge, ...points] : [...points, edge];
  let best = 0;
  for (let to = 1; to < all.length; to++)
    for (let from = to - 1; from >= 0; from--) {
      const hours = all[to]!.hours - all[from]!.hours;
      if (hours < LOOK_HOURS && !(from === 0 && to === all.length - 1)) continue;
      if (hours > 0) best = Math.max(best, Math.abs(all[to]!.celsius - all[from]!.celsius) / hours);
      break;
    }
  return best;
}
