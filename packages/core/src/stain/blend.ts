import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import { dryGrams } from '../slurry/contents';

/** A cup filled from two buckets. */
export interface TwoBuckets {
  totalMl: number;
  sgA: number;
  sgB: number;
  densityA: number;
  densityB: number;
}

export interface BlendQuestion extends TwoBuckets {
  percentA: number;
  percentB: number;
  targetPercent: number;
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

/**
 * Returns how much of any two glazes blend to a share of the second by dry weight, mL: x_B/x_A = m_A t/(m_B(100 − t)).
 *
 * @param question - `sharePercent` of the second, 0–100; `totalMl`, above 0; SG and density of both buckets
 * @throws PotterError for a share outside 0–100
 * @example
 * shareVolumes({ sharePercent: 25, totalMl: 100, sgA: 1.45, sgB: 1.45, densityA: 2.6, densityB: 2.6 }) // { aMl: 75, bMl: 25 }
 */
export function shareVolumes({ sharePercent, totalMl, sgA, sgB, densityA, densityB }: TwoBuckets & { sharePercent: number }): {
  aMl: number;
  bMl: number;
} {
  requirePositive('volumeMl', totalMl);
  if (!(requireNotNegative('percent', sharePercent) <= 100)) {
    throw new PotterError(
      'tooLarge',
      'sharePercent',
      sharePercent,
      `A share of the second bucket lies between 0 and 100 %; ${sharePercent} was given.`,
    );
  }
  const weightA = dryGrams({ volumeMl: 1, sg: sgB, density: densityB }) * (100 - sharePercent);
  const weightB = dryGrams({ volumeMl: 1, sg: sgA, density: densityA }) * sharePercent;
  const aMl = (totalMl * weightA) / (weightA + weightB);
  return { aMl, bMl: totalMl - aMl };
}
