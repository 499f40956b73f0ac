import { dryGrams } from '../slurry/contents';
import { blendSeries, oneCupSeries, separateCupsSeries, type Series, type SeriesStep } from './series';

/** The glaze a cup is filled from. */
interface Cup {
  bucketId: string | null;
  sg: number;
  density: number;
}

export type SeriesQuestion = { percents: readonly number[] } & (
  | ({ kind: 'oneCup'; baseGrams: number; drawGrams: number } & Cup)
  | ({ kind: 'cups'; cupBaseGrams: number } & Cup)
  | { kind: 'blend'; a: Cup & { percent: number }; b: Cup & { percent: number }; totalMl: number }
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
    const cups = { percentA: a.percent, percentB: b.percent, totalMl, sgA: a.sg, sgB: b.sg, densityA: a.density, densityB: b.density };
    const { steps, aMl, bMl } = blendSeries({ code, percents, ...cups });
    return {
      steps,
      stainGrams: 0,
      glaze: [
        { bucketId: a.bucketId, millilitres: aMl },
        { bucketId: b.bucketId, millilitres: bMl },
      ],
    };
  }
  const { percents, sg, density, bucketId } = question;
  const { steps, stainGrams, baseGrams, left } =
    question.kind === 'oneCup'
      ? oneCupSeries({ code, baseGrams: question.baseGrams, percents, drawGrams: question.drawGrams })
      : separateCupsSeries({ code, cupBaseGrams: question.cupBaseGrams, percents });
  return { steps, stainGrams, left, glaze: [{ bucketId, millilitres: baseGrams / dryGrams({ volumeMl: 1, sg, density }) }] };
}
