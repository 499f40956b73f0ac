import { PotterError } from '../../checks/potter-error';
import { requireNotNegative, requireNumber, requirePositive } from '../../checks/require';
import type { FiringPoint } from '../../melt/heat-work';

/** One step of a firing: at a rate to a temperature, then a hold. */
export interface FiringSegment {
  /** Up or down, °C per hour, above 0; left out: as fast as the kiln can, or as it cools by itself. */
  celsiusPerHour?: number | undefined;
  toCelsius: number;
  holdMinutes: number;
}

/** A firing as it is wanted. */
export interface FiringSchedule {
  segments: readonly FiringSegment[];
  /** The kiln is starved of air between these, °C, once it has reached this cone; oxidation where left out. */
  reduction?: { fromCelsius: number; fromCone?: string | undefined; toCelsius: number } | undefined;
}

/** How a kiln heats and cools where the schedule leaves it alone. */
export interface KilnPace {
  /** As fast as it goes up, °C per hour. */
  fastestCelsiusPerHour: number;
  /** Its natural cooling: the time in which what it is over the room falls to 1/e, hours. */
  coolingHours: number;
  roomCelsius: number;
}

/** A starting guess, until a log tells: a usual electric kiln of a studio. */
export const USUAL_PACE: KilnPace = { fastestCelsiusPerHour: 250, coolingHours: 6, roomCelsius: 20 };
/** More pieces would not be seen on a drawn curve. */
const COOLING_PIECES = 24;
/** Natural cooling is drawn down to this far over the room, °C. */
const COOLED_CELSIUS = 20;

/**
 * Returns the curve that a schedule asks for, from room temperature until the kiln has cooled by itself.
 *
 * @param schedule - its segments, at least one
 * @param pace - how the kiln goes where no rate is given
 * @throws PotterError for a schedule without segments, rates and holds that are none, a segment that goes nowhere
 * @example
 * scheduleCurve({ segments: [{ celsiusPerHour: 100, toCelsius: 1220, holdMinutes: 10 }] })[1] // { hours: 12, celsius: 1220 }
 */
export function scheduleCurve({ segments }: FiringSchedule, pace: KilnPace = USUAL_PACE): FiringPoint[] {
  if (segments.length === 0)
    throw new PotterError('emptyList', 'segments', 0, 'A firing needs at least one step: a rate, where it ends, and a hold.');
  requirePositive('fastestCelsiusPerHour', pace.fastestCelsiusPerHour);
  requirePositive('coolingHours', pace.coolingHours);
  const points: FiringPoint[] = [{ hours: 0, celsius: pace.roomCelsius }];
  for (const { celsiusPerHour, toCelsius, holdMinutes } of segments) {
    requireCelsius(toCelsius);
    requireNotNegative('minutes', holdMinutes);
    const { hours, celsius } = points.at(-1)!;
    if (toCelsius < celsius && celsiusPerHour === undefined) points.push(...naturalCooling({ hours, celsius }, toCelsius, pace));
    else if (toCelsius !== celsius) {
      const rate = celsiusPerHour === undefined ? pace.fastestCelsiusPerHour : requirePositive('celsiusPerHour', celsiusPerHour);
      points.push({ hours: hours + Math.abs(toCelsius - celsius) / rate, celsius: toCelsius });
    }
    if (holdMinutes > 0) points.push({ hours: points.at(-1)!.hours + holdMinutes / 60, celsius: toCelsius });
  }
  const end = points.at(-1)!;
  const cooled = pace.roomCelsius + COOLED_CELSIUS;
  return end.celsius > cooled ? [...points, ...naturalCooling(end, cooled, pace)] : points;
}

/**
 * Returns the hours in which a kiln cools by itself from one temperature to another.
 *
 * @param fromCelsius - above `toCelsius`
 * @param toCelsius - above the room
 * @param pace - its time constant and the room
 * @throws PotterError where it would have to be colder than the room
 * @example
 * hoursToCool(1220, 100, { coolingHours: 6, roomCelsius: 20 }) // 16.248303
 */
export function hoursToCool(
  fromCelsius: number,
  toCelsius: number,
  { coolingHours, roomCelsius }: Pick<KilnPace, 'coolingHours' | 'roomCelsius'>,
): number {
  if (!(toCelsius > roomCelsius))
    throw new PotterError('wrongSide', 'toCelsius', toCelsius, 'A kiln never cools below its room: say a temperature above that.');
  return fromCelsius <= toCelsius ? 0 : coolingHours * Math.log((fromCelsius - roomCelsius) / (toCelsius - roomCelsius));
}

/**
 * Returns the points of a kiln's natural cooling, in pieces of equal time, the first of them after the beginning.
 *
 * @param from - where it begins
 * @param toCelsius - where it ends; at least a degree over the room
 * @param pace - its time constant and the room
 * @example
 * naturalCooling({ hours: 10, celsius: 1220 }, 40, USUAL_PACE).at(-1).hours // 34.566067
 */
export function naturalCooling({ hours, celsius }: FiringPoint, toCelsius: number, pace: KilnPace): FiringPoint[] {
  const all = hoursToCool(celsius, Math.max(toCelsius, pace.roomCelsius + 1), pace);
  return Array.from({ length: COOLING_PIECES }, (_, at): FiringPoint => {
    const after = (all * (at + 1)) / COOLING_PIECES;
    return { hours: hours + after, celsius: pace.roomCelsius + (celsius - pace.roomCelsius) * Math.exp(-after / pace.coolingHours) };
  });
}

function requireCelsius(celsius: number): void {
  requireNumber('celsius', celsius);
  if (!(celsius >= 20 && celsius <= 1_400))
    throw new PotterError('tooLarge', 'celsius', celsius, `A step of a firing ends between 20 and 1,400 °C; ${celsius} was given.`);
}
