import { flowGuess, movementWord, type MovementWord } from '../chemistry/flow-guess';
import { oxideGrams, unityFormula, type Unity } from '../chemistry/oxides';
import { densityOfPowders } from '../slurry/mix';
import { dryCoatOf, powderShares, suspensionOf, type DryCoat, type PowderShares, type Suspension } from '../powder/behaviour';
import { normaliseRecipe } from './normalise';
import type { RecipeLine } from './recipe';
import { resolveLines } from './recipe-mix';
import { EIGHTY_PERCENT_Z } from '../math/normal';
import type { Powder, WeighedPowder } from '../powder/powder';

export interface RecipeOutlook {
  /** Density of the dry mix, additions included, g/mL. */
  density: number;
  shares: PowderShares;
  suspension: Suspension;
  dryCoat: DryCoat;
  /** How it moves at cone 6 with its 80 % range; left out without a flux or without analyses. A starting guess. */
  fire?: { likely: MovementWord; least: MovementWord; most: MovementWord };
  unity: Unity;
  /** Hazards of its powders, each once, with the powders that have them. */
  hazards: { hazard: string; powders: string[] }[];
}

/**
 * Returns what a recipe will do in the bucket, on the pot and in the fire, from its powders alone. All of it are starting guesses.
 *
 * @param question - `lines` of a recipe; `powders` of the studio
 * @throws PotterError for a recipe without a base, or a powder the studio does not have
 * @example
 * recipeOutlook({ lines: [{ id: 'a', powderId: 'k', part: 'base', percent: 100 }], powders: [{ id: 'k', name: 'Kaolin', role: 'clay', densityGMl: 2.6, rawClay: 1, shrinkWeight: 1, oxides: {}, loiPercent: 14, hazards: ['silica'] }] }).suspension
 * // 'holds'
 */
export function recipeOutlook({ lines, powders }: { lines: readonly RecipeLine[]; powders: readonly Powder[] }): RecipeOutlook {
  const parts: WeighedPowder[] = resolveLines({ lines: normaliseRecipe({ lines }), powders }).map(({ line, powder }) => ({
    grams: line.percent,
    powder,
  }));
  const shares = powderShares({ parts });
  const oxides = oxideGrams({ parts });
  const formula = unityFormula({ oxideGrams: oxides });
  // A powder without an analysis would be missing from the formula unnoticed.
  const analysed = parts.every((part) => part.grams === 0 || Object.keys(part.powder.oxides).length > 0);
  const colouring = (['Fe2O3', 'TiO2', 'P2O5', 'SnO2', 'ZrO2'] as const).reduce((sum, oxide) => sum + (oxides[oxide] ?? 0), 0);
  return {
    density: densityOfPowders({ parts: parts.map(({ grams, powder }) => ({ grams, density: powder.densityGMl })) }),
    shares,
    suspension: suspensionOf({ parts }),
    dryCoat: dryCoatOf(shares),
    ...(formula.kind === 'ok' && analysed ? { fire: fireOf(formula.unity, colouring) } : {}),
    unity: formula.kind === 'ok' ? formula.unity : {},
    hazards: hazardsOf(parts),
  };
}

function fireOf(unity: Unity, colouringPercent: number): NonNullable<RecipeOutlook['fire']> {
  const { flow, lnSd } = flowGuess({ unity, colouringPercent });
  const spread = Math.exp(EIGHTY_PERCENT_Z * lnSd);
  return { likely: movementWord({ flow }), least: movementWord({ flow: flow / spread }), most: movementWord({ flow: flow * spread }) };
}

function hazardsOf(parts: readonly WeighedPowder[]): RecipeOutlook['hazards'] {
  const found = new Map<string, string[]>();
  for (const { grams, powder } of parts) {
    if (grams > 0) for (const hazard of powder.hazards) found.set(hazard, [...(found.get(hazard) ?? []), powder.name]);
  }
  return [...found].map(([hazard, names]) => ({ hazard, powders: names }));
}
