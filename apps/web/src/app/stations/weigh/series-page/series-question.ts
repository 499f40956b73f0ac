import type { SeriesBody } from '@cazuela/contract';
import type { SeriesSheet } from '@cazuela/core';
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

/** Reads "1, 2 4;6" as numbers; the steps need not be even. A decimal comma has no space after it. */
export function readPercents(text: string): number[] | undefined {
  const parts = text
    .split(/[;\s]+|,(?=\s|$)/)
    .map((part) => part.trim().replace(',', '.'))
    .filter(Boolean);
  const numbers = parts.map(Number);
  return numbers.length > 0 && numbers.every((number) => Number.isFinite(number) && number >= 0) ? numbers : undefined;
}

/** What is left of a series, and what to do with it. */
export function leftWords({ left, glaze }: SeriesSheet, body: SeriesBody): string {
  if (body.kind === 'blend')
    return `It takes ${Math.ceil(glaze[0]!.millilitres)} mL of ${body.a.bucketName} and ${Math.ceil(glaze[1]!.millilitres)} mL of ${body.b.bucketName}.`;
  if (!left || 'cups' in left) return 'Each cup keeps what its tile leaves: mark it with the code, or pour all into the scraps.';
  return `${Math.round(left.baseGrams + left.stainGrams)} g of dry glaze stay in the cup at ${Number(left.percent.toFixed(2))} %: keep it as a small jar, or for the scraps.`;
}
