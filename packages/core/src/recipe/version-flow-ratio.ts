import { flowGuess } from '../chemistry/flow-guess';
import type { Unity } from '../chemistry/oxides';
import type { Powder } from '../powder/powder';
import type { RecipeLine } from './recipe';
import { recipeOxides } from './recipe-oxides';

const COLOURING: readonly string[] = ['Fe2O3', 'TiO2', 'P2O5', 'SnO2', 'ZrO2'];

/**
 * Returns how many times as far one version of a recipe runs as another, by their chemistry: a guess, though better known than either by itself.
 *
 * Source: science §6, the starting guess of ln F.
 *
 * @param question - `before` and `after`, lines of the two versions; `powders` of the studio
 * @throws PotterError for a recipe without a base, or a powder the studio does not have
 * @example
 * versionFlowRatio({ before: [{ id: 'a', powderId: 'w', part: 'base', percent: 100 }], after: [{ id: 'a', powderId: 'w', part: 'base', percent: 100 }], powders: [{ id: 'w', name: 'Whiting', role: 'flux', densityGMl: 2.7, rawClay: 0, shrinkWeight: 0, oxides: { CaO: 56 }, loiPercent: 44, hazards: [] }] })
 * // 1
 */
export function versionFlowRatio({
  before,
  after,
  powders,
}: {
  before: readonly RecipeLine[];
  after: readonly RecipeLine[];
  powders: readonly Powder[];
}): number {
  const flowOf = (lines: readonly RecipeLine[]): number => {
    const { oxides } = recipeOxides({ lines, powders });
    const unity: Unity = Object.fromEntries(oxides.flatMap(({ oxide, unityMoles }) => (unityMoles === undefined ? [] : [[oxide, unityMoles]])));
    const colouringPercent = oxides.reduce((sum, { oxide, firedPercent }) => sum + (COLOURING.includes(oxide) ? firedPercent : 0), 0);
    return flowGuess({ unity, colouringPercent }).flow;
  };
  return flowOf(after) / flowOf(before);
}
