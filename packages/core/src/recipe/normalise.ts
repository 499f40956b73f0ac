import { PotterError } from '../checks/potter-error';
import { requireNotNegative } from '../checks/require';
import type { RecipeLine } from './recipe';

/** Sum of the base lines, in percent. 100 when the recipe is tidy. */
export function baseSum({ lines }: { lines: readonly RecipeLine[] }): number {
  return lines.reduce((sum, line) => (line.part === 'base' ? sum + requireNotNegative('percent', line.percent) : sum), 0);
}

/** Sum of the additions, in percent over the base. */
export function additionSum({ lines }: { lines: readonly RecipeLine[] }): number {
  return lines.reduce((sum, line) => (line.part === 'addition' ? sum + requireNotNegative('percent', line.percent) : sum), 0);
}

/**
 * Brings the base to exactly 100. Additions are percent over the base as written, so a base that adds up to S
 * has additions of a·100/S over the tidy base: the glaze stays the same.
 */
export function normaliseRecipe({ lines }: { lines: readonly RecipeLine[] }): RecipeLine[] {
  const sum = baseSum({ lines });
  if (sum <= 0) throw new PotterError('emptyList', 'lines', sum, 'The base is empty: give at least one base powder a percentage.');
  return lines.map((line) => ({ ...line, percent: (line.percent * 100) / sum }));
}
