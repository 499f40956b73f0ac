import * as z from 'zod';
import { BENCH_SIGHTS, STEP_KINDS, type BenchRecord } from '@cazuela/core';
import { loadPieceIdSchema } from './load-piece-id';
import { mostPhotos, ranMmSchema, seenFaultSchema, footSchema } from './opening';
import { coneSchema, countSchema, idSchema, nameSchema, noteSchema, timeSchema, versionSchema } from '../common/basics';

export const resultBodySchema = z.strictObject({
  pieceId: idSchema,
  firingId: idSchema,
  /** The lot of pots it was one of; null or left out where nobody knows. */
  lotId: idSchema.nullable().optional(),
  /** Where it stood; null or left out where nobody said. */
  shelfId: idSchema.nullable().optional(),
  coneReached: coneSchema,
  stars: countSchema.min(0).max(5),
  faults: z.array(seenFaultSchema).max(20),
  /** How far its lowest edge ran below where it was glazed, measured on the fired piece. */
  ranMm: ranMmSchema.optional(),
  /** Whether glaze came to the foot; left out where nobody looked. */
  foot: footSchema.optional(),
  note: noteSchema,
  photoId: idSchema.nullable(),
  /** All its photos, the first one too; left out where there is at most one. */
  photoIds: z.array(idSchema).max(mostPhotos).optional(),
  /** Which piece of its load it is, where it was read at the opening: it is corrected there. */
  loadPieceId: loadPieceIdSchema.optional(),
  /** What others said of its stars. */
  otherStars: z
    .array(z.strictObject({ by: nameSchema, stars: countSchema.min(1).max(5) }))
    .max(20)
    .optional(),
});
export type ResultBody = z.infer<typeof resultBodySchema>;

/** What was recorded of a step beside its coat. */
const benchRecordSchema = z.strictObject({
  kind: z.enum(STEP_KINDS),
  layerIds: z.array(idSchema).max(2).optional(),
  isSkipped: z.boolean().optional(),
  seen: z.array(z.enum(BENCH_SIGHTS)).max(BENCH_SIGHTS.length).optional(),
  isWallFull: z.boolean().optional(),
  bucket: z
    .strictObject({
      isFlocculated: z.boolean().optional(),
      isStirredInTime: z.boolean().optional(),
      isContaminated: z.boolean().optional(),
      isBatchOdd: z.boolean().optional(),
      recipeVersion: z.int().min(1).optional(),
      powderLots: z.array(z.string().max(700)).max(60).optional(),
    })
    .optional(),
}) satisfies z.ZodType<BenchRecord>;

/** What was known of the piece when it was glazed: nobody types it again. */
export const glazedWithSchema = z.strictObject({
  words: z.string(),
  bucketId: idSchema.nullable(),
  bucketName: z.string().nullable(),
  bucketCode: z.string().nullable(),
  sg: z.number().nullable(),
  coatMm: z.number().nullable(),
  seconds: z.number().nullable(),
  /** Nobody timed it: these are the seconds of the plan. */
  secondsPlanned: z.boolean().optional(),
  /** The seconds of the plan, beside those that were timed. */
  plannedSeconds: z.number().optional(),
  doneAt: timeSchema.nullable(),
  /** Left out of what was kept before it was noted, and where no lot is known. */
  record: benchRecordSchema.optional(),
});
export const resultSchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  body: resultBodySchema,
  pieceName: nameSchema,
  kiln: nameSchema,
  firedAt: timeSchema,
  createdAt: timeSchema,
  glazedWith: z.array(glazedWithSchema),
});
export type Result = z.infer<typeof resultSchema>;
export const resultCreateSchema = z.strictObject({ id: idSchema, body: resultBodySchema });
export const resultUpdateSchema = z.strictObject({ version: versionSchema, body: resultBodySchema });
export const photoAnswerSchema = z.strictObject({ id: idSchema, width: z.int(), height: z.int() });
