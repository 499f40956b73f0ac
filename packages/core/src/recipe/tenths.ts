import type { RecipeLine } from './recipe';

/**
 * Returns lines to tenths of a percent, as a recipe is written; the largest line of the base takes the rest, and what is under a twentieth goes.
 *
 * @param lines - with a base of about 100 %
 * @example
 * tenthsOfLines([{ id: 'a', powderId: 'k', part: 'base', percent: 33.34 }, { id: 'b', powderId: 's', part: 'base', percent: 66.66 }]).map(({ percent }) => percent)
 * // [33.3, 66.7]
 */
export function tenthsOfLines(lines: readonly RecipeLine[]): RecipeLine[] {
  const rounded = lines.map((line) => ({ ...line, percent: Math.round(10 * line.percent) / 10 })).filter(({ percent }) => percent > 0);
  const base = rounded.filter(({ part }) => part === 'base');
  const largest = base.reduce((best, line) => (line.percent > best.percent ? line : best), base[0]!);
  const rest = 100 - base.reduce((sum, { percent }) => sum + percent, 0);
  return rounded.map((line) => (line.id === largest.id ? { ...line, percent: Math.round(10 * (line.percent + rest)) / 10 } : line));
}
