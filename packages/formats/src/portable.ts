import * as z from 'zod';
import { LINE_PARTS } from '@cazuela/core';
import {
  gramsSchema,
  LIMITS,
  nameSchema,
  noteSchema,
  percentSchema,
  powderBodySchema,
  recipeBodySchema,
  sgSchema,
  timeSchema,
} from '@cazuela/contract';

/** The head of every file of ours, so that it is recognised in ten years. */
export const FORMAT_NAME = 'cazuela';
export const FORMAT_VERSION = 1;

/** Between studios a powder is known by its name; ids are left out. */
export const portablePowderSchema = powderBodySchema;
export type PortablePowder = z.infer<typeof portablePowderSchema>;

const portableLineSchema = z.strictObject({ powder: nameSchema, part: z.enum(LINE_PARTS), percent: percentSchema });
const { lines: _lines, ...bodyShape } = recipeBodySchema.shape;
const portableBodySchema = z
  .strictObject({ ...bodyShape, lines: z.array(portableLineSchema).max(LIMITS.linesInRecipe, `A recipe has at most ${LIMITS.linesInRecipe} lines.`) })
  .refine((body) => body.sgLow < body.sgHigh, { message: 'The lower SG must be below the upper one.', path: ['sgLow'] });
export type PortableRecipeBody = z.infer<typeof portableBodySchema>;

/** Every version, oldest first; the last one is the recipe as it is mixed now. */
export const portableRecipeSchema = z.strictObject({
  versions: z
    .array(z.strictObject({ reason: noteSchema, changedAt: timeSchema, body: portableBodySchema }))
    .min(1)
    .max(500),
});
export type PortableRecipe = z.infer<typeof portableRecipeSchema>;

/** What was weighed: a record, never an open batch. */
export const portableBatchSchema = z.strictObject({
  recipe: nameSchema,
  /** 1 is the first version. */
  version: z.int().min(1),
  weighedAt: timeSchema,
  by: nameSchema,
  waterGrams: gramsSchema,
  waterInGrams: gramsSchema.nullable(),
  expectedSg: sgSchema,
  lines: z
    .array(z.strictObject({ powder: nameSchema, part: z.enum(LINE_PARTS), targetGrams: gramsSchema, inGrams: gramsSchema.nullable() }))
    .min(1, 'A batch has at least one line.')
    .max(LIMITS.linesInRecipe),
});
export type PortableBatch = z.infer<typeof portableBatchSchema>;

export const cazuelaFileSchema = z.strictObject({
  format: z.literal(FORMAT_NAME),
  version: z.literal(FORMAT_VERSION),
  studio: z.string().max(200),
  writtenAt: timeSchema,
  powders: z.array(portablePowderSchema),
  recipes: z.array(portableRecipeSchema).max(LIMITS.recipesInOneImport, `One file holds at most ${LIMITS.recipesInOneImport} recipes.`),
  batches: z.array(portableBatchSchema),
});
export type CazuelaFile = z.infer<typeof cazuelaFileSchema>;

/** One entry of an import, as it is sent to the server. */
export const importRowSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('powder'), powder: portablePowderSchema }),
  z.strictObject({ kind: z.literal('recipe'), recipe: portableRecipeSchema }),
  z.strictObject({ kind: z.literal('batch'), batch: portableBatchSchema }),
]);
export type ImportRow = z.infer<typeof importRowSchema>;
