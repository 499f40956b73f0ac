import { wetGramsOfCoat, type CoatOnArea } from '../coat/weight/glaze-in-coat';
import type { DipLimits } from './bucket-on-scale';

/** Thinnest and thickest coat that a loss of the bucket may be, mm. */
const THINNEST_MM = 0.04;
const THICKEST_MM = 2.5;
/** A loss of fewer divisions than this cannot be told from none. */
const LEAST_DIVISIONS = 4;
/** Outside and inside of a cup, where no area is known yet, cm². */
const USUAL_AREA_CM2 = 300;
/** Wet glaze per mm of coat on that area, where no glaze is known yet, g. */
const USUAL_GRAMS_PER_MM = 100;

/**
 * Returns the wet glaze that a coat takes out of the bucket, g. Where no glaze is known, 100 g per mm.
 *
 * @param coatMm - dry thickness, mm
 * @param glaze - what is in the bucket; undefined where it is not known
 * @param areaCm2 - glazed area of one piece; 300 cm² where it is not known
 * @throws PotterError for a negative thickness
 * @example
 * wetGramsOnScale(0.5, undefined) // 50
 */
export const wetGramsOnScale = (
  coatMm: number,
  glaze: (Pick<CoatOnArea, 'packing' | 'density'> & { sg: number }) | undefined,
  areaCm2: number = USUAL_AREA_CM2,
): number =>
  glaze ? wetGramsOfCoat({ coatMm, areaCm2, sg: glaze.sg, packing: glaze.packing, density: glaze.density }) : USUAL_GRAMS_PER_MM * coatMm;

/**
 * Returns what a dip may take off a bucket on a scale: from the thinnest coat that is one to the thickest that stays on.
 *
 * @param divisionGrams - finest step of the scale, g
 * @param glaze - as for `wetGramsOnScale`
 * @param areaCm2 - as for `wetGramsOnScale`
 * @example
 * dipLimits(1, undefined) // { divisionGrams: 1, leastGrams: 4, mostGrams: 250 }
 */
export const dipLimits = (divisionGrams: number, glaze: Parameters<typeof wetGramsOnScale>[1], areaCm2?: number): DipLimits => ({
  divisionGrams,
  leastGrams: Math.max(LEAST_DIVISIONS * divisionGrams, wetGramsOnScale(THINNEST_MM, glaze, areaCm2)),
  mostGrams: wetGramsOnScale(THICKEST_MM, glaze, areaCm2),
});
