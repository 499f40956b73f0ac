import * as z from 'zod';
import { shelfWitnessSchema } from './kiln-card';
import { firingEventSchema, firingLogSchema, firingPointSchema, logImportSchema } from './firing-log';
import { firingScheduleSchema } from './schedule';
import { coneSchema, idSchema, nameSchema, timeSchema, versionSchema } from '../common/basics';

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
