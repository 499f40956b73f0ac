import { PotterError } from '../checks/potter-error';
import { requireDensity, requirePositive, requireSg, requireThinnerThanPowder } from '../checks/require';

export interface SgChange {
  volumeMl: number;
  sg: number;
  targetSg: number;
}

/**
 * Returns the water that thins a bucket, mL: V(d − t)/(t − 1).
 *
 * @param change - `volumeMl`, above 0; `sg`, 1–2.2; `targetSg`, above 1 and not above `sg`
 * @throws PotterError for what lies outside
 * @example
 * waterToThin({ volumeMl: 10_000, sg: 1.52, targetSg: 1.45 }) // 1555.5556
 */
export function waterToThin({ volumeMl, sg, targetSg }: SgChange): number {
  check({ volumeMl, sg, targetSg });
  if (targetSg > sg) throw wrongSide(targetSg, `Water only thins: the wanted SG (${targetSg}) is above the bucket's (${sg}).`);
  return (volumeMl * (sg - targetSg)) / (targetSg - 1);
}

/**
 * Returns the clear water to pour off after settling, mL: V(t − d)/(t − 1). It is kept: soluble flux and salts are in it.
 *
 * @param change - `volumeMl`, above 0; `sg`, above 1; `targetSg`, not below `sg`, at most 2.2
 * @throws PotterError for what lies outside
 * @example
 * waterToPourOff({ volumeMl: 10_000, sg: 1.4, targetSg: 1.45 }) // 1111.1111
 */
export function waterToPourOff({ volumeMl, sg, targetSg }: SgChange): number {
  checkThicken({ volumeMl, sg, targetSg });
  return (volumeMl * (targetSg - sg)) / (targetSg - 1);
}

/**
 * Returns the dry powder of the same glaze that thickens a bucket, g: V(t − d)/(1 − t/ρ).
 *
 * @param change - `volumeMl`, above 0; `sg`, above 1; `targetSg`, not below `sg` and below `density`; `density` of the powder, g/mL
 * @throws PotterError for what lies outside
 * @example
 * powderToThicken({ volumeMl: 10_000, sg: 1.4, targetSg: 1.45, density: 2.6 }) // 1130.4348
 */
export function powderToThicken({ volumeMl, sg, targetSg, density }: SgChange & { density: number }): number {
  checkThicken({ volumeMl, sg, targetSg });
  requireDensity('density', density);
  requireThinnerThanPowder('targetSg', targetSg, density);
  return (volumeMl * (targetSg - sg)) / (1 - targetSg / density);
}

/**
 * Returns the thicker slurry of the same glaze that thickens a bucket, mL: V(t − d)/(e − t).
 *
 * @param change - `volumeMl`, above 0; `sg`, above 1; `targetSg`, not below `sg`; `otherSg`, above `targetSg`
 * @throws PotterError for what lies outside
 * @example
 * slurryToBlend({ volumeMl: 10_000, sg: 1.4, targetSg: 1.45, otherSg: 1.55 }) // 5000
 */
export function slurryToBlend({ volumeMl, sg, targetSg, otherSg }: SgChange & { otherSg: number }): number {
  checkThicken({ volumeMl, sg, targetSg });
  requireSg('otherSg', otherSg);
  if (otherSg <= targetSg) {
    throw new PotterError('wrongSide', 'otherSg', otherSg, `The other bucket (${otherSg}) must be thicker than the wanted SG (${targetSg}).`);
  }
  return (volumeMl * (targetSg - sg)) / (otherSg - targetSg);
}

/**
 * Returns the water that left a bucket which nobody used between two readings, mL: V₁(d₂ − d₁)/(d₂ − 1).
 *
 * @param reading - `volumeMl` and `sg` then; `laterSg` now
 * @throws PotterError for a volume of 0 or less, or an SG that no slurry has
 * @example
 * waterLost({ volumeMl: 10_000, sg: 1.45, laterSg: 1.48 }) // 625
 */
export function waterLost({ volumeMl, sg, laterSg }: { volumeMl: number; sg: number; laterSg: number }): number {
  check({ volumeMl, sg, targetSg: laterSg });
  return (volumeMl * (laterSg - sg)) / (laterSg - 1);
}

function check({ volumeMl, sg, targetSg }: SgChange): void {
  requirePositive('volumeMl', volumeMl);
  requireSg('sg', sg);
  requireSg('targetSg', targetSg);
}

function checkThicken(correction: SgChange): void {
  check(correction);
  if (correction.targetSg < correction.sg) {
    throw wrongSide(
      correction.targetSg,
      `The bucket (${correction.sg}) is already thicker than the wanted SG (${correction.targetSg}): add water instead.`,
    );
  }
}

const wrongSide = (value: number, sentence: string): PotterError => new PotterError('wrongSide', 'targetSg', value, sentence);
