import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';

/** Usual range of stain, percent of the dry base. Start low: stain cannot be taken out. */
export const USUAL_STAIN_PERCENT = { least: 1, most: 10 } as const;

/** Dry base in a bucket of base and additions: dry/(1 + Σ additions/100), g. */
export function baseDryGrams({ dryGrams, additionPercent }: { dryGrams: number; additionPercent: number }): number {
  return requirePositive('dryGrams', dryGrams) / (1 + requireNotNegative('percent', additionPercent) / 100);
}

/** Stain for a percentage of the dry base: Bp/100, g. */
export function stainForPercent({ baseDryGrams, percent }: { baseDryGrams: number; percent: number }): number {
  return (requirePositive('baseDryGrams', baseDryGrams) * requireNotNegative('percent', percent)) / 100;
}

/** Stain to raise a bucket from one percentage to a higher one: B(q − p)/100, g. */
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

/** Base that rescues an over-stained bucket: 100 S/q − B, g of dry base. */
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
