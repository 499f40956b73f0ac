import { densityOfPowders } from '../slurry/mix';
import { normaliseRecipe } from './normalise';
import type { RecipeLine, ResolvedLine } from './recipe';
import { PotterError } from '../checks/potter-error';
import type { Powder } from '../powder/powder';

/** Looks up every line's powder; refuses a recipe that names a powder the studio does not have. */
export function resolveLines({ lines, powders }: { lines: readonly RecipeLine[]; powders: readonly Powder[] }): ResolvedLine[] {
  const byId = new Map(powders.map((powder) => [powder.id, powder]));
  return lines.map((line) => {
    const powder = byId.get(line.powderId);
    if (!powder) throw new PotterError('unknownName', 'powderId', line.powderId, 'A line has no powder: choose one from the list.');
    return { line, powder };
  });
}

/** Density of the dry mix with its additions, g/mL. */
export function recipeDensity({ lines, powders }: { lines: readonly RecipeLine[]; powders: readonly Powder[] }): number {
  const parts = resolveLines({ lines: normaliseRecipe({ lines }), powders });
  return densityOfPowders({ parts: parts.map(({ line, powder }) => ({ grams: line.percent, density: powder.densityGMl })) });
}
