import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import { coatFromDryGain, coatFromWetGain } from '../coat/weight/from-weight';

/** How a coat was measured. */
export type CoatReading =
  /** Weighed before and after the dip, still wet. */
  | { kind: 'wetWeight'; gainGrams: number; areaCm2: number; divisionGrams: number }
  /** Weighed before the dip and again when dry through. */
  | { kind: 'dryWeight'; gainGrams: number; areaCm2: number; divisionGrams: number }
  /** By caliper, needle, scratch or comb. */
  | { kind: 'thickness'; coatMm: number };

/** What weights leave open (area, packing, drips), as a share of the coat. */
const WEIGHED_LN_SD = 0.08;
/** Error of a caliper, needle or comb, mm. */
const THICKNESS_SD_MM = 0.1;

/**
 * Returns the coat of a reading, mm, and the standard deviation of its logarithm: √(0.08² + 2(σm/g)²) by weight, 0.10 mm by thickness.
 *
 * @param reading - weights in g with area in cm² and the scale's division, or a thickness in mm
 * @param glaze - SG, density in g/mL, and packing, 0–1
 * @throws PotterError for a weight that did not grow, or what lies outside
 * @example
 * coatOfReading({ kind: 'dryWeight', gainGrams: 6.5, areaCm2: 100, divisionGrams: 0 }, { sg: 1.45, density: 2.6, packing: 0.5 })
 * // { coatMm: 0.5, lnSd: 0.08 }
 */
export function coatOfReading(reading: CoatReading, glaze: { sg: number; density: number; packing: number }): { coatMm: number; lnSd: number } {
  if (reading.kind === 'thickness') {
    const coatMm = requirePositive('coatMm', reading.coatMm);
    return { coatMm, lnSd: THICKNESS_SD_MM / coatMm };
  }
  const { gainGrams, areaCm2, divisionGrams } = reading;
  if (requireNotNegative('gainGrams', gainGrams) === 0) {
    throw new PotterError('tooSmall', 'gainGrams', gainGrams, 'It weighs no more than before: was it really dipped between the two weights?');
  }
  const massSd = requireNotNegative('divisionGrams', divisionGrams) / 2;
  const { density, packing } = glaze;
  const coatMm =
    reading.kind === 'wetWeight'
      ? coatFromWetGain({ gainGrams, areaCm2, sg: glaze.sg, density, packing })
      : coatFromDryGain({ gainGrams, areaCm2, density, packing });
  return { coatMm, lnSd: Math.hypot(WEIGHED_LN_SD, (Math.SQRT2 * massSd) / gainGrams) };
}
