import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import { bisect } from '../math/bisect';
import { coneCelsius } from './cones';
import { CONE_ACTIVATION, heatWorkHours, type FiringPoint } from './heat-work';

const ROOM_CELSIUS = 20;
/** A peak is found this closely, °C: far below what any kiln can hold. */
const PEAK_WIDTH_CELSIUS = 1e-9;
/** Share of the rise after which the last 100 °C begin, as in the reference firing. */
const LAST_HUNDRED_FROM = 0.827;
/** Cooling as in the reference firing: hours from the end of the hold. Below 600 °C a usual well-insulated kiln. */
const COOLING: readonly FiringPoint[] = [
  { hours: 5.17, celsius: 600 },
  { hours: 10.2, celsius: 200 },
  { hours: 14.2, celsius: 60 },
];

/**
 * Returns the curve of a firing from what a potter sets. Its cooling is a guess until the kiln is logged.
 *
 * @param question - `peakCelsius`, 600–1350; `hoursUp`, above 0; `holdMinutes`, 0 or more
 * @throws PotterError for what lies outside
 * @example
 * firingFromPeak({ peakCelsius: 1200, hoursUp: 10, holdMinutes: 15 })[2] // { hours: 10, celsius: 1200 }
 */
export function firingFromPeak({ peakCelsius, hoursUp, holdMinutes }: { peakCelsius: number; hoursUp: number; holdMinutes: number }): FiringPoint[] {
  requirePositive('hours', hoursUp);
  requireNotNegative('hours', holdMinutes);
  if (!(peakCelsius >= 600 && peakCelsius <= 1350)) {
    throw new PotterError('tooLarge', 'celsius', peakCelsius, `A glaze firing peaks between 600 and 1,350 °C; ${peakCelsius} was given.`);
  }
  const held = hoursUp + holdMinutes / 60;
  return [
    { hours: 0, celsius: ROOM_CELSIUS },
    { hours: hoursUp * LAST_HUNDRED_FROM, celsius: peakCelsius - 100 },
    { hours: hoursUp, celsius: peakCelsius },
    { hours: held, celsius: peakCelsius },
    ...COOLING.filter((point) => point.celsius < peakCelsius).map((point) => ({ hours: held + point.hours, celsius: point.celsius })),
  ];
}

/**
 * Returns what a potter would set for a curve: its peak, the hours until it is reached, and how long it is held. Undone by `firingFromPeak`.
 *
 * @param question - `points` of the curve, rising in time, at least one
 * @throws PotterError for a curve without points
 * @example
 * peakOfFiring({ points: firingFromPeak({ peakCelsius: 1200, hoursUp: 10, holdMinutes: 15 }) }) // { peakCelsius: 1200, hoursUp: 10, holdMinutes: 15 }
 */
export function peakOfFiring({ points }: { points: readonly FiringPoint[] }): { peakCelsius: number; hoursUp: number; holdMinutes: number } {
  if (points.length === 0) throw new PotterError('emptyList', 'firing', 0, 'This firing has no curve yet.');
  const peakCelsius = Math.max(...points.map((point) => point.celsius));
  const held = points.filter((point) => point.celsius === peakCelsius);
  const hoursUp = held[0]!.hours;
  return { peakCelsius, hoursUp, holdMinutes: Math.round(6000 * (held.at(-1)!.hours - hoursUp)) / 100 };
}

/**
 * Returns the peak that gives a cone's heat-work with this rise and hold, °C. Hold and cooling count too, so it lies below the cone's own
 * temperature.
 *
 * @param question - `cone`, as in CONES; `hoursUp`, above 0; `holdMinutes`, 0 or more
 * @throws PotterError for a cone that is not in the table, or what lies outside
 * @example
 * peakForCone({ cone: '6', hoursUp: 9.5, holdMinutes: 10 }) // 1205.8609849150034
 */
export function peakForCone({ cone, hoursUp, holdMinutes }: { cone: string; hoursUp: number; holdMinutes: number }): number {
  const celsius = coneCelsius(cone);
  const ramp: FiringPoint[] = [
    { hours: 0, celsius: ROOM_CELSIUS },
    { hours: (celsius - ROOM_CELSIUS) / 60, celsius },
  ];
  const wanted = heatWorkHours({ firing: ramp, activationKjPerMol: CONE_ACTIVATION });
  const { middle } = bisect({
    low: Math.max(600, celsius - 150),
    high: Math.min(1350, celsius + 150),
    width: PEAK_WIDTH_CELSIUS,
    isPast: (peakCelsius) =>
      heatWorkHours({ firing: firingFromPeak({ peakCelsius, hoursUp, holdMinutes }), activationKjPerMol: CONE_ACTIVATION }) >= wanted,
  });
  return middle;
}
