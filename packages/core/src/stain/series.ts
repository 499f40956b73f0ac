import { PotterError } from '../checks/potter-error';
import { requireNotNegative } from '../checks/require';
import { blendVolumes, shareVolumes, type BlendQuestion, type TwoBuckets } from './blend';
import { ladder, type LadderCup } from './ladder';

/** One tile of a series and what is done just before it is dipped. */
export interface SeriesStep {
  /** What is written on the back of the tile: code of the series and step, "K7-3". */
  code: string;
  percent: number;
  baseGrams?: number;
  stainGrams?: number;
  /** Water that brings the cup back to its SG. */
  waterMl?: number;
  aMl?: number;
  bMl?: number;
}

export interface Series {
  steps: SeriesStep[];
  baseGrams: number;
  stainGrams: number;
  /** What is left when the last tile is dipped. Separate cups leave one rest each. */
  left: { baseGrams: number; stainGrams: number; percent: number } | { cups: number };
}

/** A series has at most this many steps. */
export const MOST_STEPS = 20;

/**
 * Returns evenly spaced steps from one percentage to another.
 *
 * @param question - `from` and `to`, percent; `count`, a whole number from 2 to 20
 * @throws PotterError for a count outside
 * @example
 * evenSteps({ from: 0, to: 8, count: 5 }) // [0, 2, 4, 6, 8]
 */
export function evenSteps({ from, to, count }: { from: number; to: number; count: number }): number[] {
  if (!Number.isInteger(count) || count < 2 || count > MOST_STEPS) {
    throw new PotterError('tooLarge', 'count', count, `A series has from 2 to ${MOST_STEPS} steps.`);
  }
  return Array.from({ length: count }, (_, index) => Number((from + ((to - from) * index) / (count - 1)).toFixed(4)));
}

/**
 * Returns a ladder in one cup: add, stir, dip a tile, add. Each tile takes some of base and stain with it.
 *
 * @param question - `code` of the series; `baseGrams`, dry, above 0; `percents`, rising; `drawGrams`, what a tile takes; else as for `ladder`
 * @throws PotterError for steps that do not rise, or a cup that runs out
 * @example
 * oneCupSeries({ code: 'K1', baseGrams: 100, percents: [1, 2], drawGrams: 5 }).steps.length // 2
 */
export function oneCupSeries({
  code,
  baseGrams,
  drawGrams,
  ...cup
}: { code: string; baseGrams: number; drawGrams: number } & Omit<LadderCup, 'baseDryGrams' | 'drawDryGrams'>): Series {
  requireSteps(cup.percents);
  const made = ladder({ ...cup, baseDryGrams: baseGrams, drawDryGrams: drawGrams });
  const { addGrams, baseLeftGrams, stainLeftGrams, otherLeftGrams } = made;
  return {
    steps: addGrams.map((grams, index) => ({
      code: tileCode(code, index),
      percent: made.percents[index]!,
      stainGrams: grams,
      ...(cup.slurry ? { waterMl: made.waterMl[index]! } : {}),
    })),
    baseGrams,
    stainGrams: addGrams.reduce((sum, grams) => sum + grams, 0),
    left: { baseGrams: baseLeftGrams + otherLeftGrams, stainGrams: stainLeftGrams, percent: (100 * stainLeftGrams) / baseLeftGrams },
  };
}

/**
 * Returns the same steps in separate cups. Each has its own base, so that a slip in one leaves the others right, and the order is free.
 *
 * @param question - `code` of the series; `cupBaseGrams`, dry base in each cup, above 0; `percents`, 0 or more; else as for `ladder`
 * @throws PotterError for a step below what the glaze holds already
 * @example
 * separateCupsSeries({ code: 'K1', cupBaseGrams: 100, percents: [1, 2] }).steps.length // 2
 */
export function separateCupsSeries({
  code,
  cupBaseGrams,
  percents,
  weighedGrams = [],
  ...cup
}: { code: string; cupBaseGrams: number } & Omit<LadderCup, 'baseDryGrams' | 'drawDryGrams'>): Series {
  requireSteps(percents);
  const steps = percents.map((percent, index): SeriesStep => {
    const inCup = weighedGrams.slice(index, index + 1);
    const made = ladder({ ...cup, baseDryGrams: cupBaseGrams, percents: [percent], weighedGrams: inCup, drawDryGrams: 0 });
    return {
      code: tileCode(code, index),
      percent: made.percents[0]!,
      baseGrams: cupBaseGrams,
      stainGrams: made.addGrams[0]!,
      ...(cup.slurry ? { waterMl: made.waterMl[0]! } : {}),
    };
  });
  return {
    steps,
    baseGrams: cupBaseGrams * percents.length,
    stainGrams: steps.reduce((sum, step) => sum + step.stainGrams!, 0),
    left: { cups: percents.length },
  };
}

/**
 * Returns two buckets of one base, stained differently, measured into cups by volume.
 *
 * @param question - as for `blendVolumes` without its percentage; `code` of the series; `percents`, rising, between those of the two
 * @throws PotterError for steps that do not rise, or a percentage that does not lie between the two
 * @example
 * blendSeries({ code: 'K1', percents: [2, 4], percentA: 0, percentB: 8, totalMl: 100, sgA: 1.45, sgB: 1.45, densityA: 2.6, densityB: 2.6 }).bMl
 * // 78.393665
 */
export function blendSeries(question: Omit<BlendQuestion, 'targetPercent'> & { code: string; percents: readonly number[] }): {
  steps: SeriesStep[];
  aMl: number;
  bMl: number;
} {
  requireSteps(question.percents);
  const { code, percents, ...blend } = question;
  const steps = percents.map((percent, index) => ({ code: tileCode(code, index), percent, ...blendVolumes({ ...blend, targetPercent: percent }) }));
  return { steps, aMl: steps.reduce((sum, step) => sum + step.aMl, 0), bMl: steps.reduce((sum, step) => sum + step.bMl, 0) };
}

/**
 * Returns any two buckets measured into cups by volume, each step a share of the second by dry weight.
 *
 * @param question - as for `shareVolumes` without its share; `code` of the series; `percents`, 0–100
 * @throws PotterError for a share outside 0–100
 * @example
 * shareSeries({ code: 'K1', percents: [25, 75], totalMl: 100, sgA: 1.45, sgB: 1.45, densityA: 2.6, densityB: 2.6 }).aMl // 100
 */
export function shareSeries({ code, percents, ...buckets }: TwoBuckets & { code: string; percents: readonly number[] }): {
  steps: SeriesStep[];
  aMl: number;
  bMl: number;
} {
  requireSteps(percents);
  const steps = percents.map((percent, index) => ({
    code: tileCode(code, index),
    percent,
    ...shareVolumes({ ...buckets, sharePercent: percent }),
  }));
  return { steps, aMl: steps.reduce((sum, step) => sum + step.aMl, 0), bMl: steps.reduce((sum, step) => sum + step.bMl, 0) };
}

const tileCode = (code: string, index: number): string => `${code}-${index + 1}`;

function requireSteps(percents: readonly number[]): void {
  if (percents.length === 0) throw new PotterError('emptyList', 'percents', 0, 'Write the percentages of the steps, like 1, 2, 4, 6, 8.');
  if (percents.length > MOST_STEPS) throw new PotterError('tooLarge', 'percents', percents.length, `A series has at most ${MOST_STEPS} steps.`);
  percents.forEach((percent) => requireNotNegative('percent', percent));
}
