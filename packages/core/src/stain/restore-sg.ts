import { requireNotNegative, requirePositive, requireSg } from '../checks/require';
import { densityOfPowders, sgOfMix } from '../slurry/mix';
import { waterPerDryGram } from '../slurry/contents';

export interface StainedBucket {
  dryGrams: number;
  density: number;
  waterGrams: number;
  stainGrams: number;
  stainDensity: number;
  targetSg: number;
}

export interface RestoredSg {
  sgAfterStain: number;
  /** Negative when the stained bucket is still thinner than wanted: no water goes in, and it stays at `sgAfterStain`. */
  addWaterGrams: number;
  volumeMl: number;
}

/**
 * Returns the water that brings a bucket back to its SG after stain went in, and the new volume. 6 % of stain lifts 1.45 to about 1.48.
 *
 * @param bucket - `dryGrams` and `waterGrams` before, above 0; `density` of the powder and `stainDensity`, g/mL; `stainGrams`, 0 or more;
 * `targetSg`
 * @throws PotterError for what lies outside
 * @example
 * waterToRestoreSg({ dryGrams: 1000, density: 2.6, waterGrams: 1000, stainGrams: 60, stainDensity: 4, targetSg: 1.45 })
 * // { sgAfterStain: 1.4718329, addWaterGrams: 67.905983, volumeMl: 1467.5214 }
 */
export function waterToRestoreSg(bucket: StainedBucket): RestoredSg {
  requirePositive('dryGrams', bucket.dryGrams);
  requireNotNegative('waterGrams', bucket.waterGrams);
  requireNotNegative('stainGrams', bucket.stainGrams);
  requireSg('targetSg', bucket.targetSg);
  const dryGrams = bucket.dryGrams + bucket.stainGrams;
  const density = densityOfPowders({
    parts: [
      { grams: bucket.dryGrams, density: bucket.density },
      { grams: bucket.stainGrams, density: bucket.stainDensity },
    ],
  });
  const wantedWater = dryGrams * waterPerDryGram({ sg: bucket.targetSg, density });
  return {
    sgAfterStain: sgOfMix({ dryGrams, waterGrams: bucket.waterGrams, density }),
    addWaterGrams: wantedWater - bucket.waterGrams,
    volumeMl: dryGrams / density + Math.max(wantedWater, bucket.waterGrams),
  };
}
