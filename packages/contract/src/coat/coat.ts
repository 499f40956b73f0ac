import * as z from 'zod';
import { PASS_METHODS, type CoatReading, type CoatWindow, type PassMethod } from '@cazuela/core';
import {
  coneSchema,
  countSchema,
  gramsSchema,
  idSchema,
  LIMITS,
  nameSchema,
  noteSchema,
  sgSchema,
  timeSchema,
  versionSchema,
} from '../common/basics';

const areaSchema = z.number().gt(0, 'An area is more than 0 cm².').max(50_000, 'An area over 5 m² is no pot: check the unit.');
const weighed = {
  gainGrams: gramsSchema.gt(0, 'It must weigh more than before the dip.'),
  areaCm2: areaSchema,
  divisionGrams: z.number().min(0).max(100),
};

export const coatReadingSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('wetWeight'), ...weighed }),
  z.strictObject({ kind: z.literal('dryWeight'), ...weighed }),
  z.strictObject({ kind: z.literal('thickness'), coatMm: z.number().gt(0, 'A coat is more than 0 mm.').max(5, 'A coat over 5 mm falls off.') }),
]) satisfies z.ZodType<CoatReading>;

const CONTACT_METHODS = ['dip', 'pour', 'ladle'] as const;
const passMethods = Object.keys(PASS_METHODS) as [PassMethod, ...PassMethod[]];

/** What the face had been through before: glaze beneath, water in the wall, thirst. */
export const wallBeforeSchema = z.strictObject({
  underMm: z.number().min(0).max(10),
  underDryness: z.number().min(0).max(1),
  wallTakenMm: z.number().min(0).max(50),
  thirst: z.number().min(0).max(1),
  firedUnder: z.boolean().optional(),
});

/** A measured coat, dipped or put on in passes, with everything about it as it was on that day. */
export const coatDipBodySchema = z.strictObject({
  bucketId: idSchema,
  /** The recipe, or the bucket when it has none: J_cake and the film belong to it. */
  glazeId: idSchema,
  bodyId: idSchema,
  /** The bisque lot, when the body's card lists several. */
  lotId: idSchema.optional(),
  at: timeSchema,
  by: nameSchema,
  /** A dip when left out. */
  method: z.enum([...CONTACT_METHODS, ...passMethods]).optional(),
  /** How many, for brush, sponge and spray; their seconds are 0. */
  passes: countSchema.min(1, 'At least one pass.').max(60, 'More than 60 passes are no glaze.').optional(),
  before: wallBeforeSchema.optional(),
  seconds: z.number().min(0, 'A time cannot be less than 0.').max(600, 'Ten minutes in the glaze is no dip.'),
  /** Nobody timed it: these are the seconds that were wanted. Nothing is learnt from them. */
  secondsPlanned: z.literal(true).optional(),
  sg: sgSchema,
  density: z.number().gt(1).max(12),
  state: z.enum(['flocculated', 'normal', 'deflocculated']),
  bisqueCone: coneSchema,
  earthenware: z.boolean(),
  absorptionPercent: z.number().min(0).max(40).optional(),
  wallMm: z.number().gt(0, 'A wall is more than 0 mm.').max(60),
  faces: z.union([z.literal(1), z.literal(2)]),
  reading: coatReadingSchema,
  /** Why it does not count. The dip is kept with the reason. */
  leftOut: noteSchema.min(1, 'Say why it does not count.').optional(),
});
export type CoatDipBody = z.infer<typeof coatDipBodySchema>;
export const coatDipSchema = z.strictObject({ id: idSchema, version: versionSchema, body: coatDipBodySchema });
export type CoatDip = z.infer<typeof coatDipSchema>;

/** A dip that is new. What was kept before this rule can still be read. */
const newDipBodySchema = coatDipBodySchema.refine(({ passes, seconds }) => passes !== undefined || seconds > 0, {
  message: 'A dip takes some time: 0 s is none.',
  path: ['seconds'],
});

/** A step tile is sent as a whole, all of it or nothing. */
export const coatDipsCreateSchema = z.strictObject({
  dips: z
    .array(z.strictObject({ id: idSchema, body: newDipBodySchema }))
    .min(1)
    .max(20),
});
export const coatDipUpdateSchema = z.strictObject({ version: versionSchema, body: coatDipBodySchema });

const coatSchema = z.number().gt(0, 'A coat is more than 0 mm.').max(5, 'A coat over 5 mm falls off.');
const lookSchema = z.string().max(300, 'A look has at most 300 characters.');
export const coatWindowBodySchema = z
  .strictObject({
    thinMm: coatSchema,
    thickMm: coatSchema,
    looks: z.strictObject({ thin: lookSchema, right: lookSchema, thick: lookSchema }),
  })
  .refine(({ thinMm, thickMm }) => thinMm < thickMm, {
    message: 'Too thick must lie above too thin.',
    path: ['thickMm'],
  }) satisfies z.ZodType<CoatWindow>;

const windowChangeSchema = z.strictObject({ at: timeSchema, by: nameSchema, reason: noteSchema, window: coatWindowBodySchema });
/** A glaze's window on one body, newest change last: a result points to the window of its day. */
export const coatWindowSchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  glazeId: idSchema,
  bodyId: idSchema,
  changes: z.array(windowChangeSchema).min(1).max(LIMITS.windowChanges),
});
export type CoatWindowDocument = z.infer<typeof coatWindowSchema>;

/** Version 0 for a window that was never set. */
export const coatWindowPutSchema = z.strictObject({
  version: z.int().min(0),
  glazeId: idSchema,
  bodyId: idSchema,
  change: windowChangeSchema,
});
