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

/** SG of a weighed volume: (gross − tare)/V. Refuses what is lighter than water or heavier than paste. */
export function measuredSg({ grossGrams, tareGrams, volumeMl }: Pick<VesselReading, 'grossGrams' | 'tareGrams' | 'volumeMl'>): number {
  return requireSg('sg', netGrams({ grossGrams, tareGrams }) / requirePositive('volumeMl', volumeMl));
}

/**
 * Standard deviation of a measured SG: d·√((√2 σm/net)² + (σV/V)²).
 * Two weighings, so √2. Reading error only, once the vessel is checked with water.
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
