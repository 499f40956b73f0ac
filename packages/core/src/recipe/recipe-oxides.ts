import { FLUXES, oxideGrams, unityFormula, type Oxide } from '../chemistry/oxides';
import { normaliseRecipe } from './normalise';
import type { RecipeLine } from './recipe';
import { resolveLines } from './recipe-mix';
import type { Powder } from '../powder/powder';

/** What an oxide does in the melt: `melter`, the fluxes; `stiffener`, alumina; `glass`, silica and boron; `colour`, all others. */
export type OxideRole = 'melter' | 'stiffener' | 'glass' | 'colour';

export interface OxideOfRecipe {
  oxide: Oxide;
  role: OxideRole;
  /** In 100 g of the dry mix, additions included, before firing, g. */
  grams: number;
  /** Of the fired glass, percent by weight. */
  firedPercent: number;
  /** Moles over the moles of all fluxes; left out without a flux. */
  unityMoles?: number;
  /** The powders that bring it, most first, with their grams of it in 100 g of the mix. */
  from: { powder: string; grams: number }[];
}

export interface RecipeOxides {
  /** Most moles first. */
  oxides: OxideOfRecipe[];
  /** Silica over alumina, in moles; left out when one of them is missing. */
  silicaOverAlumina?: number;
  /** Powders in it whose analysis is not known: the figures are wrong by what they bring. */
  unknown: string[];
}

/** Less of an oxide than this in 100 g is a trace of an analysis, g. */
const TRACE_GRAMS = 0.005;

/**
 * Returns the oxides of a recipe, what each does in the melt, and which powder brings it.
 *
 * Source: unity formula, Seger, 1886; roles as usual in glaze chemistry.
 *
 * @param question - `lines` of a recipe; `powders` of the studio
 * @throws PotterError for a recipe without a base, or a powder the studio does not have
 * @example
 * recipeOxides({ lines: [{ id: 'a', powderId: 'w', part: 'base', percent: 100 }], powders: [{ id: 'w', name: 'Whiting', role: 'flux', densityGMl: 2.7, rawClay: 0, shrinkWeight: 0, oxides: { CaO: 56 }, loiPercent: 44, hazards: [] }] }).oxides[0].unityMoles
 * // 1
 */
export function recipeOxides({ lines, powders }: { lines: readonly RecipeLine[]; powders: readonly Powder[] }): RecipeOxides {
  const resolved = resolveLines({ lines: normaliseRecipe({ lines }), powders }).filter(({ line }) => line.percent > 0);
  const mixGrams = resolved.reduce((sum, { line }) => sum + line.percent, 0);
  const parts = resolved.map(({ line, powder }) => ({ grams: (100 * line.percent) / mixGrams, powder }));
  const grams = oxideGrams({ parts });
  const firedGrams = Object.values(grams).reduce((sum, value) => sum + value, 0);
  const formula = unityFormula({ oxideGrams: grams });
  const unity = formula.kind === 'ok' ? formula.unity : {};
  const oxides = Object.entries(grams)
    .filter(([, value]) => value >= TRACE_GRAMS)
    .map(([name, value]): OxideOfRecipe => {
      const oxide = name as Oxide;
      return {
        oxide,
        role: roleOf(oxide),
        grams: value,
        firedPercent: (100 * value) / firedGrams,
        ...(unity[oxide] === undefined ? {} : { unityMoles: unity[oxide] }),
        from: parts
          .map((part) => ({ powder: part.powder.name, grams: oxideGrams({ parts: [part] })[oxide] ?? 0 }))
          .filter((one) => one.grams >= TRACE_GRAMS)
          .sort((a, b) => b.grams - a.grams),
      };
    })
    .sort((a, b) => (b.unityMoles ?? b.grams) - (a.unityMoles ?? a.grams));
  return {
    oxides,
    ...(unity.SiO2 && unity.Al2O3 ? { silicaOverAlumina: unity.SiO2 / unity.Al2O3 } : {}),
    unknown: [...new Set(resolved.filter(({ powder }) => Object.keys(powder.oxides).length === 0).map(({ powder }) => powder.name))],
  };
}

function roleOf(oxide: Oxide): OxideRole {
  if (FLUXES.includes(oxide)) return 'melter';
  if (oxide === 'Al2O3') return 'stiffener';
  return oxide === 'SiO2' || oxide === 'B2O3' ? 'glass' : 'colour';
}
