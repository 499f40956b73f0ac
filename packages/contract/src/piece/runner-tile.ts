import * as z from 'zod';
import { COOLINGS, isCone, SHELF_PLACES } from '@cazuela/core';
import { idSchema, nameSchema, noteSchema, timeSchema, versionSchema } from '../common/basics';

const coneSchema = z.string().refine(isCone, 'Cones run from 022 over 01 and 1 to 10; 06 and 6 are different cones.');

/** A glaze on a runner tile. How it melts is stored with it, because its bucket changes. */
export const runnerLayerSchema = z.strictObject({
  bucketId: idSchema,
  glazeId: idSchema,
  glazeName: nameSchema,
  coatMm: z.number().gt(0, 'A coat is more than 0 mm.').max(5, 'A coat over 5 mm falls off.'),
  /** Melted thickness of one mm of its coat. */
  meltsTo: z.number().gt(0).max(1),
});

export const runnerTileBodySchema = z.strictObject({
  /** Lower one first: one glaze for its own flow, two for how they run together. */
  layers: z.array(runnerLayerSchema).min(1, 'A runner tile needs a glaze.').max(2, 'A runner tile has one glaze, or two over one another.'),
  bandMm: z.number().gt(0, 'The band is more than 0 mm high.').max(300, 'A band is at most 300 mm high: check the unit.'),
  by: nameSchema,
  /** Of which clay it is; left out where nobody said. */
  bodyId: idSchema.optional(),
  /** To which it is meant to be fired. */
  wantedCone: coneSchema.optional(),
  firedAt: timeSchema.optional(),
  cone: coneSchema.optional(),
  holdMinutes: z.number().min(0).max(600).optional(),
  cooling: z.enum(Object.keys(COOLINGS) as [keyof typeof COOLINGS]).optional(),
  place: z.enum(Object.keys(SHELF_PLACES) as [keyof typeof SHELF_PLACES]).optional(),
  /** How far its lower edge came down. */
  runMm: z.number().min(0, 'A run is 0 mm or more.').max(400, 'A run over 400 mm left the tile: check the unit.').optional(),
  notes: noteSchema,
});
export type RunnerTileBody = z.infer<typeof runnerTileBodySchema>;
export const runnerTileSchema = z.strictObject({
  id: idSchema,
  version: versionSchema,
  code: z.string(),
  createdAt: timeSchema,
  body: runnerTileBodySchema,
});
export type RunnerTile = z.infer<typeof runnerTileSchema>;
export const runnerTileCreateSchema = z.strictObject({ id: idSchema, body: runnerTileBodySchema });
export const runnerTileUpdateSchema = z.strictObject({ version: versionSchema, body: runnerTileBodySchema });
