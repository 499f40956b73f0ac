import * as z from 'zod';
import { STEP_KINDS, type DayItem, type DayStep } from '@cazuela/core';
import { idSchema, nameSchema, noteSchema, timeSchema, versionSchema } from './basics';
import { dayEventSchema } from './events';

export const dayStepSchema = z.strictObject({
  id: idSchema,
  itemId: idSchema,
  kind: z.enum(STEP_KINDS),
  words: noteSchema,
  caution: noteSchema.optional(),
  bucketId: idSchema.optional(),
  bucketName: nameSchema.optional(),
  lightness: z.number().min(0).max(1).optional(),
  seconds: z.number().min(0).optional(),
  coatMm: z.number().min(0).optional(),
  handSeconds: z.number().min(0),
  waitMinutes: z.number().min(0),
}) satisfies z.ZodType<DayStep>;

export const dayItemSchema = z.strictObject({
  id: idSchema,
  pieceId: idSchema,
  name: nameSchema,
  count: z.int().min(1),
  steps: z.array(dayStepSchema).max(40),
}) satisfies z.ZodType<DayItem>;

export const daySchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  date: z.iso.date(),
  items: z.array(dayItemSchema).max(100),
  events: z.array(dayEventSchema),
  createdAt: timeSchema,
});
export type Day = z.infer<typeof daySchema>;
export const dayCreateSchema = z.strictObject({ id: idSchema, date: z.iso.date(), items: z.array(dayItemSchema).max(100) });
export const dayUpdateSchema = z.strictObject({ version: versionSchema, items: z.array(dayItemSchema).max(100) });
