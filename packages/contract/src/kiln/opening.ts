import * as z from 'zod';
import { FAULT_DEGREES, FIRED_FAULTS, type OpeningEvent, type SeenFault, type Verdict } from '@cazuela/core';
import { loadPieceIdSchema } from './load-piece-id';
import { coneSchema, countSchema, idSchema, LIMITS, nameSchema, noteSchema, timeSchema } from '../common/basics';

export const FAULTS = FIRED_FAULTS;
/** Where on a piece a fault is, and how bad. */
export const seenFaultSchema = z.strictObject({
  fault: z.enum(FAULTS),
  where: z.enum(['inside', 'outside', 'rim', 'foot']),
  degree: z.literal(FAULT_DEGREES).optional(),
  at: z.strictObject({ across: z.number().min(-2).max(2), up: z.number().min(-1).max(2) }).optional(),
}) satisfies z.ZodType<SeenFault>;

export const footSchema = z.enum(['clean', 'touched']);
export const ranMmSchema = z.number().min(0).max(500, 'A glaze runs at most 500 mm: check the unit.');
/** Photos of one piece. */
export const mostPhotos = 24;

export const verdictSchema = z.strictObject({
  stars: countSchema.min(1).max(5).optional(),
  faults: z.array(seenFaultSchema).max(20, 'A piece has at most 20 faults.').optional(),
  foot: footSchema.nullable().optional(),
  ranMm: ranMmSchema.nullable().optional(),
  note: noteSchema.optional(),
}) satisfies z.ZodType<Verdict>;

const head = { id: idSchema, at: timeSchema, by: nameSchema };
const pieceIds = z.array(loadPieceIdSchema).min(1, 'At least one piece is read.').max(LIMITS.dayPieces);

/** What is said of pieces when their kiln is opened. */
export const piecesReadSchema = z.strictObject({
  ...head,
  type: z.literal('piecesRead'),
  pieceIds,
  verdict: verdictSchema,
  coneReached: coneSchema,
  shelfId: idSchema.optional(),
}) satisfies z.ZodType<OpeningEvent>;
/** A tile is read where it comes out: a strip of a step tile, or how far a runner tile ran. */
export const tileReadSchema = z.strictObject({
  ...head,
  type: z.literal('tileRead'),
  tileId: idSchema,
  look: z.strictObject({ stripId: idSchema, verdict: z.enum(['thin', 'right', 'thick']).nullable() }).optional(),
  runMm: z.number().min(0, 'A run is 0 mm or more.').max(400, 'A run over 400 mm left the tile: check the unit.').nullable().optional(),
  coneReached: coneSchema,
}) satisfies z.ZodType<OpeningEvent>;
export const piecesPhotographedSchema = z.strictObject({
  ...head,
  type: z.literal('piecesPhotographed'),
  pieceIds,
  photoId: idSchema,
}) satisfies z.ZodType<OpeningEvent>;
