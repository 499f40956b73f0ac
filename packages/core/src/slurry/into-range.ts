import { PotterError } from '../checks/potter-error';
import { requireDensity, requirePositive, requireSg, requireThinnerThanPowder } from '../checks/require';

export interface SgChange {
  volumeMl: number;
  sg: number;
  targetSg: number;
}

/** Water that thins a bucket: V(d − t)/(t − 1), mL. Example: 10,000 mL 1.52 → 1.45: 1,556 mL. */
export function waterToThin({ volumeMl, sg, targetSg }: SgChange): number {
  check({ volumeMl, sg, targetSg });
  if (targetSg > sg) throw wrongSide(targetSg, `Water only thins: the wanted SG (${targetSg}) is above the bucket's (${sg}).`);
  return (volumeMl * (sg - targetSg)) / (targetSg - 1);
}

/** Clear water to pour off after settling: V(t − d)/(t − 1), mL. Keep it: soluble flux and salts are in it. */
export function waterToPourOff({ volumeMl, sg, targetSg }: SgChange): number {
  checkThicken({ volumeMl, sg, targetSg });
  return (volumeMl * (targetSg - sg)) / (targetSg - 1);
}

/** Dry powder of the same glaze that thickens a bucket: V(t − d)/(1 − t/ρ), g. */
export function powderToThicken({ volumeMl, sg, targetSg, density }: SgChange & { density: number }): number {
  checkThicken({ volumeMl, sg, targetSg });
  requireDensity('density', density);
  requireThinnerThanPowder('targetSg', targetSg, density);
  return (volumeMl * (targetSg - sg)) / (1 - targetSg / density);
}

/** Thicker slurry of the same glaze at SG e > t: V(t − d)/(e − t), mL. */
export function slurryToBlend({ volumeMl, sg, targetSg, otherSg }: SgChange & { otherSg: number }): number {
  checkThicken({ volumeMl, sg, targetSg });
  requireSg('otherSg', otherSg);
  if (otherSg <= targetSg) {
    throw new PotterError('wrongSide', 'otherSg', otherSg, `The other bucket (${otherSg}) must be thicker than the wanted SG (${targetSg}).`);
  }
  return (volumeMl * (targetSg - sg)) / (otherSg - targetSg);
}

/** Water lost from a bucket that nobody used between two readings: V₁(d₂ − d₁)/(d₂ − 1), mL. */
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
