import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';

/** Usual range of stain, percent of the dry base. Start low: stain cannot be taken out. */
export const USUAL_STAIN_PERCENT = { least: 1, most: 10 } as const;

/**
 * Returns the dry base in a bucket of base and additions, g: dry/(1 + Σ additions/100).
 *
 * @param question - `dryGrams`, above 0; `additionPercent`, 0 or more
 * @throws PotterError for what lies outside
 * @example
 * baseDryGrams({ dryGrams: 106, additionPercent: 6 }) // 100
 */
export function baseDryGrams({ dryGrams, additionPercent }: { dryGrams: number; additionPercent: number }): number {
  return requirePositive('dryGrams', dryGrams) / (1 + requireNotNegative('percent', additionPercent) / 100);
}

/**
 * Returns the stain for a percentage of the dry base, g: Bp/100.
 *
 * @param question - `baseDryGrams`, above 0; `percent`, 0 or more
 * @throws PotterError for what lies outside
 * @example
 * stainForPercent({ baseDryGrams: 1000, percent: 6 }) // 60
 */
export function stainForPercent({ baseDryGrams, percent }: { baseDryGrams: number; percent: number }): number {
  return (requirePositive('baseDryGrams', baseDryGrams) * requireNotNegative('percent', percent)) / 100;
}

/**
 * Returns the stain that raises a bucket from one percentage to a higher one, g: B(q − p)/100.
 *
 * @param question - `baseDryGrams`, above 0; `percent` now, 0 or more; `targetPercent`, not below it
 * @throws PotterError for what lies outside
 * @example
 * stainToRaise({ baseDryGrams: 1000, percent: 4, targetPercent: 6 }) // 20
 */
export function stainToRaise(question: { baseDryGrams: number; percent: number; targetPercent: number }): number {
  const { baseDryGrams: base, percent, targetPercent } = question;
  requirePositive('baseDryGrams', base);
  requireNotNegative('percent', percent);
  requireNotNegative('targetPercent', targetPercent);
  if (targetPercent < percent) {
    throw new PotterError(
      'wrongSide',
      'targetPercent',
      targetPercent,
      `Stain cannot be taken out: the bucket holds ${percent} % already. Add base to come down to ${targetPercent} %.`,
    );
  }
  return (base * (targetPercent - percent)) / 100;
}

/**
 * Returns the dry base that rescues an over-stained bucket, g: 100 S/q − B.
 *
 * @param question - `baseDryGrams` and `targetPercent`, above 0; `stainGrams`, 0 or more
 * @throws PotterError for what lies outside, or a bucket that is not over-stained
 * @example
 * baseToDilute({ baseDryGrams: 1000, stainGrams: 80, targetPercent: 6 }) // 333.33333
 */
export function baseToDilute(question: { baseDryGrams: number; stainGrams: number; targetPercent: number }): number {
  requirePositive('baseDryGrams', question.baseDryGrams);
  requireNotNegative('stainGrams', question.stainGrams);
  requirePositive('targetPercent', question.targetPercent);
  const base = (100 * question.stainGrams) / question.targetPercent - question.baseDryGrams;
  if (base < -1e-9) {
    throw new PotterError(
      'wrongSide',
      'targetPercent',
      question.targetPercent,
      `The bucket holds less than ${question.targetPercent} % stain: add stain, not base.`,
    );
  }
  return Math.max(0, base);
}
