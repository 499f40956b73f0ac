import { blendSeries, oneCupSeries, separateCupsSeries, type SeriesStep } from '@cazuela/core';
import type { SeriesBody } from '@cazuela/contract';

export interface SeriesUse {
  stainGrams: number;
  /** Glaze taken from the buckets it names, mL. */
  glaze: { bucketId: string; millilitres: number }[];
}

/** The steps of a series, and what it takes from shelf and buckets. Refuses a series that cannot be made. */
export function seriesSheet(code: string, body: SeriesBody): { steps: SeriesStep[]; use: SeriesUse } {
  if (body.kind === 'blend') {
    const { a, b, totalMl, percents } = body;
    const cups = { percentA: a.percent, percentB: b.percent, totalMl, sgA: a.sg, sgB: b.sg, densityA: a.density, densityB: b.density };
    const { steps, aMl, bMl } = blendSeries({ code, percents, ...cups });
    return { steps, use: { stainGrams: 0, glaze: [taken(a.bucketId, aMl), taken(b.bucketId, bMl)].flat() } };
  }
  const { percents, sg, density, bucketId } = body;
  const series =
    body.kind === 'oneCup'
      ? oneCupSeries({ code, baseGrams: body.baseGrams, percents, drawGrams: body.drawGrams })
      : separateCupsSeries({ code, cupBaseGrams: body.cupBaseGrams, percents });
  const dryPerMl = ((sg - 1) * density) / (density - 1);
  return { steps: series.steps, use: { stainGrams: series.stainGrams, glaze: taken(bucketId, series.baseGrams / dryPerMl) } };
}

const taken = (bucketId: string | null, millilitres: number): SeriesUse['glaze'] => (bucketId && millilitres > 0 ? [{ bucketId, millilitres }] : []);
