import { PotterError } from '../checks/potter-error';
import { requirePositive } from '../checks/require';
import { blendVolumes, type BlendQuestion } from './blend';
import { ladder } from './ladder';
import { stainForPercent } from './percent';

/** One tile of a series and what is done just before it is dipped. */
export interface SeriesStep {
  /** What is written on the back of the tile: code of the series and step, "K7-3". */
  code: string;
  percent: number;
  baseGrams?: number;
  stainGrams?: number;
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
 * @param question - `code` of the series; `baseGrams`, dry, above 0; `percents`, rising; `drawGrams`, what a tile takes
 * @throws PotterError for steps that do not rise, or a cup that runs out
 * @example
 * oneCupSeries({ code: 'K1', baseGrams: 100, percents: [1, 2], drawGrams: 5 }).steps.length // 2
 */
export function oneCupSeries(question: { code: string; baseGrams: number; percents: readonly number[]; drawGrams: number }): Series {
  requireSteps(question.percents);
  const { baseGrams, percents, drawGrams } = question;
  const { addGrams, baseLeftGrams, stainLeftGrams } = ladder({ baseDryGrams: baseGrams, percents, drawDryGrams: drawGrams });
  return {
    steps: percents.map((percent, index) => ({ code: tileCode(question.code, index), percent, stainGrams: addGrams[index]! })),
    baseGrams,
    stainGrams: addGrams.reduce((sum, grams) => sum + grams, 0),
    left: { baseGrams: baseLeftGrams, stainGrams: stainLeftGrams, percent: (100 * stainLeftGrams) / baseLeftGrams },
  };
}

/**
 * Returns the same steps in separate cups. Each has its own base, so that a slip in one leaves the others right.
 *
 * @param question - `code` of the series; `cupBaseGrams`, dry base in each cup, above 0; `percents`, rising
 * @throws PotterError for steps that do not rise
 * @example
 * separateCupsSeries({ code: 'K1', cupBaseGrams: 100, percents: [1, 2] }).steps.length // 2
 */
export function separateCupsSeries(question: { code: string; cupBaseGrams: number; percents: readonly number[] }): Series {
  requireSteps(question.percents);
  const { cupBaseGrams, percents } = question;
  const steps = percents.map((percent, index) => ({
    code: tileCode(question.code, index),
    percent,
    baseGrams: cupBaseGrams,
    stainGrams: stainForPercent({ baseDryGrams: cupBaseGrams, percent }),
  }));
  return {
    steps,
    baseGrams: cupBaseGrams * percents.length,
    stainGrams: steps.reduce((sum, step) => sum + step.stainGrams, 0),
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

const tileCode = (code: string, index: number): string => `${code}-${index + 1}`;

function requireSteps(percents: readonly number[]): void {
  if (percents.length === 0) throw new PotterError('emptyList', 'percents', 0, 'Write the percentages of the steps, like 1, 2, 4, 6, 8.');
  if (percents.length > MOST_STEPS) throw new PotterError('tooLarge', 'percents', percents.length, `A series has at most ${MOST_STEPS} steps.`);
  percents.forEach((percent) => requirePositive('percent', percent + 1));
}
