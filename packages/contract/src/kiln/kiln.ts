import * as z from 'zod';
import { shelfWitnessSchema } from './kiln-card';
import { firingEventSchema, firingLogSchema, firingPointSchema, logImportSchema } from './firing-log';
import { firingScheduleSchema } from './schedule';
import { coneSchema, countSchema, idSchema, nameSchema, noteSchema, timeSchema, versionSchema } from '../common/basics';

export const firingBodySchema = z.strictObject({
  kiln: nameSchema,
  startedAt: timeSchema,
  wantedCone: coneSchema,
  /** A witness cone read by eye counts before the curve. */
  witnessCone: coneSchema.nullable(),
  points: z.array(firingPointSchema).min(2, 'A firing needs at least two points.').max(5000),
  /** The card of its kiln; left out where there was none. */
  kilnId: idSchema.optional(),
  /** The schedule by which it was fired, as it was then. */
  schedule: z.strictObject({ id: idSchema, version: versionSchema, name: nameSchema, ...firingScheduleSchema.shape }).optional(),
  /** Cones read by eye on its shelves: they count before the curve there. */
  witnesses: z
    .array(shelfWitnessSchema)
    .max(30)
    .refine((witnesses) => new Set(witnesses.map(({ shelfId }) => shelfId)).size === witnesses.length, 'A shelf has one cone that bends.')
    .optional(),
});
export type FiringBody = z.infer<typeof firingBodySchema>;
export const firingSchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  body: firingBodySchema,
  /** What was read of it by a controller or is from a file; left out where there is none. */
  log: firingLogSchema.optional(),
  /** What was noted by hand. */
  events: z.array(firingEventSchema).optional(),
});
export type Firing = z.infer<typeof firingSchema>;
/** With the readings of a file, where it is made of one: both are kept, or neither. */
export const firingCreateSchema = z.strictObject({ id: idSchema, body: firingBodySchema, readings: logImportSchema.optional() });
export const firingUpdateSchema = z.strictObject({ version: versionSchema, body: firingBodySchema });

export const FAULTS = [
  'crawled',
  'pinholed',
  'blistered',
  'ran',
  'stuck',
  'thin',
  'thick',
  'cracked',
  'shivered',
  'crazed',
  'dull',
  'off colour',
] as const;
export const resultBodySchema = z.strictObject({
  pieceId: idSchema,
  firingId: idSchema,
  /** The lot of pots it was one of; null or left out where nobody knows. */
  lotId: idSchema.nullable().optional(),
  /** Where it stood; null or left out where nobody said. */
  shelfId: idSchema.nullable().optional(),
  coneReached: coneSchema,
  stars: countSchema.min(0).max(5),
  faults: z.array(z.strictObject({ fault: z.enum(FAULTS), where: z.enum(['inside', 'outside', 'rim', 'foot']) })).max(20),
  /** How far its lowest edge ran below where it was glazed, measured on the fired piece. */
  ranMm: z.number().min(0).max(500, 'A glaze runs at most 500 mm: check the unit.').optional(),
  /** Whether glaze came to the foot; left out where nobody looked. */
  foot: z.enum(['clean', 'touched']).optional(),
  note: noteSchema,
  photoId: idSchema.nullable(),
});
export type ResultBody = z.infer<typeof resultBodySchema>;

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
