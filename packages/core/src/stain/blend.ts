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

/** Two buckets of one base, stained differently, blended by volume to a percentage: x_B/x_A = k_A(p_A − t)/(k_B(t − p_B)). */
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
