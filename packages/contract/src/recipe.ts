import * as z from 'zod';
import type { Powder } from '@cazuela/core';
import { colourSchema, coneSchema, idSchema, LIMITS, nameSchema, noteSchema, percentSchema, sgSchema, timeSchema, versionSchema } from './basics';

export const powderSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  role: nameSchema,
  densityGMl: z.number().gt(1).max(12),
  rawClay: z.number().min(0),
  shrinkWeight: z.number().min(0),
  oxides: z.record(z.string(), z.number()),
  loiPercent: z.number(),
  sieveMesh: z.number().optional(),
  hazards: z.array(z.string()),
}) satisfies z.ZodType<Powder>;

export const SURFACES = ['gloss', 'satin', 'matt', 'crystalline', 'unknown'] as const;
export const recipeLineSchema = z.strictObject({ id: idSchema, powderId: idSchema, part: z.enum(['base', 'addition']), percent: percentSchema });

/** What a version of a recipe says. */
export const recipeBodySchema = z
  .strictObject({
    name: nameSchema,
    lines: z.array(recipeLineSchema).max(LIMITS.linesInRecipe, `A recipe has at most ${LIMITS.linesInRecipe} lines.`),
    coneLow: coneSchema,
    coneHigh: coneSchema,
    atmosphere: z.enum(['oxidation', 'reduction', 'either']),
    surface: z.enum(SURFACES),
    colour: colourSchema,
    sgLow: sgSchema,
    sgHigh: sgSchema,
    movement: z.enum(['stays', 'moves', 'runs', 'pours', 'unknown']),
    foodTested: z.boolean(),
    notes: noteSchema,
  })
  .refine((body) => body.sgLow < body.sgHigh, { message: 'The lower SG must be below the upper one.', path: ['sgLow'] });
export type RecipeBody = z.infer<typeof recipeBodySchema>;

export const recipeSchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  /** The row of this version: what batches point at. */
  versionId: idSchema,
  reason: z.string(),
  changedAt: timeSchema,
  body: recipeBodySchema,
});
export type Recipe = z.infer<typeof recipeSchema>;

export const recipeVersionSchema = z.strictObject({
  versionId: idSchema,
  number: z.int().min(1),
  reason: z.string(),
  changedAt: timeSchema,
  body: recipeBodySchema,
});
export type RecipeVersion = z.infer<typeof recipeVersionSchema>;

export const recipeCreateSchema = z.strictObject({ id: idSchema, body: recipeBodySchema });
export const recipeUpdateSchema = z.strictObject({ version: versionSchema, reason: noteSchema, body: recipeBodySchema });
