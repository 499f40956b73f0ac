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
  /** Negative when the stained bucket is still thinner than wanted: that much is to be poured off. */
  addWaterGrams: number;
  volumeMl: number;
}

/** Stain thickens the bucket (6 % lifts 1.45 to about 1.48): the water that restores the SG, and the new volume. */
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
    volumeMl: dryGrams / density + wantedWater,
  };
}
