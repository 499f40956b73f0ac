import * as z from 'zod';
import { gramsSchema, idSchema, LIMITS, millilitresSchema, nameSchema, timeSchema, versionSchema } from '../common/basics';

/** A cylinder or cup with its stored empty weight; `markMl` is the distance between its marks. */
export const vesselSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  tareGrams: gramsSchema,
  volumeMl: millilitresSchema.gt(0, 'A vessel holds more than 0 mL.'),
  markMl: millilitresSchema.gt(0, 'The distance between marks is more than 0 mL.'),
});
export type Vessel = z.infer<typeof vesselSchema>;

/** A check of a scale with a known weight: what it showed, so that drift is seen over the months. */
export const scaleCheckSchema = z.strictObject({ at: timeSchema, by: nameSchema, knownGrams: gramsSchema.gt(0), shownGrams: gramsSchema });
export type ScaleCheck = z.infer<typeof scaleCheckSchema>;

export const scaleSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  divisionGrams: z.number().gt(0, 'A scale’s division is more than 0.').max(100),
  capacityGrams: gramsSchema.gt(0, 'A scale holds more than 0 g.'),
  checks: z.array(scaleCheckSchema).max(LIMITS.scaleChecks),
});
export type Scale = z.infer<typeof scaleSchema>;

export const studioBodySchema = z.strictObject({
  name: nameSchema,
  members: z.array(nameSchema).min(1, 'A studio has at least one member.').max(30),
  vessels: z.array(vesselSchema).max(30),
  scales: z.array(scaleSchema).min(1, 'A studio has at least one scale.').max(10),
  /** The currency, as it is written behind a number. */
  /** Which readings judge its buckets; both when left out. */
  reads: z.enum(['both', 'sg', 'feel']).optional(),
  currency: z.string().trim().min(1, 'Write a currency, like € or EUR.').max(5),
});
export type StudioBody = z.infer<typeof studioBodySchema>;

export const studioSchema = studioBodySchema.extend({ id: idSchema, version: versionSchema, demo: z.boolean() });
export type Studio = z.infer<typeof studioSchema>;
export const studioUpdateSchema = studioBodySchema.extend({ version: versionSchema });
