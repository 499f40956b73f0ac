import * as z from 'zod';
import type { ThirstTest } from '@cazuela/core';
import {
  colourSchema,
  CONES_FALL,
  coneSchema,
  conesRise,
  gramsSchema,
  idSchema,
  LIMITS,
  nameSchema,
  noteSchema,
  timeSchema,
  versionSchema,
} from '../common/basics';

const absorptionSchema = z.number().min(0, 'An absorption cannot be less than 0 %.').max(40, 'Over 40 % is no fired clay.');
const wallSchema = z.number().gt(0, 'A wall is more than 0 mm.').max(60, 'A wall over 60 mm is a block: check the unit.');

/** Weighed dry, after some seconds in water, soaked full. */
export const thirstTestSchema = z.strictObject({
  dryGrams: gramsSchema.gt(0, 'The dry tile weighs more than 0 g.'),
  afterGrams: gramsSchema,
  soakedGrams: gramsSchema,
  seconds: z.number().gt(0, 'The time in water is more than 0 s.').max(120, 'Over two minutes the wall is full.'),
  faceCm2: z.number().gt(0, 'A face is more than 0 cm².').max(50_000),
  faces: z.union([z.literal(1), z.literal(2)]),
  divisionGrams: z.number().min(0).max(100),
}) satisfies z.ZodType<ThirstTest>;

/** One bisque firing of a body. */
export const bisqueLotSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  at: timeSchema,
  /** The cone it reached, by its witness cones. */
  bisqueCone: coneSchema,
  absorptionPercent: absorptionSchema.optional(),
  wallMm: wallSchema.optional(),
  thirst: thirstTestSchema.optional(),
});
export type BisqueLot = z.infer<typeof bisqueLotSchema>;

const bodyFields = {
  name: nameSchema,
  colour: colourSchema,
  bisqueCone: coneSchema,
  earthenware: z.boolean(),
  absorptionPercent: absorptionSchema.optional(),
  /** From wet to fired, in length. */
  shrinkagePercent: z.number().min(0).max(30, 'No clay shrinks by more than 30 %.').optional(),
  /** Linear expansion, millionths per °C, if somebody measured it. */
  expansion: z.number().gt(0).max(20, 'An expansion is told in millionths per °C, about 5 to 9.').optional(),
  /** Cones it may be fired to. */
  lowCone: coneSchema.optional(),
  highCone: coneSchema.optional(),
  /** Usual wall of what is thrown from it, mm. */
  wallMm: wallSchema.optional(),
  /** Iron or manganese that comes through the glaze. */
  speckled: z.boolean().optional(),
  /** Grog, sand or other coarse grains: gas comes through them for longer. */
  groggy: z.boolean().optional(),
  notes: noteSchema.optional(),
  /** Newest last. */
  lots: z.array(bisqueLotSchema).max(LIMITS.bisqueLots, `A body keeps at most ${LIMITS.bisqueLots} bisque lots: take an old one out.`).optional(),
};

export const bodyBodySchema = z.strictObject(bodyFields);
export const bodySchema = z.strictObject({ id: idSchema, version: versionSchema, ...bodyFields });
export type ClayBody = z.infer<typeof bodySchema>;
const fallingCones = { message: CONES_FALL, path: ['highCone'] };
export const bodyCreateSchema = z
  .strictObject({ id: idSchema, ...bodyFields })
  .refine(({ lowCone, highCone }) => conesRise(lowCone, highCone), fallingCones);
export const bodyUpdateSchema = z.strictObject({
  version: versionSchema,
  body: bodyBodySchema.refine(({ lowCone, highCone }) => conesRise(lowCone, highCone), fallingCones),
});
export type BodyBody = z.infer<typeof bodyBodySchema>;
