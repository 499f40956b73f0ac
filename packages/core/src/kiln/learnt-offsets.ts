import { requireNumber } from '../checks/require';
import { PotterError } from '../checks/potter-error';
import { EIGHTY_PERCENT_Z } from '../math/normal';

/** A kiln against its thermocouple, °C: the middle of its height, and from the lowest to the highest place. Starting guesses, sd. */
const MIDDLE_SD = 6;
const HEIGHT_SD = 15;
/** One firing differs from another by this everywhere, and one cone read to a quarter is off by that, °C. */
const FIRING_SD = 4;
const READING_SD = 6;

/** One witness cone that was read: where it stood, and what it says. */
export interface OffsetReading {
  firingId: string;
  /** Height of its place as a share of the chamber, 0 at the floor, 1 at the lid. */
  heightShare: number;
  offsetCelsius: number;
}

/** How much hotter a place is than the thermocouple. */
export interface ShelfOffset {
  celsius: number;
  /** For one firing, sd. */
  sdCelsius: number;
  /** In four of five firings it lies between. */
  lowCelsius: number;
  highCelsius: number;
}

/** What witness cones taught of a kiln. */
export interface KilnOffsets {
  readings: number;
  firings: number;
  /** Of a place in a firing to come. */
  at: (heightShare: number) => ShelfOffset;
  /** Of a place in a firing in which cones were read, elsewhere in the kiln or there. */
  inFiring: (firingId: string, heightShare: number) => ShelfOffset;
}

/**
 * Returns how the places of a kiln differ from its thermocouple as witness cones taught it: offset = a + b (z − ½) + firing, normal, with starting
 * guesses for a and b. Without cones it is the guess with its wide band.
 *
 * Source: science §9; cones of one firing share what that firing was hotter or colder everywhere.
 *
 * @param readings - of one kiln, in any order
 * @throws PotterError where a height is no share, or an offset no number
 * @example
 * learntOffsets([]).at(0.5).celsius // 0
 */
export function learntOffsets(readings: readonly OffsetReading[]): KilnOffsets {
  const firings = new Map<string, OffsetReading[]>();
  for (const reading of readings) {
    requireShare(reading.heightShare);
    requireNumber('celsius', reading.offsetCelsius);
    firings.set(reading.firingId, [...(firings.get(reading.firingId) ?? []), reading]);
  }
  // Information of (a, b) and what it is told, the firing's own share taken out.
  const info = { aa: 1 / MIDDLE_SD ** 2, ab: 0, bb: 1 / HEIGHT_SD ** 2 };
  const told = { a: 0, b: 0 };
  for (const own of firings.values()) {
    const shared = sharedWeight(own.length);
    const sums = own.map(({ heightShare, offsetCelsius }) => ({ z: heightShare - 0.5, y: offsetCelsius }));
    const z1 = sum(sums.map(({ z }) => z));
    const y1 = sum(sums.map(({ y }) => y));
    info.aa += own.length / READING_SD ** 2 - shared * own.length ** 2;
    info.ab += z1 / READING_SD ** 2 - shared * own.length * z1;
    info.bb += sum(sums.map(({ z }) => z * z)) / READING_SD ** 2 - shared * z1 ** 2;
    told.a += y1 / READING_SD ** 2 - shared * own.length * y1;
    told.b += sum(sums.map(({ z, y }) => z * y)) / READING_SD ** 2 - shared * z1 * y1;
  }
  const determinant = info.aa * info.bb - info.ab ** 2;
  const spread = { aa: info.bb / determinant, ab: -info.ab / determinant, bb: info.aa / determinant };
  const mean = { a: spread.aa * told.a + spread.ab * told.b, b: spread.ab * told.a + spread.bb * told.b };
  const meanAt = (z: number): number => mean.a + mean.b * z;
  /** Of a place, with what one firing's cones say of that firing. */
  const offset = (heightShare: number, own: readonly OffsetReading[]): ShelfOffset => {
    requireShare(heightShare);
    const z = heightShare - 0.5;
    const weight = FIRING_SD ** 2 / (READING_SD ** 2 + own.length * FIRING_SD ** 2);
    const firing = weight * sum(own.map((one) => one.offsetCelsius - meanAt(one.heightShare - 0.5)));
    // The place beside what the mean of that firing's cones already says of a and b.
    const seen = own.length === 0 ? 0 : weight * own.length;
    const zSeen = own.length === 0 ? 0 : sum(own.map((one) => one.heightShare - 0.5)) / own.length;
    const [one, height] = [1 - seen, z - seen * zSeen];
    const place = spread.aa * one ** 2 + 2 * spread.ab * one * height + spread.bb * height ** 2;
    const left = FIRING_SD ** 2 * (1 - seen);
    const [celsius, sdCelsius] = [meanAt(z) + firing, Math.sqrt(place + left)];
    return { celsius, sdCelsius, lowCelsius: celsius - EIGHTY_PERCENT_Z * sdCelsius, highCelsius: celsius + EIGHTY_PERCENT_Z * sdCelsius };
  };
  return {
    readings: readings.length,
    firings: firings.size,
    at: (heightShare) => offset(heightShare, []),
    inFiring: (firingId, heightShare) => offset(heightShare, firings.get(firingId) ?? []),
  };
}

/** How much of what cones of one firing say is said by that firing alone: the inverse of its covariance, beside the diagonal. */
const sharedWeight = (count: number): number => FIRING_SD ** 2 / (READING_SD ** 2 * (READING_SD ** 2 + count * FIRING_SD ** 2));

const sum = (values: readonly number[]): number => values.reduce((all, value) => all + value, 0);

function requireShare(heightShare: number): void {
  if (!(heightShare >= 0 && heightShare <= 1))
    throw new PotterError('tooLarge', 'heightShare', heightShare, 'A shelf stands between the floor and the lid of its kiln.');
}
