import * as z from 'zod';
import { FORM_LIMITS, type FormPoint, type Grip, type PieceForm } from '@cazuela/core';

const mmSchema = z
  .number()
  .min(0, 'A size cannot be less than 0.')
  .max(FORM_LIMITS.highMm, `A size is at most ${FORM_LIMITS.highMm} mm: check the unit.`);

const formPointSchema = z.strictObject({ radiusMm: mmSchema, heightMm: mmSchema, corner: z.boolean().optional() }) satisfies z.ZodType<FormPoint>;

const gripSchema = z.strictObject({
  kind: z.enum(['handle', 'lugs']),
  upperMm: mmSchema,
  lowerMm: mmSchema,
  outMm: mmSchema,
  widthMm: mmSchema,
  thickMm: mmSchema,
}) satisfies z.ZodType<Grip>;

/** A piece as it is drawn. The core says whether it can be made. */
export const pieceFormSchema = z.strictObject({
  points: z.array(formPointSchema).max(FORM_LIMITS.points, `A form has at most ${FORM_LIMITS.points} points.`),
  wallMm: mmSchema,
  floorMm: mmSchema,
  grip: gripSchema.optional(),
  holeMm: mmSchema.optional(),
  foot: z.enum(['flat', 'ring', 'flared']).optional(),
  slabMm: mmSchema.optional(),
}) satisfies z.ZodType<PieceForm>;
