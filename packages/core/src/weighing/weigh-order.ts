import type { BatchPlanLine } from './batch-plan-line';

/**
 * Working order: clays first into the water (they keep the rest from packing on the bottom), suspenders with them,
 * then the others from most to least, colourants and opacifiers over the base last.
 */
export function weighOrder({ lines, roles }: { lines: readonly BatchPlanLine[]; roles: ReadonlyMap<string, string> }): BatchPlanLine[] {
  const rank = (line: BatchPlanLine): number => {
    const role = roles.get(line.powderId);
    if (role === 'clay' || role === 'suspender') return 0;
    return role === 'colourant' || line.part === 'addition' ? 2 : 1;
  };
  return [...lines].sort((a, b) => rank(a) - rank(b) || b.targetGrams - a.targetGrams);
}
