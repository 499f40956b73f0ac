import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';

export interface Ladder {
  addGrams: number[];
  baseLeftGrams: number;
  stainLeftGrams: number;
}

/**
 * A stain ladder in one cup: before step k add B·p/100 − S, dip a tile drawing q dry grams (stain included),
 * after which base and stain both shrink by 1 − q/(B + S). Steps must rise.
 */
export function ladder(cup: { baseDryGrams: number; percents: readonly number[]; drawDryGrams: number }): Ladder {
  let base = requirePositive('baseDryGrams', cup.baseDryGrams);
  requireNotNegative('drawDryGrams', cup.drawDryGrams);
  let stain = 0;
  let last = 0;
  const addGrams = cup.percents.map((percent) => {
    requireNotNegative('percent', percent);
    if (percent < last) {
      throw new PotterError('wrongSide', 'percents', percent, `The steps of a ladder must rise: ${percent} % comes after ${last} %.`);
    }
    last = percent;
    const add = (base * percent) / 100 - stain;
    stain += add;
    if (cup.drawDryGrams > base + stain) {
      throw new PotterError('tooLarge', 'drawDryGrams', cup.drawDryGrams, 'The tiles draw more glaze than the cup holds: start with more base.');
    }
    const left = 1 - cup.drawDryGrams / (base + stain);
    base *= left;
    stain *= left;
    return add;
  });
  return { addGrams, baseLeftGrams: base, stainLeftGrams: stain };
}
