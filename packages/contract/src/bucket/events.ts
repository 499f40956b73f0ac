import * as z from 'zod';
import {
  APPLICATION_METHODS,
  BATCH_CHECKS,
  BENCH_SIGHTS,
  DROP_KINDS,
  LINE_PARTS,
  NAIL_LOOKS,
  PIECES_OFF,
  SLURRY_STATES,
  type Additives,
  type BatchEvent,
  type BucketEvent,
  type DayEvent,
  type PieceDone,
  type StepDone,
} from '@cazuela/core';
import {
  countSchema,
  enteredSchema,
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
import { loadEventSchema } from '../kiln/load';
import { firingEventSchema } from '../kiln/firing-log';

const head = { id: idSchema, at: timeSchema, by: nameSchema };
const minutesSchema = z
  .number()
  .gt(0)
  .max(7 * 24 * 60);
const textSchema = noteSchema.min(1, 'Write something, or leave the note.');

/** Raised by a larger factor it would be another batch. */
const MOST_RAISED = 20;

const practice = z.literal(true).optional();

export const batchEventSchema = z.discriminatedUnion('type', [
  z.strictObject({ ...head, type: z.literal('respiratorOn') }),
  z.strictObject({ ...head, type: z.literal('lineWeighed'), lineId: idSchema, grams: gramsSchema, entered: enteredSchema.optional(), practice }),
  z.strictObject({
    ...head,
    type: z.literal('loadWeighed'),
    lineId: idSchema,
    load: z.int().min(1).max(100),
    grams: gramsSchema,
    entered: enteredSchema.optional(),
    practice,
  }),
  z.strictObject({ ...head, type: z.literal('lineSkipped'), lineId: idSchema }),
  z.strictObject({ ...head, type: z.literal('waterPoured'), grams: gramsSchema, entered: enteredSchema.optional() }),
  z.strictObject({
    ...head,
    type: z.literal('batchRaised'),
    factor: z.number().min(1, 'A batch is raised, never made smaller.').max(MOST_RAISED, `A batch is not raised more than ${MOST_RAISED} times.`),
    divisionGrams: z.number().min(0).max(100),
  }),
  z.strictObject({
    ...head,
    type: z.literal('lineSubstituted'),
    lineId: idSchema,
    powderId: idSchema,
    name: nameSchema,
    density: z.number().gt(1).max(12),
    hazards: z.array(z.string().max(200)).max(20),
    sieveMesh: z.number().optional(),
  }),
  z.strictObject({
    ...head,
    type: z.literal('checked'),
    check: z.enum(BATCH_CHECKS),
    lineId: idSchema.optional(),
    value: z.number().min(-50).max(LIMITS.grams).optional(),
    text: textSchema.optional(),
    entered: enteredSchema.optional(),
  }),
  z.strictObject({ ...head, type: z.literal('noted'), lineId: idSchema.optional(), text: textSchema }),
  z.strictObject({ ...head, type: z.literal('setAside') }),
  z.strictObject({ ...head, type: z.literal('undone'), eventId: idSchema }),
  z.strictObject({ ...head, type: z.literal('batchFinished'), bucketId: idSchema }),
]) satisfies z.ZodType<BatchEvent>;

export const bucketPartSchema = z.strictObject({
  powderId: idSchema,
  name: nameSchema,
  part: z.enum(LINE_PARTS),
  grams: gramsSchema,
  density: z.number().gt(1).max(12),
});

const readingSchema = z.strictObject({
  grossGrams: gramsSchema,
  tareGrams: gramsSchema,
  volumeMl: millilitresSchema.gt(0),
  massSd: z.number().min(0),
  volumeSd: z.number().min(0),
  vessel: nameSchema,
});

export const additivesSchema = z.strictObject({
  epsomGrams: gramsSchema,
  silicateGrams: gramsSchema,
  gumMl: millilitresSchema,
}) satisfies z.ZodType<Additives>;
const feelSecondsSchema = z.number().gt(0, 'A time is more than 0 seconds.').max(600, 'Over ten minutes is no swirl and no cup.');

export const bucketEventSchema = z.discriminatedUnion('type', [
  z.strictObject({
    ...head,
    type: z.literal('filled'),
    parts: z.array(bucketPartSchema).min(1).max(60, 'More than 60 powders in one bucket cannot be kept apart.'),
    waterGrams: gramsSchema,
    from: z.enum(['batch', 'split', 'shelf']),
    fromId: idSchema.optional(),
    glazes: z.array(z.string().max(200)).max(40, 'A mixture of more than 40 glazes cannot be kept apart: use another bucket.').optional(),
    additives: additivesSchema.optional(),
    pairEventId: idSchema.optional(),
  }),
  z.strictObject({
    ...head,
    type: z.literal('sgMeasured'),
    sg: sgSchema,
    sgSd: z.number().min(0.00001, 'No reading of an SG is that exact.').max(1),
    reading: readingSchema.optional(),
    entered: enteredSchema.optional(),
    how: z.string().max(LIMITS.nameLength).optional(),
  }),
  z.strictObject({
    ...head,
    type: z.literal('volumeMeasured'),
    volumeMl: millilitresSchema.gt(0),
    entered: enteredSchema.optional(),
    depthMm: z.number().gt(0).max(LIMITS.innerMm).optional(),
  }),
  z.strictObject({
    ...head,
    type: z.literal('waterAdded'),
    grams: gramsSchema.gt(0, 'Water added must be more than 0.'),
    entered: enteredSchema.optional(),
  }),
  z.strictObject({ ...head, type: z.literal('waterPouredOff'), grams: gramsSchema.gt(0), entered: enteredSchema.optional() }),
  z.strictObject({
    ...head,
    type: z.literal('powderAdded'),
    parts: z.array(bucketPartSchema).min(1).max(60),
    reason: z.enum(['stain', 'rescue', 'thicken', 'suspend']),
  }),
  z.strictObject({
    ...head,
    type: z.literal('glazeTaken'),
    millilitres: millilitresSchema.gt(0),
    reason: z.enum(['split', 'dips', 'other', 'waste']),
    toId: idSchema.optional(),
    parts: z.array(bucketPartSchema).max(60).optional(),
    waterGrams: gramsSchema.optional(),
    additives: additivesSchema.optional(),
    pairEventId: idSchema.optional(),
    /** The tick of a glazing day that took it. */
    tickId: idSchema.optional(),
  }),
  z.strictObject({ ...head, type: z.literal('stirred') }),
  z.strictObject({ ...head, type: z.literal('dropsAdded'), drops: countSchema.min(1).max(2000), of: z.enum(DROP_KINDS).optional() }),
  z.strictObject({ ...head, type: z.literal('gumAdded'), millilitres: millilitresSchema.gt(0, 'Gum added must be more than 0.') }),
  z.strictObject({ ...head, type: z.literal('swirlTimed'), seconds: feelSecondsSchema, springsBack: z.boolean().optional() }),
  z.strictObject({ ...head, type: z.literal('stateTold'), state: z.enum(SLURRY_STATES) }),
  z.strictObject({ ...head, type: z.literal('flowTimed'), seconds: feelSecondsSchema }),
  z.strictObject({ ...head, type: z.literal('dripsCounted'), drips: countSchema.min(0).max(100) }),
  z.strictObject({ ...head, type: z.literal('nailLooked'), shows: z.enum(NAIL_LOOKS) }),
  z.strictObject({ ...head, type: z.literal('lidSet'), lid: z.enum(['open', 'closed']) }),
  z.strictObject({ ...head, type: z.literal('codeRead') }),
  z.strictObject({ ...head, type: z.literal('contaminated'), text: textSchema }),
  z.strictObject({ ...head, type: z.literal('noted'), text: textSchema }),
  z.strictObject({ ...head, type: z.literal('undone'), eventId: idSchema }),
]) satisfies z.ZodType<BucketEvent>;

const pieceDoneSchema = z.strictObject({
  seconds: z.number().gt(0, 'More than 0 s.').max(3600).optional(),
  beforeGrams: gramsSchema.optional(),
  afterGrams: gramsSchema.optional(),
}) satisfies z.ZodType<PieceDone>;
/** How a step was done, as far as anybody said. */
export const stepDoneSchema = z.strictObject({
  seconds: z.number().min(0).max(3600).optional(),
  sg: sgSchema.optional(),
  method: z.enum(APPLICATION_METHODS).optional(),
  coatMm: z.number().min(0).max(20, 'A coat over 20 mm falls off.').optional(),
  isTouchedUp: z.boolean().optional(),
  seen: z.array(z.enum(BENCH_SIGHTS)).max(BENCH_SIGHTS.length).optional(),
  pieces: z.array(pieceDoneSchema).max(LIMITS.dayPieces).optional(),
}) satisfies z.ZodType<StepDone>;
const piecesSchema = countSchema.min(1, 'At least one piece.').max(LIMITS.dayPieces, `A day holds at most ${LIMITS.dayPieces} of one piece.`);

export const dayEventSchema = z.discriminatedUnion('type', [
  stepDoneSchema.extend({ ...head, type: z.literal('stepDone'), stepId: idSchema }),
  z.strictObject({ ...head, type: z.literal('stepSkipped'), stepId: idSchema }),
  z.strictObject({ ...head, type: z.literal('stepBegun'), stepId: idSchema }),
  z.strictObject({ ...head, type: z.literal('feltDry'), stepId: idSchema }),
  z.strictObject({ ...head, type: z.literal('notDryYet'), stepId: idSchema, minutes: minutesSchema }),
  z.strictObject({ ...head, type: z.literal('piecesOff'), itemId: idSchema, count: piecesSchema, why: z.enum(PIECES_OFF) }),
  z.strictObject({
    ...head,
    type: z.literal('lotSplit'),
    itemId: idSchema,
    newItemId: idSchema,
    count: piecesSchema,
    stepIds: z.array(idSchema).max(LIMITS.daySteps),
  }),
  z.strictObject({ ...head, type: z.literal('bucketShort'), bucketId: idSchema }),
  z.strictObject({ ...head, type: z.literal('bucketBack'), bucketId: idSchema }),
  z.strictObject({ ...head, type: z.literal('personAway'), person: nameSchema, untilAt: timeSchema.optional() }),
  z.strictObject({ ...head, type: z.literal('personBack'), person: nameSchema }),
  z.strictObject({ ...head, type: z.literal('paused'), untilAt: timeSchema }),
  z.strictObject({ ...head, type: z.literal('lotFirst'), itemId: idSchema }),
  z.strictObject({ ...head, type: z.literal('undone'), eventId: idSchema }),
]) satisfies z.ZodType<DayEvent>;

/** One event and the stream it belongs to: the same shape in the browser's outbox, on the wire and in the table. */
export const benchEventSchema = z.discriminatedUnion('stream', [
  z.strictObject({ stream: z.literal('batch'), streamId: idSchema, event: batchEventSchema }),
  z.strictObject({ stream: z.literal('bucket'), streamId: idSchema, event: bucketEventSchema }),
  z.strictObject({ stream: z.literal('day'), streamId: idSchema, event: dayEventSchema }),
  z.strictObject({ stream: z.literal('load'), streamId: idSchema, event: loadEventSchema }),
  z.strictObject({ stream: z.literal('firing'), streamId: idSchema, event: firingEventSchema }),
]);
export type BenchEvent = z.infer<typeof benchEventSchema>;

/** What is sent. Each event is checked by itself on arrival, so that a bad one does not take the others down. */
export const eventsSendSchema = z.strictObject({
  events: z
    .array(z.looseObject({ event: z.looseObject({ id: idSchema }) }))
    .min(1, 'Nothing was sent.')
    .max(LIMITS.eventsInOneSend, `At most ${LIMITS.eventsInOneSend} steps are sent at once.`),
});
/** Refused events are listed by themselves, so that one bad event does not hold up the others. */
export const eventsAnswerSchema = z.strictObject({
  acknowledged: z.array(idSchema),
  refused: z.array(z.strictObject({ id: idSchema, detail: z.string() })),
});
export type EventsAnswer = z.infer<typeof eventsAnswerSchema>;

/** Differs when anybody did or changed anything. */
export const streamStampSchema = z.strictObject({ version: versionSchema, events: countSchema });
export type StreamStamp = z.infer<typeof streamStampSchema>;
