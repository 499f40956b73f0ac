import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import { dryGrams } from '../slurry/contents';

export interface BlendQuestion {
  percentA: number;
  percentB: number;
  targetPercent: number;
  totalMl: number;
  sgA: number;
  sgB: number;
  densityA: number;
  densityB: number;
}

/**
 * Returns how much of two buckets of one base, stained differently, blend to a percentage, mL: x_B/x_A = k_A(p_A − t)/(k_B(t − p_B)).
 *
 * @param question - `percentA` and `percentB`, 0 or more; `targetPercent` between them; `totalMl`, above 0; SG and density of both buckets
 * @throws PotterError for a percentage that does not lie between the two
 * @example
 * blendVolumes({ percentA: 0, percentB: 8, targetPercent: 4, totalMl: 100, sgA: 1.45, sgB: 1.45, densityA: 2.6, densityB: 2.6 })
 * // { aMl: 48.076923, bMl: 51.923077 }
 */
export function blendVolumes(question: BlendQuestion): { aMl: number; bMl: number } {
  const { percentA, percentB, targetPercent } = question;
  requirePositive('volumeMl', question.totalMl);
  const low = Math.min(requireNotNegative('percent', percentA), requireNotNegative('percent', percentB));
  const high = Math.max(percentA, percentB);
  if (!(targetPercent >= low && targetPercent <= high) || low === high) {
    throw new PotterError(
      'wrongSide',
      'targetPercent',
      targetPercent,
      `A blend lies between its two buckets: choose a percentage from ${low} to ${high}.`,
    );
  }
  const basePerMl = (sg: number, density: number, percent: number): number => dryGrams({ volumeMl: 1, sg, density }) / (1 + percent / 100);
  const kA = basePerMl(question.sgA, question.densityA, percentA);
  const kB = basePerMl(question.sgB, question.densityB, percentB);
  const weightA = kB * (targetPercent - percentB);
  const weightB = kA * (percentA - targetPercent);
  const aMl = (question.totalMl * weightA) / (weightA + weightB);
  return { aMl, bMl: question.totalMl - aMl };
}
