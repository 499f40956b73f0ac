import * as z from 'zod';
import { coneSchema, idSchema, nameSchema, noteSchema, sgSchema, timeSchema, versionSchema } from '../common/basics';

const coatSchema = z.number().gt(0, 'A coat is more than 0 mm.').max(5, 'A coat over 5 mm falls off.');

/** One strip of a step tile: as planned, as dipped and measured, and how it looks fired. */
export const tileStripSchema = z.strictObject({
  /** The measured dip gets the same id: sent twice, it counts once. */
  id: idSchema,
  wantedMm: coatSchema,
  expectedMm: coatSchema.optional(),
  seconds: z.number().min(0).max(600).optional(),
  depthMm: z.number().gt(0).max(2000),
  measuredMm: coatSchema.optional(),
  verdict: z.enum(['thin', 'right', 'thick']).optional(),
  words: z.string().max(300, 'A look has at most 300 characters.').optional(),
});
export type TileStrip = z.infer<typeof tileStripSchema>;

export const tileBodySchema = z.strictObject({
  bucketId: idSchema,
  glazeId: idSchema,
  glazeName: nameSchema,
  bodyId: idSchema,
  lotId: idSchema.optional(),
  by: nameSchema,
  method: z.enum(['inOneGo', 'dipOverDip']),
  highMm: z.number().gt(0, 'A tile is more than 0 mm high.').max(2000),
  sg: sgSchema,
  strips: z.array(tileStripSchema).min(1).max(8),
  dippedAt: timeSchema.optional(),
  firedAt: timeSchema.optional(),
  cone: coneSchema.optional(),
  notes: noteSchema,
});
export type TileBody = z.infer<typeof tileBodySchema>;
export const tileSchema = z.strictObject({ id: idSchema, version: versionSchema, code: z.string(), createdAt: timeSchema, body: tileBodySchema });
export type StepTile = z.infer<typeof tileSchema>;
export const tileCreateSchema = z.strictObject({ id: idSchema, body: tileBodySchema });
export const tileUpdateSchema = z.strictObject({ version: versionSchema, body: tileBodySchema });
