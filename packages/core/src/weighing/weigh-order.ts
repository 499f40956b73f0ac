import type { BatchPlanLine } from './batch-plan-line';

/**
 * Returns the lines in working order: clays first into the water (they keep the rest from packing on the bottom), suspenders with them, then
 * the others from most to least, colourants and additions last.
 *
 * @param question - `lines` of the batch; `roles` by powder
 * @example
 * weighOrder({ lines: [{ powderId: 's', part: 'base', targetGrams: 300 }, { powderId: 'k', part: 'base', targetGrams: 100 }], roles: new Map([['k', 'clay']]) }).map(({ powderId }) => powderId)
 * // ['k', 's']
 */
export function weighOrder({ lines, roles }: { lines: readonly BatchPlanLine[]; roles: ReadonlyMap<string, string> }): BatchPlanLine[] {
  const rank = (line: BatchPlanLine): number => {
    const role = roles.get(line.powderId);
    if (role === 'clay' || role === 'suspender') return 0;
    return role === 'colourant' || line.part !== 'base' ? 2 : 1;
  };
  return [...lines].sort((a, b) => rank(a) - rank(b) || b.targetGrams - a.targetGrams);
}
