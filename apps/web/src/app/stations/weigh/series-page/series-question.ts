import type { SeriesBody } from '@cazuela/contract';
import { dryGrams, type SeriesSheet, type SeriesStep } from '@cazuela/core';
import * as z from 'zod';
import type { Units } from '../../../data/units/units';

export const questionSchema = z.object({
  kind: z.enum(['oneCup', 'cups', 'blend']),
  by: z.enum(['stain', 'share']).nullable(),
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
  by: null,
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

/** What is done for one tile, in order. */
export function stepWords(step: SeriesStep, body: SeriesBody, units: Units): string[] {
  if (body.kind === 'blend') {
    const [a, b] = [step.aMl!, step.bMl!].map((millilitres) => units.millilitres(millilitres));
    return [`Into a clean cup: ${a} of ${body.a.bucketName}, ${b} of ${body.b.bucketName}, both well stirred.`, 'Stir.', `Dip tile ${step.code}.`];
  }
  const { stainGrams = 0, waterMl = 0 } = step;
  const cup = body.kind === 'cups' ? [`Into a clean cup: ${units.millilitres(cupMlOf(body))} of ${body.bucketName}, stirred.`] : [];
  if (stainGrams <= 0) return [...cup, 'Nothing to add.', `Dip tile ${step.code}.`];
  return [
    ...cup,
    `Add ${units.mass(stainGrams)} of ${body.powderName}.`,
    waterMl >= 0.5 ? `Add ${units.millilitres(waterMl)} of water, and stir until no streak is left.` : 'Stir until no streak is left.',
    `Dip tile ${step.code}.`,
  ];
}

/** Glaze to scoop into one cup, mL. */
export function cupMlOf(body: Exclude<SeriesBody, { kind: 'blend' }>): number {
  const base = body.kind === 'cups' ? body.cupBaseGrams : body.baseGrams;
  const dry = base * (1 + ((body.stainPercent ?? 0) + (body.otherPercent ?? 0)) / 100);
  return dry / dryGrams({ volumeMl: 1, sg: body.sg, density: body.density });
}

/** What is left of a series, and what to do with it. */
export function leftWords({ left, glaze }: SeriesSheet, body: SeriesBody): string {
  if (body.kind === 'blend')
    return `It takes ${Math.ceil(glaze[0]!.millilitres)} mL of ${body.a.bucketName} and ${Math.ceil(glaze[1]!.millilitres)} mL of ${body.b.bucketName}.`;
  if (!left || 'cups' in left) return 'Each cup keeps what its tile leaves: mark it with the code, or pour all into the scraps.';
  return `${Math.round(left.baseGrams + left.stainGrams)} g of dry glaze stay in the cup at ${Number(left.percent.toFixed(2))} %: keep it as a small jar, or for the scraps.`;
}
