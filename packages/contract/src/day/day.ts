import * as z from 'zod';
import { APPLICATION_METHODS, KILN_SETTINGS, STEP_KINDS, type DayItem, type DayPlanning, type DayStep, type DayWork } from '@cazuela/core';
import {
  countSchema,
  dateSchema,
  gramsSchema,
  idSchema,
  LIMITS,
  millilitresSchema,
  nameSchema,
  noteSchema,
  sgSchema,
  timeSchema,
  versionSchema,
} from '../common/basics';
import { dayEventSchema } from '../bucket/events';
import { dryHoursSchema } from '../piece/piece';

const MOST_STEP_SECONDS = 24 * 3600;
const TOO_LONG = 'A step of one piece takes at most a day.';
const MOST_WAIT_MINUTES = 28 * 24 * 60;

export const dayStepSchema = z.strictObject({
  id: idSchema,
  itemId: idSchema,
  kind: z.enum(STEP_KINDS),
  words: noteSchema,
  method: z.enum(APPLICATION_METHODS).optional(),
  caution: noteSchema.optional(),
  bucketId: idSchema.optional(),
  bucketName: nameSchema.optional(),
  lightness: z.number().min(0).max(1).optional(),
  seconds: z.number().min(0).max(MOST_STEP_SECONDS, TOO_LONG).optional(),
  coatMm: z.number().min(0).max(20, 'A coat over 20 mm falls off.').optional(),
  layerIds: z.array(idSchema).max(2).optional(),
  sg: sgSchema.optional(),
  glazeMl: millilitresSchema.optional(),
  depthMm: z.number().min(0).max(LIMITS.innerMm).optional(),
  mostWaitMinutes: z.number().min(0).max(MOST_WAIT_MINUTES).optional(),
  laborSeconds: z.number().min(0).max(MOST_STEP_SECONDS, TOO_LONG),
  waitMinutes: z.number().min(0).max(MOST_WAIT_MINUTES, 'A wait is at most four weeks.'),
}) satisfies z.ZodType<DayStep>;

export const dayItemSchema = z.strictObject({
  id: idSchema,
  pieceId: idSchema,
  name: nameSchema,
  count: countSchema.min(1, 'At least one piece.').max(LIMITS.dayPieces, `A day holds at most ${LIMITS.dayPieces} of one piece.`),
  code: z.string().trim().max(12, 'A code on a tag is short.').optional(),
  pieceVersion: versionSchema.optional(),
  clayBodyId: idSchema.optional(),
  clayLotId: idSchema.optional(),
  heightMm: z.number().min(0).max(LIMITS.innerMm).optional(),
  widthMm: z.number().min(0).max(LIMITS.innerMm).optional(),
  grams: gramsSchema.optional(),
  setting: z.enum(KILN_SETTINGS).optional(),
  dryHours: dryHoursSchema.optional(),
  reachChance: z.number().min(0).max(1).optional(),
  chanceFrom: z.enum(['draws', 'quickLook']).optional(),
  steps: z.array(dayStepSchema).max(LIMITS.daySteps),
}) satisfies z.ZodType<DayItem>;

const WORK = [...APPLICATION_METHODS, ...STEP_KINDS.filter((kind) => kind !== 'layer')] as [DayWork, ...DayWork[]];
const clockSchema = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time of day looks like 09:30.');
const spanSchema = z
  .strictObject({ fromTime: clockSchema, untilTime: clockSchema })
  .refine(({ fromTime, untilTime }) => fromTime < untilTime, 'It ends before it begins: say a later time.');

export const dayPersonSchema = z
  .strictObject({
    name: nameSchema,
    fromTime: clockSchema,
    untilTime: clockSchema,
    breaks: z.array(spanSchema).max(6, 'At most six breaks a day.'),
    doesNotDo: z.array(z.enum(WORK)).max(WORK.length),
  })
  .refine(({ fromTime, untilTime }) => fromTime < untilTime, 'They leave before they come: say a later time.');

/** How a day is to go: who, until when, what is held fast, and the order that was found. */
export const dayPlanningSchema = z.strictObject({
  people: z
    .array(dayPersonSchema)
    .max(LIMITS.dayPeople, `At most ${LIMITS.dayPeople} people glaze on one day.`)
    .refine((people) => new Set(people.map(({ name }) => name)).size === people.length, 'Somebody is named twice.'),
  deadlineAt: timeSchema.optional(),
  deadlineWords: nameSchema.optional(),
  dryingPlaces: countSchema
    .min(1, 'At least one place.')
    .max(LIMITS.dayItems * LIMITS.dayPieces)
    .optional(),
  pins: z
    .array(z.strictObject({ stepId: idSchema, person: nameSchema.optional(), notBeforeAt: timeSchema.optional() }))
    .max(LIMITS.dayItems * LIMITS.daySteps),
  order: z.array(z.strictObject({ stepId: idSchema, person: nameSchema })).max(LIMITS.dayItems * LIMITS.daySteps),
}) satisfies z.ZodType<DayPlanning>;

export const daySchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  date: dateSchema,
  items: z.array(dayItemSchema).max(LIMITS.dayItems),
  planning: dayPlanningSchema,
  events: z.array(dayEventSchema),
  createdAt: timeSchema,
});
export type Day = z.infer<typeof daySchema>;
export const dayCreateSchema = z.strictObject({
  id: idSchema,
  date: dateSchema,
  items: z.array(dayItemSchema).max(LIMITS.dayItems),
  planning: dayPlanningSchema.optional(),
});
/** What is left out stays as it is. */
export const dayUpdateSchema = z.strictObject({
  version: versionSchema,
  items: z.array(dayItemSchema).max(LIMITS.dayItems).optional(),
  planning: dayPlanningSchema.optional(),
});
