import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';

export interface Ladder {
  addGrams: number[];
  baseLeftGrams: number;
  stainLeftGrams: number;
}

/**
 * Returns a stain ladder in one cup. Before step k, B·p/100 − S is added; a dipped tile takes q dry grams, stain included, after which base
 * and stain shrink by 1 − q/(B + S).
 *
 * @param cup - `baseDryGrams`, above 0; `percents`, rising, 0 or more; `drawDryGrams`, what a tile takes, 0 or more
 * @throws PotterError for steps that do not rise, or a cup that runs out
 * @example
 * ladder({ baseDryGrams: 100, percents: [2, 4], drawDryGrams: 10 })
 * // { addGrams: [2, 1.8039216], baseLeftGrams: 80.580694, stainLeftGrams: 3.2232278 }
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
