import type { SeriesBody } from '@cazuela/contract';
import { blendSeries, oneCupSeries, separateCupsSeries, type SeriesStep } from '@cazuela/core';
import * as z from 'zod';

export const questionSchema = z.object({
  kind: z.enum(['oneCup', 'cups', 'blend']),
  bucketId: z.string(),
  otherId: z.string(),
  powderId: z.string(),
  cupMl: z.number().nullable(),
  drawGrams: z.number().nullable(),
  totalMl: z.number().nullable(),
  percents: z.string(),
});
export type Question = z.infer<typeof questionSchema>;

/** Start low: stain cannot be taken out. A tile of the usual size takes about six grams of dry glaze. */
export const START: Question = {
  kind: 'oneCup',
  bucketId: '',
  otherId: '',
  powderId: '',
  cupMl: 250,
  drawGrams: 6,
  totalMl: 100,
  percents: '1, 2, 4, 6, 8',
};

/** "1, 2 4;6" as numbers; unequal steps are as good as even ones. A decimal comma stands without a space. */
export function readPercents(text: string): number[] | undefined {
  const parts = text
    .split(/[;\s]+|,(?=\s|$)/)
    .map((part) => part.trim().replace(',', '.'))
    .filter(Boolean);
  const numbers = parts.map(Number);
  return numbers.length > 0 && numbers.every((number) => Number.isFinite(number) && number >= 0) ? numbers : undefined;
}

export interface SeriesSheet {
  steps: SeriesStep[];
  stainGrams: number;
  left: string;
}

/** The steps of a series as they will be made, with what is left over. */
export function sheetOf(code: string, body: SeriesBody): SeriesSheet {
  if (body.kind === 'blend') {
    const { a, b, totalMl, percents } = body;
    const cups = { percentA: a.percent, percentB: b.percent, totalMl, sgA: a.sg, sgB: b.sg, densityA: a.density, densityB: b.density };
    const { steps, aMl, bMl } = blendSeries({ code, percents, ...cups });
    return { steps, stainGrams: 0, left: `It takes ${Math.ceil(aMl)} mL of ${a.bucketName} and ${Math.ceil(bMl)} mL of ${b.bucketName}.` };
  }
  if (body.kind === 'cups') {
    const { steps, stainGrams } = separateCupsSeries({ code, cupBaseGrams: body.cupBaseGrams, percents: body.percents });
    return { steps, stainGrams, left: `Each cup keeps what its tile leaves: mark it with the code, or pour all into the scraps.` };
  }
  const { steps, stainGrams, left } = oneCupSeries({ code, baseGrams: body.baseGrams, percents: body.percents, drawGrams: body.drawGrams });
  const rest = 'percent' in left ? left : { baseGrams: 0, stainGrams: 0, percent: 0 };
  return {
    steps,
    stainGrams,
    left: `${Math.round(rest.baseGrams + rest.stainGrams)} g of dry glaze stay in the cup at ${Number(rest.percent.toFixed(2))} %: keep it as a small jar, or for the scraps.`,
  };
}
