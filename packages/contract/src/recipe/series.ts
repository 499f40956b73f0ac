import * as z from 'zod';
import { MOST_STEPS } from '@cazuela/core';
import {
  gramsSchema,
  idSchema,
  millilitresSchema,
  nameSchema,
  noteSchema,
  percentSchema,
  sgSchema,
  timeSchema,
  versionSchema,
} from '../common/basics';

const percents = z
  .array(percentSchema)
  .min(1, 'Write the percentages of the steps, like 1, 2, 4, 6, 8.')
  .max(MOST_STEPS, `A series has at most ${MOST_STEPS} steps.`);
const densitySchema = z.number().gt(1).max(12);
/** The stain, and what is in the glaze over its base already; a series made earlier says nothing of it. */
const stain = {
  powderId: idSchema,
  powderName: nameSchema,
  stainDensity: densitySchema.optional(),
  stainPercent: percentSchema.optional(),
  otherPercent: percentSchema.optional(),
  /** What really went in, step by step. */
  weighedGrams: z.array(gramsSchema).max(MOST_STEPS).optional(),
};
const cup = { bucketId: idSchema.nullable(), bucketName: nameSchema, sg: sgSchema, density: densitySchema };

/** A series of test tiles: what it is made of and which steps it has. The sheet is computed from it. */
export const seriesBodySchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('oneCup'),
    name: nameSchema,
    ...stain,
    ...cup,
    baseGrams: gramsSchema.gt(0),
    drawGrams: gramsSchema,
    percents,
    notes: noteSchema,
  }),
  z.strictObject({ kind: z.literal('cups'), name: nameSchema, ...stain, ...cup, cupBaseGrams: gramsSchema.gt(0), percents, notes: noteSchema }),
  z.strictObject({
    kind: z.literal('blend'),
    name: nameSchema,
    by: z.enum(['stain', 'share']).optional(),
    a: z.strictObject({ ...cup, percent: percentSchema }),
    b: z.strictObject({ ...cup, percent: percentSchema }),
    totalMl: millilitresSchema.gt(0),
    percents,
    notes: noteSchema,
  }),
]);
export type SeriesBody = z.infer<typeof seriesBodySchema>;

export const seriesSchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  /** Short code on the back of the tiles, K1, K2 … */
  code: z.string(),
  body: seriesBodySchema,
  createdAt: timeSchema,
  doneAt: timeSchema.nullable(),
});
export type SeriesDocument = z.infer<typeof seriesSchema>;
export const seriesCreateSchema = z.strictObject({ id: idSchema, body: seriesBodySchema });
/** The powder leaves the shelf and the glaze its buckets, once. */
export const seriesDoneSchema = z.strictObject({
  at: timeSchema,
  by: nameSchema,
  eventIds: z.array(idSchema).length(2),
  weighedGrams: stain.weighedGrams,
});
