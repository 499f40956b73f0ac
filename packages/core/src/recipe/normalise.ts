import { PotterError } from '../checks/potter-error';
import { requireNotNegative } from '../checks/require';
import type { RecipeLine } from './recipe';

/**
 * Returns the sum of the base lines, percent. 100 when the recipe is tidy.
 *
 * @param question - `lines` of a recipe, percent 0 or more
 * @throws PotterError for a negative percentage
 * @example
 * baseSum({ lines: [{ id: 'a', powderId: 'silica', part: 'base', percent: 30 }] }) // 30
 */
export function baseSum({ lines }: { lines: readonly RecipeLine[] }): number {
  return lines.reduce((sum, line) => (line.part === 'base' ? sum + requireNotNegative('percent', line.percent) : sum), 0);
}

/**
 * Returns the sum of additions and stains, percent over the base.
 *
 * @param question - `lines` of a recipe, percent 0 or more
 * @throws PotterError for a negative percentage
 * @example
 * additionSum({ lines: [{ id: 'a', powderId: 'tin', part: 'addition', percent: 8 }] }) // 8
 */
export function additionSum({ lines }: { lines: readonly RecipeLine[] }): number {
  return lines.reduce((sum, line) => (line.part === 'base' ? sum : sum + requireNotNegative('percent', line.percent)), 0);
}

/**
 * Returns the lines with a base of exactly 100. What is over the base is percent of it already, and stays as it is written.
 *
 * @param question - `lines` of a recipe, percent 0 or more
 * @throws PotterError for a recipe without a base, or a negative percentage
 * @example
 * normaliseRecipe({ lines: [{ id: 'a', powderId: 'silica', part: 'base', percent: 50 }, { id: 'b', powderId: 'tin', part: 'addition', percent: 4 }] }).map(({ percent }) => percent)
 * // [100, 4]
 */
export function normaliseRecipe({ lines }: { lines: readonly RecipeLine[] }): RecipeLine[] {
  const sum = requireBase(lines);
  return lines.map((line) => (line.part === 'base' ? { ...line, percent: (line.percent * 100) / sum } : line));
}

/**
 * Returns the lines of a recipe whose additions were written as parts of the whole: all are scaled by what brings the base to 100.
 *
 * @param question - `lines` of a recipe, percent 0 or more
 * @throws PotterError for a recipe without a base, or a negative percentage
 * @example
 * normaliseParts({ lines: [{ id: 'a', powderId: 'silica', part: 'base', percent: 80 }, { id: 'b', powderId: 'tin', part: 'addition', percent: 20 }] }).map(({ percent }) => percent)
 * // [100, 25]
 */
export function normaliseParts({ lines }: { lines: readonly RecipeLine[] }): RecipeLine[] {
  const sum = requireBase(lines);
  return lines.map((line) => ({ ...line, percent: (line.percent * 100) / sum }));
}

function requireBase(lines: readonly RecipeLine[]): number {
  const sum = baseSum({ lines });
  if (sum <= 0) throw new PotterError('emptyList', 'lines', sum, 'The base is empty: give at least one base powder a percentage.');
  return sum;
}
