import { recipeDifference } from './difference';
import { baseSum, normaliseRecipe } from './normalise';
import type { RecipeLine } from './recipe';

export interface RecipeToCompare {
  id: string;
  lines: readonly RecipeLine[];
}

export interface Sibling {
  id: string;
  /** Powders that stand over the base in only one of the two, or in both with another percentage. */
  differingPowderIds: string[];
}

/** Bases that agree to this many percent are the same base: such differences come from rounding in a spreadsheet. */
const SAME_BASE_PERCENT = 0.06;

/**
 * Returns recipes on the same base that differ only in what stands over it, nearest first.
 *
 * @param question - `recipe`; `others`, among which to look
 * @example
 * siblings({ recipe: { id: 'a', name: 'A', lines: [] }, others: [] }) // []
 */
export function siblings({ recipe, others }: { recipe: RecipeToCompare; others: readonly RecipeToCompare[] }): Sibling[] {
  if (baseSum({ lines: recipe.lines }) <= 0) return [];
  const mine = normaliseRecipe({ lines: recipe.lines });
  const found: Sibling[] = [];
  for (const other of others) {
    if (other.id === recipe.id || baseSum({ lines: other.lines }) <= 0) continue;
    const theirs = normaliseRecipe({ lines: other.lines });
    if (!sameBase(mine, theirs)) continue;
    const differences = recipeDifference({ before: mine.filter(isAddition), after: theirs.filter(isAddition) });
    found.push({ id: other.id, differingPowderIds: differences.map((one) => one.powderId) });
  }
  return found.sort((a, b) => a.differingPowderIds.length - b.differingPowderIds.length);
}

const isAddition = (line: RecipeLine): boolean => line.part !== 'base';

function sameBase(mine: readonly RecipeLine[], theirs: readonly RecipeLine[]): boolean {
  const sums = new Map<string, number>();
  for (const line of mine) if (!isAddition(line)) sums.set(line.powderId, (sums.get(line.powderId) ?? 0) + line.percent);
  for (const line of theirs) if (!isAddition(line)) sums.set(line.powderId, (sums.get(line.powderId) ?? 0) - line.percent);
  return [...sums.values()].every((difference) => Math.abs(difference) <= SAME_BASE_PERCENT);
}
