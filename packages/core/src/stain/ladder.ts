import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import { densityOfPowders } from '../slurry/mix';
import { waterPerDryGram } from '../slurry/contents';

export interface Ladder {
  addGrams: number[];
  /** After what really went in: percent of the base. */
  percents: number[];
  /** Water that brings the cup back to its SG after each step, mL; empty when the cup is dry. */
  waterMl: number[];
  baseLeftGrams: number;
  stainLeftGrams: number;
  otherLeftGrams: number;
}

export interface LadderCup {
  baseDryGrams: number;
  /** Additions other than the stain, and the stain that is in it already, g; 0 when left out. */
  otherGrams?: number | undefined;
  stainGrams?: number | undefined;
  percents: readonly number[];
  /** What a tile takes, dry, stain included. */
  drawDryGrams: number;
  /** What really went in, step by step, as far as it is done. */
  weighedGrams?: readonly number[] | undefined;
  /** Its slurry: SG, density of the dry glaze as it is, and of the stain, g/mL. */
  slurry?: { sg: number; density: number; stainDensity: number } | undefined;
}

/**
 * Returns a stain ladder in one cup. Before step k, B·p/100 − S is added; a dipped tile takes q dry grams, stain included, after which
 * everything in the cup shrinks by 1 − q/(B + O + S). What really went in counts for the steps after it.
 *
 * @param cup - `baseDryGrams`, above 0; `percents`, rising, 0 or more; `drawDryGrams`, what a tile takes, 0 or more
 * @throws PotterError for steps that do not rise or lie below what is in the cup, or a cup that runs out
 * @example
 * ladder({ baseDryGrams: 100, percents: [2, 4], drawDryGrams: 10 })
 * // { addGrams: [2, 1.8039216], baseLeftGrams: 80.580694, stainLeftGrams: 3.2232278 }
 */
export function ladder(cup: LadderCup): Ladder {
  let base = requirePositive('baseDryGrams', cup.baseDryGrams);
  let other = requireNotNegative('dryGrams', cup.otherGrams ?? 0);
  let old = requireNotNegative('dryGrams', cup.stainGrams ?? 0);
  let fresh = 0;
  const draw = requireNotNegative('drawDryGrams', cup.drawDryGrams);
  const { slurry, weighedGrams = [] } = cup;
  const waterWanted = (): number => {
    if (!slurry) return 0;
    const parts = [
      { grams: base + other + old, density: slurry.density },
      { grams: fresh, density: slurry.stainDensity },
    ];
    return (base + other + old + fresh) * waterPerDryGram({ sg: slurry.sg, density: densityOfPowders({ parts }) });
  };
  let water = waterWanted();
  requireRising(cup.percents, (100 * old) / base);
  const made: Pick<Ladder, 'addGrams' | 'percents' | 'waterMl'> = { addGrams: [], percents: [], waterMl: [] };
  for (const [step, percent] of cup.percents.entries()) {
    // What went in by hand may pass a step: that one then adds nothing.
    const add = weighedGrams[step] ?? Math.max(0, (base * percent) / 100 - old - fresh);
    fresh += add;
    const dry = base + other + old + fresh;
    if (draw > dry) {
      throw new PotterError('tooLarge', 'drawDryGrams', draw, 'The tiles draw more glaze than the cup holds: start with more base.');
    }
    made.addGrams.push(add);
    made.percents.push((100 * (old + fresh)) / base);
    if (slurry) made.waterMl.push(Math.max(0, waterWanted() - water));
    const left = 1 - draw / dry;
    [base, other, old, fresh] = [base * left, other * left, old * left, fresh * left];
    water = waterWanted();
  }
  return { ...made, baseLeftGrams: base, stainLeftGrams: old + fresh, otherLeftGrams: other };
}

/** A percentage nearer than this is the same. */
const SAME_PERCENT = 1e-6;

function requireRising(percents: readonly number[], inside: number): void {
  let last = inside;
  for (const [step, percent] of percents.entries()) {
    requireNotNegative('percent', percent);
    if (percent < last - SAME_PERCENT) {
      const words =
        step === 0
          ? `The cup holds ${Number(last.toFixed(2))} % of stain already, and it cannot be taken out: begin there or above.`
          : `The steps of a ladder must rise: ${percent} % comes after ${last} %.`;
      throw new PotterError('wrongSide', 'percents', percent, words);
    }
    last = percent;
  }
}
