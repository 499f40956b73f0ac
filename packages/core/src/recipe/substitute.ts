import { Matrix } from 'ml-matrix';
import { fcnnlsVector } from 'ml-fcnnls';
import { MOLAR_MASS, oxideGrams, unityFormula, type Oxide, type Unity } from '../chemistry/oxides';
import { PotterError } from '../checks/potter-error';
import { baseSum, normaliseRecipe } from './normalise';
import type { RecipeLine } from './recipe';
import { resolveLines } from './recipe-mix';
import type { Powder } from '../powder/powder';

export interface SubstituteQuestion {
  lines: readonly RecipeLine[];
  powders: readonly Powder[];
  /** Powders that the base may be made of: those that stay and those offered in place of others. */
  allowedIds: readonly string[];
  /** Ids for lines of powders that are new to the recipe. */
  newId: (powderId: string) => string;
}

export interface OxideDifference {
  oxide: Oxide;
  /** Moles to one mole of flux; left out for a base without a flux. */
  before: number;
  after: number;
}

export interface Substitution {
  lines: RecipeLine[];
  /** In unity, the largest first; differences too small to see are left out. */
  differences: OxideDifference[];
}

/** Weight of staying near the recipe as written: small, so that it only decides where the oxides do not. */
const STAY_CLOSE = 1e-3;
/** A base line under this is not worth weighing, percent. */
const LEAST_PERCENT = 0.05;
/** Moles in unity below which no difference shows in a fired glaze. */
const LEAST_DIFFERENCE = 0.005;

/**
 * Returns the base solved again from other powders, to the nearest oxides in moles. Among mixtures of equal oxides it is the one nearest to
 * the recipe as written. Additions keep their ratio to the fired oxides of the base. The result is untested.
 *
 * Source: non-negative least squares (Lawson and Hanson, 1974), in the fast combinatorial form of Van Benthem and Keenan, 2004.
 *
 * @param question - `lines` of the recipe; `powders` of the studio; `allowedIds`, powders it may use; `newId`, makes ids for new lines
 * @throws PotterError when no powder is allowed, or nothing of the oxides can be had from them
 * @example
 * substitute({ lines: [{ id: 'a', powderId: 's', part: 'base', percent: 100 }], powders: [{ id: 's', name: 'Silica', oxides: { SiO2: 100 }, loiPercent: 0 }], allowedIds: ['s'], newId: (id) => id }).lines.length
 * // 1
 */
export function substitute({ lines, powders, allowedIds, newId }: SubstituteQuestion): Substitution {
  const tidy = normaliseRecipe({ lines });
  const base = resolveLines({ lines: tidy.filter((line) => line.part === 'base'), powders });
  const wanted = moles(base.map(({ line, powder }) => ({ grams: line.percent, powder })));
  const candidates = powders.filter((powder) => allowedIds.includes(powder.id));
  if (candidates.length === 0) throw new PotterError('emptyList', 'allowedIds', 0, 'Choose at least one powder the base may be made of.');
  if (Object.keys(wanted).length === 0)
    throw new PotterError('impossible', 'lines', 0, 'The powders of this base have no analysis: there are no oxides to aim at.');
  const amounts = solve({ wanted, candidates, written: candidates.map((powder) => percentOf(base, powder.id)) });
  const solved = candidates.map((powder, index) => ({ powder, grams: amounts[index]! })).filter(({ grams }) => grams > LEAST_PERCENT);
  const total = solved.reduce((sum, { grams }) => sum + grams, 0);
  if (total <= 0) throw new PotterError('impossible', 'allowedIds', 0, 'These powders bring none of the oxides the base is made of: choose others.');
  const newBase = solved.map(({ powder, grams }): RecipeLine => {
    const id = base.find(({ line }) => line.powderId === powder.id)?.line.id ?? newId(powder.id);
    return { id, powderId: powder.id, part: 'base', percent: (100 * grams) / total };
  });
  const additions = tidy.filter((line) => line.part !== 'base').map((line) => ({ ...line, percent: (line.percent * 100) / total }));
  return {
    lines: inOrderOf(
      newBase,
      base.map(({ line }) => line),
    ).concat(additions),
    differences: differencesOf(wanted, moles(solved)),
  };
}

type Moles = Partial<Record<Oxide, number>>;

function moles(parts: readonly { grams: number; powder: Powder }[]): Moles {
  return Object.fromEntries(Object.entries(oxideGrams({ parts })).map(([oxide, grams]) => [oxide, grams / MOLAR_MASS[oxide as Oxide]]));
}

const percentOf = (base: readonly { line: RecipeLine }[], powderId: string): number =>
  baseSum({ lines: base.map(({ line }) => line).filter((line) => line.powderId === powderId) });

function solve({ wanted, candidates, written }: { wanted: Moles; candidates: readonly Powder[]; written: readonly number[] }): number[] {
  const perGram = candidates.map((powder) => moles([{ grams: 1, powder }]));
  const oxides = [...new Set([wanted, ...perGram].flatMap((one) => Object.keys(one) as Oxide[]))];
  const rows = oxides.map((oxide) => perGram.map((one) => one[oxide] ?? 0));
  const aims = oxides.map((oxide) => wanted[oxide] ?? 0);
  // Moles per gram are about a hundredth; the weight of the recipe as written stays a thousandth of that.
  const pull = STAY_CLOSE / 100;
  candidates.forEach((_, index) => {
    rows.push(candidates.map((__, other) => (other === index ? pull : 0)));
    aims.push(pull * written[index]!);
  });
  return fcnnlsVector(new Matrix(rows), aims).K.to1DArray();
}

/** Lines that stay keep their place; new ones follow. */
function inOrderOf(lines: readonly RecipeLine[], written: readonly RecipeLine[]): RecipeLine[] {
  const place = (line: RecipeLine): number => {
    const index = written.findIndex((one) => one.powderId === line.powderId);
    return index < 0 ? written.length : index;
  };
  return [...lines].sort((a, b) => place(a) - place(b) || b.percent - a.percent);
}

function differencesOf(before: Moles, after: Moles): OxideDifference[] {
  const [was, is] = [before, after].map(inUnity) as [Unity, Unity];
  const oxides = [...new Set([...Object.keys(was), ...Object.keys(is)])] as Oxide[];
  return oxides
    .map((oxide) => ({ oxide, before: was[oxide] ?? 0, after: is[oxide] ?? 0 }))
    .filter((one) => Math.abs(one.after - one.before) >= LEAST_DIFFERENCE)
    .sort((a, b) => Math.abs(b.after - b.before) - Math.abs(a.after - a.before));
}

function inUnity(amounts: Moles): Unity {
  const grams = Object.fromEntries(Object.entries(amounts).map(([oxide, mol]) => [oxide, mol * MOLAR_MASS[oxide as Oxide]]));
  const formula = unityFormula({ oxideGrams: grams });
  return formula.kind === 'ok' ? formula.unity : {};
}
