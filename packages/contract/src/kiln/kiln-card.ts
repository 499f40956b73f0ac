import * as z from 'zod';
import type { KilnChamber, KilnShelf, ShelfWitness } from '@cazuela/core';
import { coneSchema, gramsSchema, idSchema, nameSchema, noteSchema, versionSchema } from '../common/basics';

const MOST_MM = 4_000;
const sizeSchema = z.number().gt(0, 'More than 0 mm.').max(MOST_MM, 'A kiln over four metres is a building.');

export const kilnChamberSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('round'), diameterMm: sizeSchema, heightMm: sizeSchema }),
  z.strictObject({ kind: z.literal('rectangular'), widthMm: sizeSchema, depthMm: sizeSchema, heightMm: sizeSchema }),
]) satisfies z.ZodType<KilnChamber>;

export const kilnShelfSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  heightMm: z.number().min(0, 'From the floor up.').max(MOST_MM),
}) satisfies z.ZodType<KilnShelf>;

/** A kiln of the studio: its chamber, where its shelves stand, and what it can do. */
export const kilnBodySchema = z
  .strictObject({
    name: nameSchema,
    chamber: kilnChamberSchema,
    shelves: z.array(kilnShelfSchema).max(30, 'At most thirty shelves.'),
    /** Heights of the posts there are, mm. */
    postsMm: z.array(z.number().gt(0).max(1_000)).max(40),
    powerWatts: z.number().gt(0).max(500_000, 'Power is in watts: 9 kW are 9000.').optional(),
    /** As its maker says. */
    mostCelsius: z.number().min(500).max(1_500).optional(),
    thermocoupleMm: z.number().min(0).max(MOST_MM).optional(),
    /** What one shelf carries at heat, as its maker says, g. */
    shelfCarriesGrams: gramsSchema.optional(),
    shelfThickMm: z.number().gt(0).max(100, 'A shelf is at most 100 mm thick.').optional(),
    /** Two half shelves beside one another, each with heights of its own. */
    hasHalfShelves: z.boolean().optional(),
    /** It is not opened while it is hotter, °C. */
    openBelowCelsius: z
      .number()
      .min(25, 'A kiln never gets colder than its room.')
      .max(100, 'Over 100 °C a kiln burns hands and cracks pots: not hotter than that.')
      .optional(),
    note: noteSchema,
  })
  .refine(({ shelves, chamber }) => shelves.every(({ heightMm }) => heightMm < chamber.heightMm), 'A shelf stands below the lid of its kiln.')
  .refine(({ shelves }) => new Set(shelves.map(({ id }) => id)).size === shelves.length, 'A shelf is named twice.');
export type KilnBody = z.infer<typeof kilnBodySchema>;

export const kilnSchema = z.strictObject({ id: idSchema, version: versionSchema, body: kilnBodySchema });
export type Kiln = z.infer<typeof kilnSchema>;
export const kilnCreateSchema = z.strictObject({ id: idSchema, body: kilnBodySchema });
export const kilnUpdateSchema = z.strictObject({ version: versionSchema, body: kilnBodySchema });

export const shelfWitnessSchema = z.strictObject({
  shelfId: idSchema,
  lower: coneSchema,
  upper: coneSchema,
  fraction: z.number().min(0).max(1),
}) satisfies z.ZodType<ShelfWitness>;
