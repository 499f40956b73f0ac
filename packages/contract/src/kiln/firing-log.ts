import * as z from 'zod';
import { piecesPhotographedSchema, piecesReadSchema, tileReadSchema } from './opening';
import { countSchema, idSchema, nameSchema, timeSchema } from '../common/basics';

/** Where controllers of kilns send their lines of text: ?studio= &kiln= &controller=, its name. Each line is answered with OK or ERR. */
export const CONTROLLER_SOCKET = '/api/devices/kiln';

/** A month: no firing takes longer. */
export const LONGEST_LOG_SECONDS = 2_700_000;
const MOST_READINGS = 1_000_000;
/** Of one request: the file of a longer log is thinned where it is read. */
export const READINGS_IN_ONE_SEND = 25_000;
/** A wrong reading is kept as it came, and left out of the curve. */
const celsiusSchema = z.number().min(-300).max(3_000);
const shareSchema = z.number().min(0).max(1);

export const firingPointSchema = z.strictObject({ hours: z.number().min(0).max(800), celsius: z.number().min(-50).max(1500) });

/** Readings of a log, column by column: each list is as long as `seconds`. */
const columns = {
  /** Since the log began. */
  seconds: z.array(z.number().min(0).max(LONGEST_LOG_SECONDS, 'A firing takes a month at most.')).max(MOST_READINGS),
  celsius: z.array(celsiusSchema).max(MOST_READINGS),
  setCelsius: z.array(celsiusSchema.nullable()).max(MOST_READINGS).optional(),
  share: z.array(shareSchema.nullable()).max(MOST_READINGS).optional(),
};
interface Columns {
  seconds: number[];
  celsius: number[];
  setCelsius?: unknown[] | undefined;
  share?: unknown[] | undefined;
}
const areAsLong = ({ seconds, celsius, setCelsius = seconds, share = seconds }: Columns): boolean =>
  [celsius, setCelsius, share].every(({ length }) => length === seconds.length);
const NOT_AS_LONG = 'Each reading has one time and one temperature.';
export const logReadingsSchema = z.strictObject(columns).refine(areAsLong, NOT_AS_LONG);
export type LogReadings = z.infer<typeof logReadingsSchema>;
/** Readings from a file, for a firing that has no log yet. */
export const logImportSchema = z
  .strictObject({
    ...columns,
    seconds: columns.seconds
      .min(2, 'A log has at least two readings.')
      .max(READINGS_IN_ONE_SEND, `At most ${READINGS_IN_ONE_SEND} readings are sent at once.`),
  })
  .refine(areAsLong, NOT_AS_LONG);

const head = { id: idSchema, at: timeSchema, by: nameSchema };
/** What is noted beside a firing by hand, and what is said of its pieces when it is opened. */
export const firingEventSchema = z.discriminatedUnion('type', [
  /** Read off the kiln's own display. */
  z.strictObject({
    ...head,
    type: z.literal('kilnRead'),
    readAt: timeSchema,
    celsius: z.number().min(-30, 'Colder than any workshop.').max(1_450, 'No potter’s kiln is hotter than 1,450 °C: check the unit.'),
  }),
  /** The electricity meter of the kiln. */
  z.strictObject({ ...head, type: z.literal('meterRead'), readAt: timeSchema, kilowattHours: z.number().min(0).max(100_000_000) }),
  piecesReadSchema,
  piecesPhotographedSchema,
  tileReadSchema,
  z.strictObject({ ...head, type: z.literal('undone'), eventId: idSchema }),
]);
export type FiringEvent = z.infer<typeof firingEventSchema>;

export const LOG_SOURCES = ['controller', 'practice', 'file'] as const;

/** What can go wrong in the practice kiln, as its buttons say it. */
export const practiceStateSchema = z.strictObject({
  /** So many times as fast as the clock. */
  speed: z.number().min(1).max(3_600, 'At most an hour in a second.'),
  isPowerCut: z.boolean(),
  isDoorOpen: z.boolean(),
  isElementDead: z.boolean(),
  /** How much too hot its thermocouple reads, °C. */
  readsOver: z.number().min(-50).max(50),
});
export type PracticeState = z.infer<typeof practiceStateSchema>;

/** What was read of a firing by machines, as a list shows it. */
export const firingLogSchema = z.strictObject({
  source: z.enum(LOG_SOURCES),
  beganAt: timeSchema,
  /** Null while it is read. */
  endedAt: timeSchema.nullable(),
  readings: countSchema.min(0),
  /** Of those, what no kiln gives and the curve leaves out. */
  dropped: countSchema.min(0),
  /** What was read, without what lies on straight lines between; hours since the log began. */
  points: z.array(firingPointSchema),
  /** The last that was read. */
  last: z
    .strictObject({ seconds: z.number(), celsius: celsiusSchema, setCelsius: celsiusSchema.nullable(), share: shareSchema.nullable() })
    .nullable(),
  /** Time on, as if at full power. */
  fullPowerHours: z.number().min(0),
  practice: practiceStateSchema.optional(),
  /** The practice kiln's own clock, s since it was lit. */
  practiceSeconds: z.number().min(0).optional(),
  /** What the controller said of itself last, where that was a fault. */
  fault: z.string().max(80).optional(),
});
export type FiringLog = z.infer<typeof firingLogSchema>;

/** The kiln is lit: what its controller sends from now on is the log of this firing. */
export const beginLogSchema = z.strictObject({ practice: practiceStateSchema.optional() });
