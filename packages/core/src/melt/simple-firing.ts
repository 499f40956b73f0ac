import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import { bisect } from '../math/bisect';
import { coneCelsius } from './cones';
import { CONE_ACTIVATION, heatWorkHours, type FiringPoint } from './heat-work';

const ROOM_CELSIUS = 20;
/** A peak is found this closely, °C: far below what any kiln can hold. */
const PEAK_WIDTH_CELSIUS = 1e-9;
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

/**
 * Peak that gives a cone's heat-work with this way up and this hold, °C: hold and cooling count too, so it lies below
 * the cone's own temperature. Example: cone 6, 9.5 h up, 10 min hold → about 1207 °C.
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
