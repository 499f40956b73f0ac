import { requireNumber } from '../checks/require';
import { PotterError } from '../checks/potter-error';
import { bisect } from '../math/bisect';
import { coneCelsius, CONES } from '../melt/cones';
import { coneReached, type FiringPoint } from '../melt/heat-work';

/** What a witness cone shows: how far the heat-work of its place came from one cone to the next. */
export interface WitnessReading {
  lower: string;
  upper: string;
  /** 0: the lower one is down and the upper one stands; 1: the upper one is down. */
  fraction: number;
}

/** No place in a kiln is so far from the thermocouple, °C. */
const MOST_CELSIUS = 150;
const WITHIN_CELSIUS = 1e-4;

/**
 * Returns a curve as a place saw it that is so much hotter or colder than the thermocouple.
 *
 * @param firing - the curve of the thermocouple
 * @param offsetCelsius - of the place; below 0 where it is colder
 * @example
 * shiftedFiring([{ hours: 0, celsius: 20 }], -5) // [{ hours: 0, celsius: 15 }]
 */
export const shiftedFiring = (firing: readonly FiringPoint[], offsetCelsius: number): FiringPoint[] =>
  firing.map(({ hours, celsius }) => ({ hours, celsius: celsius + offsetCelsius }));

/**
 * Returns how many °C are to be added to every point of a curve for it to reach the cone that a witness shows.
 *
 * Source: science §9; found to 1e-4 °C; the heat-work itself to 1e-5.
 *
 * @param question - `firing`, two points or more; `witness`, its upper cone right after its lower one, `fraction` 0–1
 * @throws PotterError for cones that do not follow one another, or a reading that no place of this firing can show
 * @example
 * Math.round(shelfOffsetCelsius({ firing: [{ hours: 0, celsius: 20 }, { hours: 1202 / 60, celsius: 1222 }], witness: { lower: '5', upper: '6', fraction: 1 } })) + 0
 * // 0
 */
export function shelfOffsetCelsius({ firing, witness }: { firing: readonly FiringPoint[]; witness: WitnessReading }): number {
  const wanted = heightOf(witness);
  const reached = (offsetCelsius: number): number => heightReached(shiftedFiring(firing, offsetCelsius));
  if (reached(-MOST_CELSIUS) > wanted || reached(MOST_CELSIUS) < wanted)
    throw new PotterError(
      'impossible',
      'witness',
      `${witness.lower}–${witness.upper}`,
      `No place of this firing can have seen cone ${witness.lower} to ${witness.upper}: look at the cone’s number, and at the curve.`,
    );
  return bisect({ low: -MOST_CELSIUS, high: MOST_CELSIUS, width: WITHIN_CELSIUS, isPast: (offset) => reached(offset) >= wanted }).middle;
}

/** A reading as one number: cones counted from the lowest, with the share to the next one. */
function heightOf({ lower, upper, fraction }: WitnessReading): number {
  coneCelsius(lower);
  coneCelsius(upper);
  requireNumber('fraction', fraction);
  const at = CONES.findIndex(({ cone }) => cone === lower);
  if (CONES[at + 1]?.cone !== upper) throw new PotterError('wrongSide', 'witness', upper, `Cone ${upper} does not come right after cone ${lower}.`);
  if (fraction < 0 || fraction > 1) throw new PotterError('tooLarge', 'fraction', fraction, 'A cone bends from 0, standing, to 1, down.');
  return at + fraction;
}

/** The same of a curve; beyond the table it goes on by a whole cone. */
function heightReached(firing: readonly FiringPoint[]): number {
  const reached = coneReached({ firing });
  if (reached.kind === 'below') return -1;
  if (reached.kind === 'above') return CONES.length;
  return CONES.findIndex(({ cone }) => cone === reached.lower) + reached.fraction;
}
