import { fcnnlsVector } from 'ml-fcnnls';
import { Matrix } from 'ml-matrix';
import { expansionFactors, glassExpansion } from '../chemistry/expansion';
import { FLUXES, MOLAR_MASS, oxideGrams, type Oxide, type Unity } from '../chemistry/oxides';
import { attempt } from '../checks/potter-error';
import { powderShares } from '../powder/behaviour';
import type { Powder } from '../powder/powder';
import type { RecipeLine } from './recipe';
import { resolveLines } from './recipe-mix';
import { tenthsOfLines } from './tenths';
import { versionFlowRatio } from './version-flow-ratio';

/** Runs at most so many times as far, or as short. */
const MOST_FLOW = 1.6;
/** Moles to one of flux by which all oxides together may differ: more is another glaze. */
const MOST_SHIFT = 0.8;
/** A coat with more raw clay than this, percent, cracks; and so much more than before is another coat. */
const MOST_SHRINK_PERCENT = 18;
const MORE_SHRINK_PERCENT = 2;
/** Raw clay keeps the bucket from settling: no clay of the base loses more than this share of itself. */
const LEAST_CLAY_SHARE = 0.7;
/** Less than this of a new powder is not worth a line, percent. */
const LEAST_PERCENT = 0.5;
/** The factors of boron and silica follow the glass: solved anew so many times. */
const ROUNDS = 4;
/** Weights of the rows: what must be met, the oxides beside it, the recipe as written. */
const MUST = 30;
const STAY_CLOSE = 1e-2;
/** Moles in a gram, about: brings grams and moles to one size. */
const MOLES_PER_GRAM = 0.01;

/** What a base is solved for. */
export interface ExpansionQuestion {
  lines: readonly RecipeLine[];
  powders: readonly Powder[];
  /** What the base may be made of. */
  candidates: readonly Powder[];
  /** How much less it shall expand, 10⁻⁶ per K. */
  fall: number;
  newId: (powderId: string) => string;
}

/** A base that expands otherwise. */
export interface ExpansionSolution {
  lines: RecipeLine[];
  /** What it is, 10⁻⁶ per K, and how many times as far it runs. */
  fall: number;
  flowRatio: number;
  /** Moles to one of flux by which all its oxides together differ. */
  shift: number;
}

/**
 * Returns a base made of these powders that expands as is wanted and melts as before; undefined where it would be another glaze, or is no glass.
 *
 * Source: linear in grams once the factors of a glass are known, so non-negative least squares (Lawson and Hanson, 1974), a few times.
 *
 * @param question - see its type
 * @throws PotterError for a powder the studio does not have
 * @example
 * solveExpansion({ lines: [{ id: 'a', powderId: 's', part: 'base', percent: 100 }], powders: [{ id: 's', name: 'Silica', role: 'glass former', densityGMl: 2.65, rawClay: 0, shrinkWeight: 0, oxides: { SiO2: 100 }, loiPercent: 0, hazards: [] }], candidates: [], fall: 0.5, newId: (id) => id })
 * // undefined
 */
export function solveExpansion({ lines, powders, candidates, fall, newId }: ExpansionQuestion): ExpansionSolution | undefined {
  const base = lines.filter(({ part }) => part === 'base');
  const additions = lines.filter(({ part }) => part !== 'base');
  const before = molesOf(lines, powders);
  const expansion = glassExpansion({ moles: before })?.expansion;
  if (expansion === undefined) return undefined;
  const written = candidates.map(({ id }) => base.filter(({ powderId }) => powderId === id).reduce((sum, { percent }) => sum + percent, 0));
  const perGram = candidates.map((powder) => molesOfParts([{ grams: 1, powder }]));
  const added = molesOf(additions, powders);
  let grams = written;
  for (let round = 0; round < ROUNDS; round++) {
    const now = sumOf(perGram, grams, added);
    const factors = expansionFactors({ moles: now });
    if (!factors) return undefined;
    grams = nextGrams({ perGram, written, added, before, factors: factors.of, wanted: 10 * (expansion - fall), candidates });
  }
  const made = asLines({ grams, candidates, base, additions, newId });
  if (!made) return undefined;
  const moles = molesOf(made, powders);
  const after = glassExpansion({ moles });
  const ratio = attempt(() => versionFlowRatio({ before: lines, after: made, powders }));
  const shift = shiftOf(before, moles);
  if (!after || ratio.kind !== 'ok' || Math.abs(Math.log(ratio.value)) > Math.log(MOST_FLOW) || shift > MOST_SHIFT) return undefined;
  if (shrinkOf(made, powders) > Math.max(MOST_SHRINK_PERCENT, shrinkOf(lines, powders) + MORE_SHRINK_PERCENT)) return undefined;
  return { lines: made, fall: expansion - after.expansion, flowRatio: ratio.value, shift };
}

/** Grams of each powder that meet the expansion and the melt, and otherwise stay near what was written. */
function nextGrams(of: {
  perGram: readonly Unity[];
  written: readonly number[];
  added: Unity;
  before: Unity;
  factors: Partial<Record<Oxide, number>>;
  wanted: number;
  candidates: readonly Powder[];
}): number[] {
  const { perGram, written, added, before, factors, wanted } = of;
  const rows: number[][] = [];
  const aims: number[] = [];
  const row = (weight: number, value: (moles: Unity) => number, aim: number): void => {
    rows.push(perGram.map((one) => weight * value(one)));
    aims.push(weight * (aim - value(added)));
  };
  // The sum of (factor − wanted) over all moles is nothing where the glass expands as wanted; the same of the melt.
  const stiffness = stiffnessOf(before) / fluxOf(before);
  row(MUST / 100, (moles) => weighedSum(moles, (oxide) => (oxide === 'Cr2O3' ? 0 : (factors[oxide] ?? 0) - wanted)), 0);
  row(MUST, (moles) => stiffnessOf(moles) - stiffness * fluxOf(moles), 0);
  rows.push(perGram.map(() => MUST * MOLES_PER_GRAM));
  aims.push(MUST * MOLES_PER_GRAM * written.reduce((sum, one) => sum + one, 0));
  for (const oxide of Object.keys(MOLAR_MASS) as Oxide[]) row(1, (moles) => moles[oxide] ?? 0, before[oxide] ?? 0);
  of.candidates.forEach((powder, index) => {
    const isRawClay = powder.rawClay > 0 && written[index]! > 0;
    const pull = MOLES_PER_GRAM * (isRawClay ? 1 : STAY_CLOSE);
    rows.push(of.candidates.map((_, other) => (other === index ? pull : 0)));
    aims.push(pull * written[index]!);
  });
  return fcnnlsVector(new Matrix(rows), aims).K.to1DArray();
}

/** As a recipe is written; undefined where too little of its clay would be left. */
function asLines({
  grams,
  candidates,
  base,
  additions,
  newId,
}: Omit<ExpansionQuestion, 'lines' | 'powders' | 'fall'> & {
  grams: readonly number[];
  base: readonly RecipeLine[];
  additions: readonly RecipeLine[];
}): RecipeLine[] | undefined {
  const total = grams.reduce((sum, one) => sum + one, 0);
  if (!(total > 0)) return undefined;
  const percentOf = new Map(candidates.map(({ id }, at) => [id, (100 * grams[at]!) / total]));
  const isTooLittleClay = candidates.some(({ id, rawClay }) => {
    const was = base.filter(({ powderId }) => powderId === id).reduce((sum, { percent }) => sum + percent, 0);
    return rawClay > 0 && was > 0 && percentOf.get(id)! < LEAST_CLAY_SHARE * was;
  });
  if (isTooLittleClay) return undefined;
  const seen = new Set<string>();
  const kept = base.flatMap((line) => {
    if (seen.has(line.powderId)) return [];
    seen.add(line.powderId);
    return [{ ...line, percent: percentOf.get(line.powderId) ?? 0 }];
  });
  const fresh = candidates
    .filter(({ id }) => !seen.has(id) && percentOf.get(id)! >= LEAST_PERCENT)
    .map(({ id }): RecipeLine => ({ id: newId(id), powderId: id, part: 'base', percent: percentOf.get(id)! }));
  const newBase = [...kept, ...fresh];
  const sum = newBase.reduce((all, { percent }) => all + percent, 0);
  return tenthsOfLines([...newBase.map((line) => ({ ...line, percent: (100 * line.percent) / sum })), ...additions]);
}

/** By how much the oxides of two glazes differ, to one mole of flux. */
function shiftOf(before: Unity, after: Unity): number {
  const oxides = new Set([...Object.keys(before), ...Object.keys(after)]) as Set<Oxide>;
  return [...oxides].reduce((sum, oxide) => sum + Math.abs((after[oxide] ?? 0) / fluxOf(after) - (before[oxide] ?? 0) / fluxOf(before)), 0);
}
const shrinkOf = (lines: readonly RecipeLine[], powders: readonly Powder[]): number =>
  powderShares({ parts: resolveLines({ lines, powders }).map(({ line, powder }) => ({ grams: line.percent, powder })) }).shrinkShare;

const weighedSum = (moles: Unity, weight: (oxide: Oxide) => number): number =>
  Object.entries(moles).reduce((sum, [oxide, amount]) => sum + amount * weight(oxide as Oxide), 0);
/** What stiffens the melt, as the starting guess of ln F counts it. */
const stiffnessOf = ({ Al2O3: alumina = 0, SiO2: silica = 0, B2O3: boron = 0 }: Unity): number => alumina + 0.25 * silica - 0.6 * boron;
const fluxOf = (moles: Unity): number => FLUXES.reduce((sum, oxide) => sum + (moles[oxide] ?? 0), 0);

function molesOfParts(parts: readonly { grams: number; powder: Powder }[]): Unity {
  return Object.fromEntries(Object.entries(oxideGrams({ parts })).map(([oxide, grams]) => [oxide, grams / MOLAR_MASS[oxide as Oxide]]));
}
const molesOf = (lines: readonly RecipeLine[], powders: readonly Powder[]): Unity =>
  lines.length === 0 ? {} : molesOfParts(resolveLines({ lines, powders }).map(({ line, powder }) => ({ grams: line.percent, powder })));

function sumOf(perGram: readonly Unity[], grams: readonly number[], added: Unity): Unity {
  const sum: Unity = { ...added };
  perGram.forEach((moles, at) => {
    for (const [oxide, amount] of Object.entries(moles) as [Oxide, number][]) sum[oxide] = (sum[oxide] ?? 0) + amount * grams[at]!;
  });
  return sum;
}
