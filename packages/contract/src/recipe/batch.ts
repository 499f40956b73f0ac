import * as z from 'zod';
import { APPLICATION_METHODS, LINE_PARTS, type BatchPlan } from '@cazuela/core';
import { countSchema, enteredSchema, gramsSchema, idSchema, LIMITS, millilitresSchema, nameSchema, sgSchema, timeSchema } from '../common/basics';
import { batchEventSchema } from '../bucket/events';
import { labelRuleSchema } from './recipe';

const pieceToCoatSchema = z.strictObject({
  count: countSchema.min(1).max(10_000),
  areaCm2: z.number().gt(0).max(100_000),
  coatMm: z.number().gt(0).max(10),
  method: z.enum(APPLICATION_METHODS),
});

const TOO_LITTLE = `A batch of less than ${LIMITS.leastBatchGrams} g cannot be weighed out on any scale: make more.`;

export const batchSizeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('base'), baseGrams: gramsSchema.min(LIMITS.leastBatchGrams, TOO_LITTLE) }),
  z.strictObject({ kind: z.literal('all'), totalGrams: gramsSchema.min(LIMITS.leastBatchGrams, TOO_LITTLE) }),
  z.strictObject({
    kind: z.literal('pieces'),
    pieces: z.array(pieceToCoatSchema).min(1, 'Choose the pieces to glaze.').max(60),
    stayMl: millilitresSchema,
    sg: sgSchema,
  }),
  z.strictObject({ kind: z.literal('volume'), volumeMl: millilitresSchema.gt(0, 'The volume must be more than 0.'), sg: sgSchema }),
]);
export const waterRuleSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('perBaseGram'), millilitres: z.number().min(0).max(20) }),
  z.strictObject({ kind: z.literal('perDryGram'), millilitres: z.number().min(0).max(20) }),
  z.strictObject({ kind: z.literal('label'), rule: labelRuleSchema }),
  z.strictObject({ kind: z.literal('toSg'), sg: sgSchema }),
]);

/** The pan it is weighed in, and the scale when it is one for all. */
const panSchema = z.strictObject({ panGrams: gramsSchema, scaleId: idSchema.optional(), emptied: z.enum(['eachLine', 'whenFull']) });

/** The server plans the batch itself from the recipe's version, so that no client can send another result. */
export const batchCreateSchema = z.strictObject({
  id: idSchema,
  recipeVersionId: idSchema,
  size: batchSizeSchema,
  entered: enteredSchema.optional(),
  water: waterRuleSchema,
  order: z.enum(['clayFirst', 'recipe']),
  pan: panSchema.optional(),
});
export type BatchCreate = z.infer<typeof batchCreateSchema>;

const planLineSchema = z.strictObject({
  lineId: idSchema,
  powderId: idSchema,
  name: nameSchema,
  part: z.enum(LINE_PARTS),
  density: z.number(),
  targetGrams: z.number(),
  sieveMesh: z.number().optional(),
  hazards: z.array(z.string()),
});
export const batchPlanSchema = z.strictObject({
  baseGrams: z.number(),
  totalGrams: z.number(),
  density: z.number(),
  waterGrams: z.number(),
  expectedSg: z.number(),
  expectedMl: z.number(),
  lines: z.array(planLineSchema),
  pan: panSchema.optional(),
}) satisfies z.ZodType<BatchPlan>;

export const batchSummarySchema = z.strictObject({
  id: idSchema,
  recipeId: idSchema,
  recipeVersionId: idSchema,
  recipeVersion: z.int(),
  recipeName: nameSchema,
  colour: z.string(),
  plan: batchPlanSchema,
  createdAt: timeSchema,
  bucketId: idSchema.nullable(),
  linesDone: z.int(),
  lastAt: timeSchema.nullable(),
  lastBy: z.string().nullable(),
  setAside: z.boolean(),
});
export type BatchSummary = z.infer<typeof batchSummarySchema>;

export const batchSchema = batchSummarySchema.extend({ events: z.array(batchEventSchema) });
export type Batch = z.infer<typeof batchSchema>;

/** "It is a bucket": made once, whatever happens to the answer. */
export const batchFinishSchema = z.strictObject({
  bucketId: idSchema,
  filledEventId: idSchema,
  finishedEventId: idSchema,
  at: timeSchema,
  by: nameSchema,
  name: nameSchema,
});
