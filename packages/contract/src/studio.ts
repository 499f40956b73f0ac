import * as z from 'zod';
import { gramsSchema, idSchema, millilitresSchema, nameSchema, versionSchema } from './basics';

/** A cylinder or cup with its stored empty weight; `markMl` is the distance between its marks. */
export const vesselSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  tareGrams: gramsSchema,
  volumeMl: millilitresSchema.gt(0, 'A vessel holds more than 0 mL.'),
  markMl: millilitresSchema.gt(0, 'The distance between marks is more than 0 mL.'),
});
export type Vessel = z.infer<typeof vesselSchema>;

export const scaleSchema = z.strictObject({ name: nameSchema, divisionGrams: z.number().gt(0).max(100), capacityGrams: gramsSchema.gt(0) });

export const studioBodySchema = z.strictObject({
  name: nameSchema,
  members: z.array(nameSchema).min(1, 'A studio has at least one member.').max(30),
  vessels: z.array(vesselSchema).max(30),
  scale: scaleSchema,
});
export type StudioBody = z.infer<typeof studioBodySchema>;

export const studioSchema = studioBodySchema.extend({ id: idSchema, version: versionSchema, demo: z.boolean() });
export type Studio = z.infer<typeof studioSchema>;
export const studioUpdateSchema = studioBodySchema.extend({ version: versionSchema });
