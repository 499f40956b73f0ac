import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive, requireSg } from '../checks/require';

/** Standard deviation of an SG that nobody measured, computed from weighed powder and water: water loss, moisture, density. */
export const UNMEASURED_SG_SD = 0.02;

export interface VesselReading {
  grossGrams: number;
  tareGrams: number;
  volumeMl: number;
  /** Standard deviation of one weighing, g: half a scale division. */
  massSd: number;
  /** Standard deviation of the volume, mL: half a mark. */
  volumeSd: number;
}

/**
 * Returns the SG of a weighed volume: (gross − tare)/V.
 *
 * @param reading - `grossGrams`, `tareGrams`, and `volumeMl` above 0
 * @throws PotterError for what is lighter than water or heavier than paste
 * @example
 * measuredSg({ grossGrams: 207.4, tareGrams: 62.4, volumeMl: 100 }) // 1.45
 */
export function measuredSg({ grossGrams, tareGrams, volumeMl }: Pick<VesselReading, 'grossGrams' | 'tareGrams' | 'volumeMl'>): number {
  return requireSg('sg', netGrams({ grossGrams, tareGrams }) / requirePositive('volumeMl', volumeMl));
}

/**
 * Returns the standard deviation of a measured SG: d·√((√2 σm/net)² + (σV/V)²). There are two weighings, hence √2. It is the error of reading
 * alone, for a vessel that was checked with water.
 *
 * @param reading - as for `measuredSg`; `massSd`, g, and `volumeSd`, mL, 0 or more
 * @throws PotterError for what lies outside
 * @example
 * measuredSgSd({ grossGrams: 207.4, tareGrams: 62.4, volumeMl: 100, massSd: 0.05, volumeSd: 1 }) // 0.014517231
 */
export function measuredSgSd({ grossGrams, tareGrams, volumeMl, massSd, volumeSd }: VesselReading): number {
  const net = netGrams({ grossGrams, tareGrams });
  requirePositive('volumeMl', volumeMl);
  requireNotNegative('massSd', massSd);
  requireNotNegative('volumeSd', volumeSd);
  return (net / volumeMl) * Math.hypot((Math.SQRT2 * massSd) / net, volumeSd / volumeMl);
}

function netGrams({ grossGrams, tareGrams }: { grossGrams: number; tareGrams: number }): number {
  requirePositive('grossGrams', grossGrams);
  requireNotNegative('tareGrams', tareGrams);
  if (grossGrams <= tareGrams) {
    throw new PotterError(
      'wrongSide',
      'grossGrams',
      grossGrams,
      `The full weight (${grossGrams} g) must be more than the empty vessel (${tareGrams} g).`,
    );
  }
  return grossGrams - tareGrams;
}
