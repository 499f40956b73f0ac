import { dryGrams } from '../slurry/contents';
import { blendSeries, oneCupSeries, separateCupsSeries, shareSeries, type Series, type SeriesStep } from './series';

/** The glaze a cup is filled from. */
interface Cup {
  bucketId: string | null;
  sg: number;
  density: number;
}

/** What is in the glaze over its base, in percent of it, and how dense the stain is: with it the water after each step is known. */
interface Over {
  stainPercent?: number | undefined;
  otherPercent?: number | undefined;
  stainDensity?: number | undefined;
  /** What really went in, step by step, as far as it is done. */
  weighedGrams?: readonly number[] | undefined;
}

export type SeriesQuestion = { percents: readonly number[] } & (
  | ({ kind: 'oneCup'; baseGrams: number; drawGrams: number } & Cup & Over)
  | ({ kind: 'cups'; cupBaseGrams: number } & Cup & Over)
  | {
      kind: 'blend';
      /** By percent of stain between the two, or by share of the second glaze. */
      by?: 'stain' | 'share' | undefined;
      a: Cup & { percent: number };
      b: Cup & { percent: number };
      totalMl: number;
    }
);

export interface SeriesSheet {
  steps: SeriesStep[];
  stainGrams: number;
  /** Left out for a blend, which leaves nothing outside its cups. */
  left?: Series['left'];
  /** Glaze it takes, mL, in the order in which its buckets are listed. */
  glaze: { bucketId: string | null; millilitres: number }[];
}

/**
 * Returns the sheet of a series: its steps, what is left over, and what it takes from shelf and buckets.
 *
 * @param sheet - `code` of the series; `question`, which kind of series and its figures
 * @throws PotterError as the series itself
 * @example
 * seriesSheet({ code: 'K1', question: { kind: 'cups', cupBaseGrams: 100, percents: [1, 3], sg: 1.45, density: 2.6 } }).stainGrams // 4
 */
export function seriesSheet({ code, question }: { code: string; question: SeriesQuestion }): SeriesSheet {
  if (question.kind === 'blend') {
    const { a, b, totalMl, percents } = question;
    const buckets = { code, percents, totalMl, sgA: a.sg, sgB: b.sg, densityA: a.density, densityB: b.density };
    const { steps, aMl, bMl } =
      question.by === 'share' ? shareSeries(buckets) : blendSeries({ ...buckets, percentA: a.percent, percentB: b.percent });
    return {
      steps,
      stainGrams: 0,
      glaze: [
        { bucketId: a.bucketId, millilitres: aMl },
        { bucketId: b.bucketId, millilitres: bMl },
      ],
    };
  }
  const { percents, sg, density, bucketId, stainPercent = 0, otherPercent = 0, stainDensity, weighedGrams } = question;
  const cupBase = question.kind === 'oneCup' ? question.baseGrams : question.cupBaseGrams;
  const over = {
    percents,
    weighedGrams,
    stainGrams: (cupBase * stainPercent) / 100,
    otherGrams: (cupBase * otherPercent) / 100,
    ...(stainDensity === undefined ? {} : { slurry: { sg, density, stainDensity } }),
  };
  const { steps, stainGrams, baseGrams, left } =
    question.kind === 'oneCup'
      ? oneCupSeries({ code, baseGrams: cupBase, drawGrams: question.drawGrams, ...over })
      : separateCupsSeries({ code, cupBaseGrams: cupBase, ...over });
  const dry = baseGrams * (1 + (stainPercent + otherPercent) / 100);
  return { steps, stainGrams, left, glaze: [{ bucketId, millilitres: dry / dryGrams({ volumeMl: 1, sg, density }) }] };
}
