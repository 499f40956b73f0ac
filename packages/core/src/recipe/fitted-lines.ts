import type { Powder } from '../powder/powder';
import { requireNumber } from '../checks/require';
import { normaliseRecipe } from './normalise';
import type { RecipeLine } from './recipe';
import { resolveLines } from './recipe-mix';
import { solveExpansion, type ExpansionSolution } from './solve-expansion';

/** A recipe that expands otherwise, and melts about as it did. */
export interface FittedLines {
  lines: RecipeLine[];
  /** How much less it expands than before, 10⁻⁶ per K; negative where it expands more. */
  fall: number;
  /** How many times as far it runs, by its oxides. */
  flowRatio: number;
}

/** Roles of powders that may come into a base: none of them colours it. */
const ROLES = ['glass former', 'flux', 'clay'];
/** Further powders that nobody wants in a glaze only for its fit, by their hazards. */
const UNWANTED = /toxic|soluble|leaches|caustic|variable/i;
/** As close as this to what is wanted is close enough, 10⁻⁶ per K; less than the other is not worth a version. */
const CLOSE = 0.1;
const LEAST_FALL = 0.15;
/** Shares of the wanted fall that are tried, the whole first. */
const SHARES = [1, 0.75, 0.5, 0.3];
/** Of a pure silica, percent. */
const PURE = 97;

/**
 * Returns a recipe with another expansion, so that it fits its clay better: the base solved again from its own powders, silica, and at most one more of
 * the studio, so that it runs about as far as before and its other oxides change as little as can be. Undefined where nothing on the shelf does it.
 *
 * Source: linear constraints on the additive factors and on the starting guess of ln F, by non-negative least squares.
 *
 * @param question - `lines` of the recipe; `powders` of the studio; `fall`, how much less it shall expand, 10⁻⁶ per K, negative for more; `newId`, makes ids
 * @throws PotterError for a recipe without a base, or a powder the studio does not have
 * @example
 * fittedLines({ lines: [{ id: 'a', powderId: 's', part: 'base', percent: 100 }], powders: [{ id: 's', name: 'Silica', role: 'glass former', densityGMl: 2.65, rawClay: 0, shrinkWeight: 0, oxides: { SiO2: 100 }, loiPercent: 0, hazards: [] }], fall: 0.5, newId: () => 'n' })
 * // undefined
 */
export function fittedLines(question: {
  lines: readonly RecipeLine[];
  powders: readonly Powder[];
  fall: number;
  newId: (powderId: string) => string;
}): FittedLines | undefined {
  const { powders, newId } = question;
  const wanted = requireNumber('fall', question.fall);
  const lines = normaliseRecipe({ lines: question.lines });
  // A powder without an analysis would be missing from the glass unnoticed.
  if (resolveLines({ lines, powders }).some(({ line, powder }) => line.percent > 0 && !hasOxides(powder))) return undefined;
  const sets = candidateSets(lines, powders);
  for (const fall of SHARES.map((share) => share * wanted)) {
    if (Math.abs(fall) < LEAST_FALL) return undefined;
    const found = (candidates: readonly Powder[]): ExpansionSolution[] => {
      const one = solveExpansion({ lines, powders, candidates, fall, newId });
      return one && Math.abs(one.fall - fall) <= CLOSE ? [one] : [];
    };
    // What needs nothing new is best; else the powder that changes the glaze least.
    const best = sets.own.flatMap(found)[0] ?? sets.withOneMore.flatMap(found).sort((a, b) => a.shift - b.shift)[0];
    if (best) return { lines: best.lines, fall: best.fall, flowRatio: best.flowRatio };
  }
  return undefined;
}

/** Its own powders, then with silica; and those with one more of the studio each. */
function candidateSets(lines: readonly RecipeLine[], powders: readonly Powder[]): { own: Powder[][]; withOneMore: Powder[][] } {
  const inBase = new Set(lines.filter(({ part }) => part === 'base').map(({ powderId }) => powderId));
  const own = powders.filter(({ id }) => inBase.has(id));
  const others = powders.filter((powder) => !inBase.has(powder.id) && ROLES.includes(powder.role) && hasOxides(powder) && !isUnwanted(powder));
  const silica = others.filter(({ role, oxides }) => role === 'glass former' && (oxides['SiO2'] ?? 0) > PURE).slice(0, 1);
  const ownWithSilica = [...own, ...silica];
  return {
    own: silica.length > 0 ? [own, ownWithSilica] : [own],
    withOneMore: others.filter((powder) => !silica.includes(powder)).map((powder) => [...ownWithSilica, powder]),
  };
}

const isUnwanted = ({ hazards }: Powder): boolean => hazards.some((hazard) => UNWANTED.test(hazard));
const hasOxides = ({ oxides }: Powder): boolean => Object.values(oxides).some((percent) => percent > 0);
