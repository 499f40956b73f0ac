import * as z from 'zod';
import { STEP_KINDS, type DayItem, type DayStep } from '@cazuela/core';
import { countSchema, dateSchema, idSchema, nameSchema, noteSchema, timeSchema, versionSchema } from '../common/basics';
import { dayEventSchema } from '../bucket/events';

const MOST_STEP_SECONDS = 24 * 3600;
const TOO_LONG = 'A step of one piece takes at most a day.';
const MOST_WAIT_MINUTES = 28 * 24 * 60;
const MOST_PIECES = 5_000;

export const dayStepSchema = z.strictObject({
  id: idSchema,
  itemId: idSchema,
  kind: z.enum(STEP_KINDS),
  words: noteSchema,
  caution: noteSchema.optional(),
  bucketId: idSchema.optional(),
  bucketName: nameSchema.optional(),
  lightness: z.number().min(0).max(1).optional(),
  seconds: z.number().min(0).max(MOST_STEP_SECONDS, TOO_LONG).optional(),
  coatMm: z.number().min(0).max(20, 'A coat over 20 mm falls off.').optional(),
  laborSeconds: z.number().min(0).max(MOST_STEP_SECONDS, TOO_LONG),
  waitMinutes: z.number().min(0).max(MOST_WAIT_MINUTES, 'A wait is at most four weeks.'),
}) satisfies z.ZodType<DayStep>;

export const dayItemSchema = z.strictObject({
  id: idSchema,
  pieceId: idSchema,
  name: nameSchema,
  count: countSchema.min(1, 'At least one piece.').max(MOST_PIECES, `A day holds at most ${MOST_PIECES} of one piece.`),
  reachChance: z.number().min(0).max(1).optional(),
  chanceFrom: z.enum(['draws', 'quickLook']).optional(),
  steps: z.array(dayStepSchema).max(40),
}) satisfies z.ZodType<DayItem>;

export const daySchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  date: dateSchema,
  items: z.array(dayItemSchema).max(100),
  events: z.array(dayEventSchema),
  createdAt: timeSchema,
});
export type Day = z.infer<typeof daySchema>;
export const dayCreateSchema = z.strictObject({ id: idSchema, date: dateSchema, items: z.array(dayItemSchema).max(100) });
export const dayUpdateSchema = z.strictObject({ version: versionSchema, items: z.array(dayItemSchema).max(100) });
