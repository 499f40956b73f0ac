import type { Product } from '@cazuela/contract';
import { APPLICATION_METHODS, type BatchPan, type BatchSize, type Entered, type PiecesToCoat, type WaterRule } from '@cazuela/core';
import * as z from 'zod';

/** A recipe that was never fired here is first mixed as a test of about this much, g of base. */
export const TEST_GRAMS = 300;
/** A larger batch is no test. */
export const LARGEST_TEST_GRAMS = 600;

const enteredSchema = z.object({ value: z.number(), unit: z.string() });
export const questionSchema = z.object({
  recipeId: z.string(),
  size: z.enum(['test', 'base', 'all', 'volume', 'pieces']),
  testGrams: z.number().nullable(),
  baseGrams: z.number().nullable(),
  totalGrams: z.number().nullable(),
  volumeMl: z.number().nullable(),
  /** How many of each planned piece. */
  counts: z.record(z.string(), z.number().nullable()),
  /** Pieces without a plan: so many, each with so much glazed face and coat. */
  unplanned: z.object({
    count: z.number().nullable(),
    areaCm2: z.number().nullable(),
    coatMm: z.number().nullable(),
    method: z.enum(APPLICATION_METHODS),
  }),
  stayMl: z.number().nullable(),
  sg: z.number().nullable(),
  entered: enteredSchema.optional(),
  water: z.enum(['perBaseGram', 'perDryGram', 'label', 'toSg']),
  waterMl: z.number().nullable(),
  order: z.enum(['clayFirst', 'recipe']),
  /** One scale for all lines, or empty: the finest that holds each. */
  scaleId: z.string(),
  panGrams: z.number().nullable(),
  emptied: z.enum(['eachLine', 'whenFull']),
});
export type Question = z.infer<typeof questionSchema>;

export const START: Question = {
  recipeId: '',
  size: 'base',
  testGrams: TEST_GRAMS,
  baseGrams: 1000,
  totalGrams: 1000,
  volumeMl: 5000,
  counts: {},
  unplanned: { count: null, areaCm2: 350, coatMm: 0.6, method: 'dip' },
  stayMl: null,
  sg: null,
  water: 'toSg',
  waterMl: 1,
  order: 'clayFirst',
  scaleId: '',
  panGrams: null,
  emptied: 'eachLine',
};

/** The pieces without a plan, once all of it is typed. */
export function unplannedPieces({ unplanned: { count, areaCm2, coatMm, method } }: Question): PiecesToCoat[] {
  return count && areaCm2 && coatMm ? [{ count, areaCm2, coatMm, method }] : [];
}

/** Scale and pan; undefined where nothing of them was said. */
export const panOf = ({ scaleId, panGrams, emptied }: Question): BatchPan | undefined =>
  scaleId === '' && panGrams === null && emptied === 'eachLine' ? undefined : { panGrams: panGrams ?? 0, ...(scaleId ? { scaleId } : {}), emptied };

/** The question for a batch, once every field is filled; undefined while something is missing. */
export function batchParts(
  question: Question,
  known: { sg: number | null; product: Product | undefined; pieces: PiecesToCoat[]; stayMl: number },
): { size: MutableSize; water: WaterRule; order: 'clayFirst' | 'recipe'; entered?: Entered } | undefined {
  const size = sizeOf(question, known);
  const water = waterOf(question, known);
  if (!size || !water) return undefined;
  return { size, water, order: question.order, ...(question.entered ? { entered: question.entered as Entered } : {}) };
}

type MutableSize = Exclude<BatchSize, { kind: 'pieces' }> | { kind: 'pieces'; pieces: PiecesToCoat[]; stayMl: number; sg: number };

function sizeOf(question: Question, { sg, pieces, stayMl }: { sg: number | null; pieces: PiecesToCoat[]; stayMl: number }): MutableSize | undefined {
  switch (question.size) {
    case 'test':
      return question.testGrams === null ? undefined : { kind: 'base', baseGrams: question.testGrams };
    case 'base':
      return question.baseGrams === null ? undefined : { kind: 'base', baseGrams: question.baseGrams };
    case 'all':
      return question.totalGrams === null ? undefined : { kind: 'all', totalGrams: question.totalGrams };
    case 'volume':
      return question.volumeMl === null || sg === null ? undefined : { kind: 'volume', volumeMl: question.volumeMl, sg };
    case 'pieces':
      return sg === null || pieces.length === 0 ? undefined : { kind: 'pieces', pieces, stayMl: question.stayMl ?? stayMl, sg };
  }
}

function waterOf({ water, waterMl }: Question, { sg, product }: { sg: number | null; product: Product | undefined }): WaterRule | undefined {
  if (water === 'label' && product?.kind === 'base') return { kind: 'label', rule: product.label };
  if (water === 'perBaseGram' || water === 'perDryGram') return waterMl === null ? undefined : { kind: water, millilitres: waterMl };
  return sg === null ? undefined : { kind: 'toSg', sg };
}
