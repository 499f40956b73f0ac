import * as z from 'zod';
import type { BucketContents } from '@cazuela/core';
import { colourSchema, enteredSchema, idSchema, millilitresSchema, nameSchema, noteSchema, sgSchema, timeSchema, versionSchema } from './basics';
import { bucketEventSchema, bucketPartSchema } from './events';

export const bucketContentsSchema = z.strictObject({
  parts: z.array(bucketPartSchema),
  dryGrams: z.number(),
  baseDryGrams: z.number(),
  stainGrams: z.number(),
  stainPercent: z.number(),
  waterGrams: z.number(),
  density: z.number(),
  volumeMl: z.number(),
  sg: z.number(),
  sgSd: z.number().optional(),
  measuredAt: timeSchema.optional(),
  changedSinceMeasured: z.boolean(),
  slurryState: z.enum(['flocculated', 'normal', 'deflocculated']),
  stirredAt: timeSchema.optional(),
}) satisfies z.ZodType<BucketContents>;

export const bucketBodySchema = z
  .strictObject({
    name: nameSchema,
    sgLow: sgSchema,
    sgHigh: sgSchema,
    capacityMl: millilitresSchema.gt(0),
    colour: colourSchema,
    notes: noteSchema,
  })
  .refine((body) => body.sgLow < body.sgHigh, { message: 'The lower SG must be below the upper one.', path: ['sgLow'] });
export type BucketBody = z.infer<typeof bucketBodySchema>;

export const bucketSummarySchema = z.strictObject({
  id: idSchema,
  /** Short code written on the lid. */
  code: z.string(),
  version: versionSchema,
  body: bucketBodySchema,
  recipeId: idSchema.nullable(),
  recipeVersionId: idSchema.nullable(),
  recipeVersion: z.int().nullable(),
  createdAt: timeSchema,
  contents: bucketContentsSchema.nullable(),
});
export type BucketSummary = z.infer<typeof bucketSummarySchema>;
export const bucketSchema = bucketSummarySchema.extend({ events: z.array(bucketEventSchema) });
export type Bucket = z.infer<typeof bucketSchema>;

export const bucketUpdateSchema = z.strictObject({ version: versionSchema, body: bucketBodySchema });

/** Pouring part of a bucket into a new one: one command, two streams, all or nothing. */
export const bucketSplitSchema = z.strictObject({
  newBucketId: idSchema,
  takenEventId: idSchema,
  filledEventId: idSchema,
  at: timeSchema,
  by: nameSchema,
  name: nameSchema,
  takenMl: millilitresSchema.gt(0, 'Pour more than 0 into the new bucket.'),
  entered: enteredSchema.optional(),
});

/** Pouring into another bucket, or into the studio's scraps: `scrapsId` is used when there is no such bucket yet. */
export const bucketPourSchema = z.strictObject({
  /** Null for the scraps. */
  toId: idSchema.nullable(),
  scrapsId: idSchema,
  takenEventId: idSchema,
  filledEventId: idSchema,
  at: timeSchema,
  by: nameSchema,
  takenMl: millilitresSchema.gt(0, 'Pour more than 0.'),
});
