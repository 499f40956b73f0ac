import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import type { FiringPoint } from './heat-work';

const ROOM_CELSIUS = 20;
/** Share of the way up after which the last 100 °C begin, as in the reference firing. */
const LAST_HUNDRED_FROM = 0.827;
/** Cooling as in the reference firing: hours from the end of the hold. Below 600 °C a usual well-insulated kiln. */
const COOLING: readonly FiringPoint[] = [
  { hours: 5.17, celsius: 600 },
  { hours: 10.2, celsius: 200 },
  { hours: 14.2, celsius: 60 },
];

/** A firing's curve from what a potter sets: peak, hours up, hold. Its cooling is a guess until the kiln is logged. */
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
