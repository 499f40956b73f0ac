import * as z from 'zod';
import { DROP_KINDS, NAIL_LOOKS, SLURRY_STATES, type BucketContents, type BucketShape, type FeelNow, type FeelRanges } from '@cazuela/core';
import {
  colourSchema,
  enteredSchema,
  idSchema,
  LIMITS,
  millilitresSchema,
  nameSchema,
  noteSchema,
  sgSchema,
  timeSchema,
  versionSchema,
} from '../common/basics';
import { additivesSchema, bucketEventSchema, bucketPartSchema } from './events';

const feelNowSchema = z.strictObject({
  swirlSeconds: z.number().optional(),
  springsBack: z.boolean().optional(),
  flowSeconds: z.number().optional(),
  drips: z.number().optional(),
  nail: z.enum(NAIL_LOOKS).optional(),
  told: z.enum(SLURRY_STATES).optional(),
  at: timeSchema,
}) satisfies z.ZodType<FeelNow>;

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
  readings: z.int().optional(),
  lastReading: z.strictObject({ sg: z.number(), sgSd: z.number() }).optional(),
  additives: additivesSchema.optional(),
  feel: feelNowSchema.optional(),
  lid: z.enum(['open', 'closed']).optional(),
  lidAt: timeSchema.optional(),
  stoodBefore: z.strictObject({ untold: z.number(), open: z.number(), closed: z.number() }).optional(),
  codeReadAt: timeSchema.optional(),
  contaminated: z.array(z.string()).optional(),
  glazes: z.array(z.string()).optional(),
  drift: z.strictObject({ perDay: z.number(), perDaySd: z.number(), spells: z.int(), byLid: z.boolean().optional() }).optional(),
}) satisfies z.ZodType<BucketContents>;

const innerSchema = z
  .number()
  .gt(0, 'An inner size is more than 0.')
  .max(LIMITS.innerMm, `An inner size is at most ${LIMITS.innerMm} mm: check the unit.`);
export const bucketShapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('cylinder'), acrossMm: innerSchema, highMm: innerSchema }),
  z.strictObject({ kind: z.literal('cone'), bottomMm: innerSchema, topMm: innerSchema, highMm: innerSchema }),
  z.strictObject({ kind: z.literal('box'), longMm: innerSchema, wideMm: innerSchema, highMm: innerSchema }),
]) satisfies z.ZodType<BucketShape>;

const feelRangeSchema = z
  .strictObject({ low: z.number().min(0).max(600), high: z.number().min(0).max(600) })
  .refine(({ low, high }) => low <= high, { message: 'The lower end must not be above the upper one.', path: ['low'] });
export const feelRangesSchema = z.strictObject({
  swirl: feelRangeSchema.optional(),
  flow: feelRangeSchema.optional(),
  drips: feelRangeSchema.optional(),
  nail: z.enum(NAIL_LOOKS).optional(),
}) satisfies z.ZodType<FeelRanges>;

/** A dose of drops that did well in a bucket; it is offered for the next bucket of the same glaze. */
export const keptDoseSchema = z.strictObject({
  of: z.enum(DROP_KINDS),
  gramsPerDryKg: z.number().gt(0).max(50),
  fromCode: z.string().max(12),
  at: timeSchema,
});

export const bucketBodySchema = z
  .strictObject({
    name: nameSchema,
    sgLow: sgSchema,
    sgHigh: sgSchema,
    capacityMl: millilitresSchema.gt(0),
    colour: colourSchema,
    notes: noteSchema,
    shape: bucketShapeSchema.optional(),
    /** What it should feel like, for those who work without a scale. */
    feel: feelRangesSchema.optional(),
    doses: z.array(keptDoseSchema).max(DROP_KINDS.length).optional(),
    /** Emptied and put away. Its history stays. */
    closedAt: timeSchema.optional(),
  })
  .refine((body) => body.sgLow < body.sgHigh, { message: 'The lower SG must be below the upper one.', path: ['sgLow'] });
export type KeptDoseRow = z.infer<typeof keptDoseSchema>;
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

/** A bucket with the least that is asked of it, so that an event that spoiled it can be found and taken back. */
export const bucketStepsSchema = z.looseObject({
  id: idSchema,
  code: z.string(),
  body: z.looseObject({ name: z.string() }),
  events: z.array(z.looseObject({ id: idSchema, type: z.string(), at: z.string(), by: z.string(), eventId: z.string().optional() })),
});
export type BucketSteps = z.infer<typeof bucketStepsSchema>;

/** Number of events: when there are more than the page knows, somebody else worked on it. */
export const bucketPulseSchema = z.strictObject({ events: z.int() });

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
