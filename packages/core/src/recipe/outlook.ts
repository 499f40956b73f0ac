import { flowGuess, meltsAtAll, movementWord, type MovementWord } from '../chemistry/flow-guess';
import { oxideGrams, unityFormula, type Unity } from '../chemistry/oxides';
import { densityOfPowders } from '../slurry/mix';
import { bentonitePercent, dryCoatOf, powderShares, suspensionOf, type DryCoat, type PowderShares, type Suspension } from '../powder/behaviour';
import { normaliseRecipe } from './normalise';
import type { RecipeLine } from './recipe';
import { resolveLines } from './recipe-mix';
import { EIGHTY_PERCENT_Z } from '../math/normal';
import type { Powder, WeighedPowder } from '../powder/powder';

/** Moles of silica and alumina to one of flux above which there is as good as none. */
const MOST_TO_ONE_OF_FLUX = 20;

/** How it moves, with its 80 % range; or that it does not melt; or why nobody can say. */
export type FireOutlook =
  | { kind: 'moves'; flow: number; likely: MovementWord; least: MovementWord; most: MovementWord }
  | { kind: 'doesNotMelt'; flow: number; silica: number; alumina: number }
  | { kind: 'noFlux' }
  | { kind: 'noAnalysis'; powders: string[] };

export interface RecipeOutlook {
  /** Density of the dry mix, additions included, g/mL. */
  density: number;
  shares: PowderShares;
  suspension: Suspension;
  dryCoat: DryCoat;
  /** In the fire at cone 6, by its oxides: a starting guess. */
  fire: FireOutlook;
  /** Bentonite, percent of the other dry powder. */
  bentonitePercent: number;
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
  const unknown = parts.filter(({ grams, powder }) => grams > 0 && Object.keys(powder.oxides).length === 0).map(({ powder }) => powder.name);
  const colouring = (['Fe2O3', 'TiO2', 'P2O5', 'SnO2', 'ZrO2'] as const).reduce((sum, oxide) => sum + (oxides[oxide] ?? 0), 0);
  return {
    density: densityOfPowders({ parts: parts.map(({ grams, powder }) => ({ grams, density: powder.densityGMl })) }),
    shares,
    suspension: suspensionOf({ parts }),
    dryCoat: dryCoatOf(shares),
    fire:
      unknown.length > 0 ? { kind: 'noAnalysis', powders: unknown } : formula.kind === 'ok' ? fireOf(formula.unity, colouring) : { kind: 'noFlux' },
    bentonitePercent: bentonitePercent({ parts }),
    unity: formula.kind === 'ok' ? formula.unity : {},
    hazards: hazardsOf(parts),
  };
}

function fireOf(unity: Unity, colouringPercent: number): FireOutlook {
  const { SiO2: silica = 0, Al2O3: alumina = 0 } = unity;
  // Traces in clay and sand are no flux.
  if (silica + alumina > MOST_TO_ONE_OF_FLUX) return { kind: 'noFlux' };
  const { flow, lnSd } = flowGuess({ unity, colouringPercent });
  if (!meltsAtAll({ flow })) return { kind: 'doesNotMelt', flow, silica, alumina };
  const spread = Math.exp(EIGHTY_PERCENT_Z * lnSd);
  return {
    kind: 'moves',
    flow,
    likely: movementWord({ flow }),
    least: movementWord({ flow: flow / spread }),
    most: movementWord({ flow: flow * spread }),
  };
}

function hazardsOf(parts: readonly WeighedPowder[]): RecipeOutlook['hazards'] {
  const found = new Map<string, string[]>();
  for (const { grams, powder } of parts) {
    if (grams > 0) for (const hazard of powder.hazards) found.set(hazard, [...(found.get(hazard) ?? []), powder.name]);
  }
  return [...found].map(([hazard, names]) => ({ hazard, powders: names }));
}
