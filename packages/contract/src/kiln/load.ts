import * as z from 'zod';
import { KILN_SETTINGS, SHELF_SIDES, type LoadEvent, type LoadLot, type LoadLotChange, type LoadShelf, type StandingPiece } from '@cazuela/core';
import { loadPieceIdSchema } from './load-piece-id';
import { countSchema, gramsSchema, idSchema, LIMITS, nameSchema, timeSchema, versionSchema } from '../common/basics';

const sizeSchema = z.number().gt(0, 'A piece is more than 0 mm wide and high.').max(LIMITS.innerMm);
const placeMmSchema = z.number().min(-LIMITS.innerMm).max(LIMITS.innerMm);
const countOfLot = countSchema.min(1, 'At least one piece.').max(LIMITS.dayPieces, `A lot has at most ${LIMITS.dayPieces} pieces.`);
const MOST_SHELVES = 40;
const MOST_ON_SHELF = 400;

export const footprintSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('circle'), radiusMm: sizeSchema }),
  z.strictObject({ kind: z.literal('box'), widthMm: sizeSchema, depthMm: sizeSchema }),
]);
const wantsSchema = z.enum(['hot', 'cool']);

export const loadLotSchema = z.strictObject({
  id: idSchema,
  dayId: idSchema.optional(),
  itemId: idSchema.optional(),
  pieceId: idSchema.optional(),
  tileId: idSchema.optional(),
  name: nameSchema,
  code: z.string().trim().max(24, 'A code on a tag is short.').optional(),
  count: countOfLot,
  footprint: footprintSchema,
  heightMm: sizeSchema,
  grams: gramsSchema.optional(),
  setting: z.enum(KILN_SETTINGS).optional(),
  reachChance: z.number().min(0).max(1).optional(),
  wants: wantsSchema.optional(),
  onLotId: idSchema.optional(),
  isDry: z.boolean().optional(),
}) satisfies z.ZodType<LoadLot>;

export const standingPieceSchema = z.strictObject({
  pieceId: loadPieceIdSchema,
  xMm: placeMmSchema,
  yMm: placeMmSchema,
  isTurned: z.boolean(),
}) satisfies z.ZodType<StandingPiece>;

export const loadShelfSchema = z.strictObject({
  id: idSchema,
  side: z.enum(SHELF_SIDES).optional(),
  pieces: z.array(standingPieceSchema).max(MOST_ON_SHELF, `At most ${MOST_ON_SHELF} pieces stand on one shelf.`),
}) satisfies z.ZodType<LoadShelf>;

const lotChangeSchema = z.strictObject({
  count: countOfLot.optional(),
  setting: z.enum(KILN_SETTINGS).optional(),
  wants: wantsSchema.nullable().optional(),
  isDry: z.boolean().optional(),
  grams: gramsSchema.optional(),
  onLotId: idSchema.nullable().optional(),
}) satisfies z.ZodType<LoadLotChange>;

const head = { id: idSchema, at: timeSchema, by: nameSchema };

export const loadEventSchema = z.discriminatedUnion('type', [
  z.strictObject({ ...head, type: z.literal('lotAdded'), lot: loadLotSchema }),
  z.strictObject({ ...head, type: z.literal('lotRemoved'), lotId: idSchema }),
  z.strictObject({ ...head, type: z.literal('lotChanged'), lotId: idSchema, change: lotChangeSchema }),
  z.strictObject({ ...head, type: z.literal('placesSet'), shelves: z.array(loadShelfSchema).max(MOST_SHELVES) }),
  z.strictObject({ ...head, type: z.literal('pieceMoved'), shelfId: idSchema, ...standingPieceSchema.shape }),
  z.strictObject({ ...head, type: z.literal('pieceTakenOut'), pieceId: loadPieceIdSchema }),
  z.strictObject({ ...head, type: z.literal('shelfAdded'), shelfId: idSchema, side: z.enum(SHELF_SIDES).optional() }),
  z.strictObject({ ...head, type: z.literal('shelfRemoved'), shelfId: idSchema }),
  z.strictObject({ ...head, type: z.literal('shelvesOrdered'), shelfIds: z.array(idSchema).max(MOST_SHELVES) }),
  z.strictObject({ ...head, type: z.literal('fired'), firingId: idSchema }),
  z.strictObject({ ...head, type: z.literal('undone'), eventId: idSchema }),
]) satisfies z.ZodType<LoadEvent>;

/** A load of a kiln: what stands where, from its events. */
export const loadSchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  kilnId: idSchema,
  events: z.array(loadEventSchema),
  createdAt: timeSchema,
});
export type Load = z.infer<typeof loadSchema>;
export const loadCreateSchema = z.strictObject({ id: idSchema, kilnId: idSchema });
/** It goes into another kiln. */
export const loadUpdateSchema = z.strictObject({ version: versionSchema, kilnId: idSchema });
