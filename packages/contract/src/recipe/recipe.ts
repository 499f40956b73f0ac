import * as z from 'zod';
import { LINE_PARTS } from '@cazuela/core';
import {
  CONES_FALL,
  colourSchema,
  conesRise,
  coneSchema,
  countSchema,
  enteredSchema,
  gramsSchema,
  idSchema,
  LIMITS,
  millilitresSchema,
  nameSchema,
  noteSchema,
  percentSchema,
  sgSchema,
  timeSchema,
  versionSchema,
} from '../common/basics';

export const SURFACES = ['gloss', 'satin', 'matt', 'crystalline', 'unknown'] as const;
export const recipeLineSchema = z.strictObject({ id: idSchema, powderId: idSchema, part: z.enum(LINE_PARTS), percent: percentSchema });

export const labelRuleSchema = z.strictObject({ powder: enteredSchema, water: enteredSchema });
const priceSchema = z.number().min(0, 'A price cannot be less than 0.').max(100_000).optional();

/** What is bought ready: a dry base with the water rule of its label, or a jar to brush. Left out for what is mixed from powders. */
export const productSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('base'), label: labelRuleSchema, packGrams: gramsSchema.gt(0), packPrice: priceSchema }),
  z.strictObject({
    kind: z.literal('jar'),
    coats: countSchema.min(1, 'A label asks for at least one coat.').max(10),
    jarMl: millilitresSchema.gt(0),
    jarPrice: priceSchema,
    /** By its maker's word, which is no leach test of this studio. */
    makerSaysFoodSafe: z.enum(['yes', 'no', 'unsaid']),
  }),
]);
export type Product = z.infer<typeof productSchema>;

/** What one version of a recipe says. */
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
    /** Why it is untested: it came from a computation. Kept until a test says otherwise. */
    untested: z.string().max(200).optional(),
    product: productSchema.optional(),
  })
  .refine((body) => body.sgLow < body.sgHigh, { message: 'The lower SG must be below the upper one.', path: ['sgLow'] });
export type RecipeBody = z.infer<typeof recipeBodySchema>;

export const recipeSchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  /** The row of this version: batches point to it. */
  versionId: idSchema,
  reason: z.string(),
  changedAt: timeSchema,
  /** True when a piece with it came out of a kiln here. */
  fired: z.boolean(),
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

/** A version of a recipe, as far as it says which glaze it is. */
export const glazeVersionSchema = z.strictObject({
  recipeId: idSchema,
  number: z.int().min(1),
  name: nameSchema,
  colour: colourSchema,
  lines: recipeBodySchema.shape.lines,
});
export type GlazeVersionRow = z.infer<typeof glazeVersionSchema>;

/** What may be written; what was kept before a rule was made is still read. */
export const recipeWriteBodySchema = recipeBodySchema.refine(({ coneLow, coneHigh }) => conesRise(coneLow, coneHigh), {
  message: CONES_FALL,
  path: ['coneHigh'],
});
export const recipeCreateSchema = z.strictObject({ id: idSchema, body: recipeWriteBodySchema });
export const recipeUpdateSchema = z.strictObject({
  version: versionSchema,
  reason: noteSchema.min(1, 'Say why it changed: in a year it is the first question.'),
  body: recipeWriteBodySchema,
});

/** Where a recipe is used, newest first. */
export const recipeUsesSchema = z.strictObject({
  batches: z.array(z.strictObject({ id: idSchema, at: timeSchema, number: z.int(), totalGrams: z.number(), bucketId: idSchema.nullable() })),
  buckets: z.array(z.strictObject({ id: idSchema, code: z.string(), name: nameSchema, number: z.int().nullable() })),
  results: z.array(z.strictObject({ id: idSchema, pieceName: z.string(), stars: z.int(), firedAt: timeSchema, number: z.int().nullable() })),
});
export type RecipeUses = z.infer<typeof recipeUsesSchema>;
/** Opening a jar: it becomes a small bucket of its own. */
export const jarOpenSchema = z.strictObject({ bucketId: idSchema, filledEventId: idSchema, at: timeSchema, by: nameSchema, versionId: idSchema });
