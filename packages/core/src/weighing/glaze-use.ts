import { requireNotNegative, requirePositive } from '../checks/require';
import { dryGrams, type SlurryReading } from '../slurry/contents';
import type { SlurryState } from '../slurry/slurry-state';
import { dryGramsForPieces, type PiecesToCoat } from './for-pieces';

export interface GlazeUseRow extends PiecesToCoat {
  dryGrams: number;
  slurryMl: number;
  /** How many of these alone the bucket covers. */
  bucketCovers: number;
}

export interface GlazeUse {
  rows: readonly GlazeUseRow[];
  dryGrams: number;
  slurryMl: number;
  /** What is left in the bucket after all of them, mL; negative when it is not enough. */
  leftMl: number;
}

/**
 * Returns what a list of pieces takes of a bucket at its SG, in dry grams and mL of glaze, with the waste of each method; and whether it is
 * enough.
 *
 * @param question - `pieces`; `bucket`, its volume, SG, density and state; `stayMl`, what must stay in it, 0 when left out
 * @throws PotterError for a negative volume or count, or an area or coat of 0 or less
 * @example
 * glazeUse({ pieces: [{ count: 10, areaCm2: 100, coatMm: 0.5, method: 'dip' }], bucket: { volumeMl: 5000, sg: 1.45, density: 2.6 } }).slurryMl
 * // 97.777778
 */
export function glazeUse(question: {
  pieces: readonly PiecesToCoat[];
  bucket: Omit<SlurryReading, 'volumeMl'> & { volumeMl: number; state?: SlurryState | undefined };
  /** Glaze that must stay in the bucket for the last piece to go under, mL. */
  stayMl?: number;
}): GlazeUse {
  const { pieces, bucket } = question;
  const { density, state } = bucket;
  const gramsPerMl = dryGrams({ ...bucket, volumeMl: 1 });
  const roomMl = Math.max(0, requireNotNegative('volumeMl', bucket.volumeMl) - requireNotNegative('volumeMl', question.stayMl ?? 0));
  const rows = pieces.map((piece): GlazeUseRow => {
    const grams = dryGramsForPieces({ pieces: [piece], density, state });
    const one = dryGramsForPieces({ pieces: [{ ...piece, count: 1 }], density, state });
    return {
      ...piece,
      dryGrams: grams,
      slurryMl: grams / gramsPerMl,
      bucketCovers: Math.floor((roomMl * gramsPerMl) / requirePositive('dryGrams', one) + 1e-9),
    };
  });
  const total = rows.reduce((sum, row) => sum + row.dryGrams, 0);
  const slurryMl = total / gramsPerMl;
  return { rows, dryGrams: total, slurryMl, leftMl: roomMl - slurryMl };
}
