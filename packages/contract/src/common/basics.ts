import * as z from 'zod';
import { cleanName } from './clean-name';
import { LENGTH_UNITS, MASS_UNITS, VOLUME_UNITS, coneCelsius, isCone, type Unit } from '@cazuela/core';

/** Ids are UUID v7, made by whoever makes the record, so that studios and tablets never collide. Always in small letters. */
export const idSchema = z.uuid('An id must be a UUID.').toLowerCase();

/** Limits used in the check and in its message. */
export const LIMITS = {
  nameLength: 80,
  noteLength: 2000,
  linesInRecipe: 40,
  grams: 1_000_000,
  millilitres: 1_000_000,
  /** Inside of a bucket, mm: two metres is a trough. */
  innerMm: 2_000,
  eventsInOneSend: 200,
  scaleChecks: 60,
  bisqueLots: 60,
  recipesInOneImport: 10_000,
  photoBytes: 8 * 1024 * 1024,
  /** Photos of one studio together, and how many. */
  photosBytes: 4 * 1024 * 1024 * 1024,
  photos: 20_000,
  /** A zip of everything that a studio has. */
  studioFileBytes: 2 * 1024 * 1024 * 1024,
  /** A smaller batch cannot be weighed on any bench scale. */
  leastBatchGrams: 0.1,
  windowChanges: 200,
  dayItems: 100,
  daySteps: 40,
  dayPieces: 5_000,
  dayPeople: 30,
  rowsInOneImport: 50_000,
  firstYear: 2000,
  lastYear: 2099,
} as const;

export const nameSchema = z
  .string()
  .overwrite(cleanName)
  .min(1, 'Give it a name.')
  .max(LIMITS.nameLength, `A name has at most ${LIMITS.nameLength} characters.`);
export const noteSchema = z.string().max(LIMITS.noteLength, `A note has at most ${LIMITS.noteLength} characters.`);
/** A time from a device whose clock is wrong is refused: it would come before or after everything else for ever. */
const isOfOurDays = (text: string): boolean => Number(text.slice(0, 4)) >= LIMITS.firstYear && Number(text.slice(0, 4)) <= LIMITS.lastYear;
const NOT_OF_OUR_DAYS = `A time lies between the years ${LIMITS.firstYear} and ${LIMITS.lastYear}: set the clock of this device.`;
export const timeSchema = z.iso.datetime('A time must be in UTC, like 2026-03-01T09:30:00Z.').refine(isOfOurDays, NOT_OF_OUR_DAYS);
export const dateSchema = z.iso.date('A date looks like 2026-03-01.').refine(isOfOurDays, NOT_OF_OUR_DAYS);
export const gramsSchema = z.number().min(0, 'A weight cannot be less than 0.').max(LIMITS.grams, 'More than a tonne is no bucket: check the unit.');
export const millilitresSchema = z
  .number()
  .min(0, 'A volume cannot be less than 0.')
  .max(LIMITS.millilitres, 'More than 1,000 L is no bucket: check the unit.');
/** Water is 1.00, a stiff paste about 2.2. */
export const sgSchema = z.number().gt(1, 'An SG must be above 1.00, which is plain water.').max(2.2, 'An SG cannot be above 2.20, a stiff paste.');
export const percentSchema = z.number().min(0, 'A percentage cannot be less than 0.').max(1000, 'A percentage cannot be above 1,000.');
/**
 * Returns true unless the highest cone lies below the lowest one; either may be left out, and one that there is not
 * is refused elsewhere.
 *
 * @param low - the lowest cone
 * @param high - the highest cone
 * @example
 * conesRise('06', '6') // true
 */
export const conesRise = (low: string | undefined, high: string | undefined): boolean =>
  low === undefined || high === undefined || !isCone(low) || !isCone(high) || coneCelsius(low) <= coneCelsius(high);
export const CONES_FALL = 'The highest cone lies below the lowest one: 06 is cooler than 6.';

export const coneSchema = z.string().refine(isCone, 'There is no such cone. Cones run from 022 over 01 and 1 to 10; 06 and 6 are different cones.');
export const colourSchema = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'A colour looks like #7FA08C.');

const UNITS = [...Object.keys(MASS_UNITS), ...Object.keys(VOLUME_UNITS), ...Object.keys(LENGTH_UNITS)] as [Unit, ...Unit[]];
/** What was typed, beside the canonical number. */
export const enteredSchema = z.strictObject({ value: z.number(), unit: z.enum(UNITS) });

/** Editable documents carry the version they were read at; a stale write is answered with the newer document. */
/** A number of things that hands count. */
export const countSchema = z.int('A whole number is wanted here.');
export const versionSchema = z.int().min(1).max(1_000_000_000);
