import { densityOfPowders } from '../slurry/mix';
import { normaliseRecipe } from './normalise';
import type { RecipeLine, ResolvedLine } from './recipe';
import { PotterError } from '../checks/potter-error';
import type { Powder } from '../powder/powder';

/**
 * Returns every line with its powder.
 *
 * @param question - `lines` of a recipe; `powders` of the studio
 * @throws PotterError for a powder the studio does not have
 * @example
 * resolveLines({ lines: [{ id: 'a', powderId: 's', part: 'base', percent: 30 }], powders: [{ id: 's', name: 'Silica' }] })[0].powder.name
 * // 'Silica'
 */
export function resolveLines({ lines, powders }: { lines: readonly RecipeLine[]; powders: readonly Powder[] }): ResolvedLine[] {
  const byId = new Map(powders.map((powder) => [powder.id, powder]));
  return lines.map((line) => {
    const powder = byId.get(line.powderId);
    if (!powder) throw new PotterError('unknownName', 'powderId', line.powderId, 'A line has no powder: choose one from the list.');
    return { line, powder };
  });
}

/**
 * Returns the density of the dry mix with its additions, g/mL.
 *
 * @param question - `lines` of a recipe; `powders` of the studio
 * @throws PotterError for a recipe without a base, or a powder the studio does not have
 * @example
 * recipeDensity({ lines: [{ id: 'a', powderId: 's', part: 'base', percent: 100 }], powders: [{ id: 's', name: 'Silica', densityGMl: 2.65 }] })
 * // 2.65
 */
export function recipeDensity({ lines, powders }: { lines: readonly RecipeLine[]; powders: readonly Powder[] }): number {
  const parts = resolveLines({ lines: normaliseRecipe({ lines }), powders });
  return densityOfPowders({ parts: parts.map(({ line, powder }) => ({ grams: line.percent, density: powder.densityGMl })) });
}
