import * as z from 'zod';
import type { FiringSchedule, FiringSegment } from '@cazuela/core';
import { coneSchema, idSchema, nameSchema, noteSchema, timeSchema, versionSchema } from '../common/basics';

const celsiusSchema = z
  .number()
  .min(20, 'A step of a firing ends at 20 °C or more.')
  .max(1_400, 'A step of a firing ends at 1,400 °C or less: check the unit.');

export const firingSegmentSchema = z.strictObject({
  /** As fast as it goes, or as it cools by itself, where left out. */
  celsiusPerHour: z
    .number()
    .gt(0, 'A rate is more than 0 °C an hour; down as well as up.')
    .max(2_000, 'No kiln goes faster than 2,000 °C an hour.')
    .optional(),
  toCelsius: celsiusSchema,
  holdMinutes: z.number().min(0).max(6_000, 'A hold lasts at most a hundred hours.'),
}) satisfies z.ZodType<FiringSegment>;

/** How a firing is to go: its steps, and where it is starved of air. */
export const firingScheduleSchema = z.strictObject({
  segments: z.array(firingSegmentSchema).min(1, 'A firing needs at least one step.').max(20, 'At most twenty steps.'),
  reduction: z.strictObject({ fromCelsius: celsiusSchema, fromCone: coneSchema.optional(), toCelsius: celsiusSchema }).optional(),
}) satisfies z.ZodType<FiringSchedule>;

export const scheduleBodySchema = z.strictObject({
  name: nameSchema,
  wantedCone: coneSchema,
  ...firingScheduleSchema.shape,
  note: noteSchema,
});
export type ScheduleBody = z.infer<typeof scheduleBodySchema>;

/** A schedule of the studio, with how it was before each change, the oldest first. */
export const scheduleSchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  body: scheduleBodySchema,
  earlier: z.array(z.strictObject({ version: versionSchema, body: scheduleBodySchema, until: timeSchema })),
});
export type Schedule = z.infer<typeof scheduleSchema>;
export const scheduleCreateSchema = z.strictObject({ id: idSchema, body: scheduleBodySchema });
export const scheduleUpdateSchema = z.strictObject({ version: versionSchema, body: scheduleBodySchema });
