import * as z from 'zod';
import { MOLAR_MASS, type Powder } from '@cazuela/core';
import { gramsSchema, idSchema, nameSchema, noteSchema, timeSchema, versionSchema } from '../common/basics';

/** Roles of the generic table; a studio may write its own. */
export const POWDER_ROLES = ['flux', 'glass former', 'clay', 'opacifier', 'colourant', 'suspender', 'deflocculant', 'binder', 'base'] as const;

/** Oxides with a molar mass, and the rest. An oxide gained in firing counts over 100. */
const oxideNames = [...Object.keys(MOLAR_MASS), 'other'] as unknown as [string, ...string[]];
export const oxidesSchema = z.partialRecord(
  z.enum(oxideNames),
  z.number().min(0, 'An oxide cannot be less than 0 %.').max(200),
) as unknown as z.ZodType<Record<string, number>>;

export const powderBodySchema = z.strictObject({
  name: nameSchema,
  role: nameSchema,
  densityGMl: z.number().gt(1, 'A powder sinks: its density is above 1 g/mL.').max(12, 'No powder here is denser than 12 g/mL.'),
  rawClay: z.number().min(0).max(20),
  shrinkWeight: z.number().min(0).max(20),
  oxides: oxidesSchema,
  loiPercent: z.number().min(-100).max(100),
  sieveMesh: z.number().optional(),
  hazards: z.array(z.string().trim().min(1).max(200)).max(20),
  /** What else it is called here. */
  aliases: z.array(nameSchema).max(20, 'Twenty further names are the most.').optional(),
  /** In the currency of the studio; left out when it is not known. */
  pricePerKg: z.number().min(0, 'A price cannot be less than 0.').max(100_000).optional(),
  /** Below this the shelf is marked low. */
  lowGrams: gramsSchema.optional(),
});
export type PowderBody = z.infer<typeof powderBodySchema>;

export const powderSchema = powderBodySchema.extend({
  id: idSchema,
  version: versionSchema,
  /** On the shelf now; left out when it was never counted. */
  stockGrams: z.number().optional(),
}) satisfies z.ZodType<Powder>;
export type StudioPowder = z.infer<typeof powderSchema>;

export const powderCreateSchema = z.strictObject({ id: idSchema, body: powderBodySchema });
export const powderUpdateSchema = z.strictObject({ version: versionSchema, body: powderBodySchema });

export const STOCK_MOVES = ['received', 'counted', 'thrownOut'] as const;
export const stockMoveSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(STOCK_MOVES),
  /** What was received or thrown out; what is there when it was counted. */
  grams: gramsSchema,
  at: timeSchema,
  by: nameSchema,
  lot: noteSchema,
});
export type StockMove = z.infer<typeof stockMoveSchema>;
export const powderUseSchema = z.strictObject({
  what: z.enum(['batch', 'bucket', 'series']),
  id: idSchema,
  name: z.string(),
  grams: z.number(),
});
export const powderMovesSchema = z.strictObject({ moves: z.array(stockMoveSchema), uses: z.array(powderUseSchema) });
export type PowderMoves = z.infer<typeof powderMovesSchema>;
