import * as z from 'zod';
import type { PiecePlan } from '@cazuela/core';
import { idSchema, nameSchema, noteSchema, timeSchema, versionSchema } from './basics';

const layerSchema = z.strictObject({
  id: idSchema,
  bucketId: idSchema,
  way: z.enum(['dip', 'pour', 'brush']),
  coatMm: z.number().gt(0, 'A coat is more than 0 mm.').max(5, 'A coat over 5 mm falls off.'),
});
const stackSchema = z.array(layerSchema).max(3, 'A zone has at most three coats.');
export const piecePlanSchema = z.strictObject({
  shapeId: z.string(),
  zones: z.strictObject({ inside: stackSchema, outside: stackSchema, rim: stackSchema, foot: stackSchema }),
  waxFootMm: z.number().min(0).max(500),
  rimBandMm: z.number().min(0).max(500),
  order: z.array(z.string()).max(40),
  rimFirst: z.boolean().optional(),
  gumIn: z.array(idSchema).max(20).optional(),
  putAside: z.array(z.strictObject({ rule: z.string(), reason: noteSchema })).max(40),
}) satisfies z.ZodType<PiecePlan>;

export const pieceBodySchema = z.strictObject({
  name: nameSchema,
  bodyId: idSchema,
  count: z.int().min(1, 'At least one piece.').max(500),
  plan: piecePlanSchema,
});
export type PieceBody = z.infer<typeof pieceBodySchema>;
export const pieceSchema = z.strictObject({ id: idSchema, version: versionSchema, body: pieceBodySchema, createdAt: timeSchema });
export type Piece = z.infer<typeof pieceSchema>;
export const pieceCreateSchema = z.strictObject({ id: idSchema, body: pieceBodySchema });
export const pieceUpdateSchema = z.strictObject({ version: versionSchema, body: pieceBodySchema });
