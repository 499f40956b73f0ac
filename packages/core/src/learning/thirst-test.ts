import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';

/** A bisque tile weighed dry, after some seconds in water with its shine blotted off, and once soaked full. */
export interface ThirstTest {
  dryGrams: number;
  afterGrams: number;
  soakedGrams: number;
  seconds: number;
  /** Area of one face of the tile, and how many faces went under. */
  faceCm2: number;
  faces: 1 | 2;
  divisionGrams: number;
}

export interface Thirst {
  /** J_wall, mm²/s, and the sd of its ln. */
  wallSuction: number;
  lnSd: number;
  /** All that the wall can take up, mm of water. */
  waterMm: number;
  absorptionPercent: number;
  /** Water taken by one face in the seconds, mm. */
  takenMm: number;
}

/** What neither scale nor clock tells: blotting, edges, area. Sd of ln J. */
const HANDLING_LN_SD = 0.16;
const SECONDS_SD = 0.3;
/** The tile was nearly full before the time was over, so the seconds say nothing. */
const FULL_SHARE = 0.9;

/**
 * Returns how thirsty a wall is, from water alone: J = q²/(2t) with q mm of water through one face, and the capacity from the soaked weight.
 *
 * @param test - weights in g, dry below wet below soaked; `seconds` and `faceCm2`, above 0; `faces`; the scale's division
 * @throws PotterError for weights that do not rise, or what lies outside
 * @example
 * readThirstTest({ dryGrams: 100, afterGrams: 104, soakedGrams: 112, seconds: 3, faceCm2: 40, faces: 2, divisionGrams: 0 }).wallSuction
 * // 0.041666667
 */
export function readThirstTest(test: ThirstTest): Thirst {
  const { dryGrams, afterGrams, soakedGrams, faces } = test;
  requirePositive('dryGrams', dryGrams);
  const seconds = requirePositive('seconds', test.seconds);
  const faceCm2 = requirePositive('areaCm2', test.faceCm2);
  if (afterGrams <= dryGrams) throw new PotterError('wrongSide', 'afterGrams', afterGrams, 'After the water it must weigh more than dry.');
  if (soakedGrams <= afterGrams) {
    throw new PotterError(
      'wrongSide',
      'soakedGrams',
      soakedGrams,
      'Soaked it must weigh more than after a few seconds: leave it in until it gains no more.',
    );
  }
  const takenMm = (10 * (afterGrams - dryGrams)) / (faceCm2 * faces);
  const waterMm = (10 * (soakedGrams - dryGrams)) / faceCm2;
  if (takenMm * faces >= FULL_SHARE * waterMm) {
    throw new PotterError('tooLarge', 'seconds', seconds, `It was full before ${seconds} s were over: take it out sooner, or take a thicker tile.`);
  }
  const massSd = requireNotNegative('divisionGrams', test.divisionGrams) / 2;
  // q is squared, so its error counts twice.
  const lnSd = Math.hypot((2 * Math.SQRT2 * massSd) / (afterGrams - dryGrams), SECONDS_SD / seconds, HANDLING_LN_SD);
  return {
    wallSuction: takenMm ** 2 / (2 * seconds),
    lnSd,
    waterMm,
    absorptionPercent: (100 * (soakedGrams - dryGrams)) / dryGrams,
    takenMm,
  };
}
