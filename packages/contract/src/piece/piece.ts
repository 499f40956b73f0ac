import * as z from 'zod';
import {
  COOLINGS,
  isCone,
  KILN_SETTINGS,
  MOST_LAYERS,
  MOST_MASKS,
  MOST_PARTS,
  MOST_STRIPS,
  planFault,
  SHELF_PLACES,
  COATING_KINDS,
  PLAN_CHANGES,
  APPLICATION_METHODS,
  type Cooling,
  type EdgeLine,
  type Keeper,
  type PiecePart,
  type PiecePlan,
  type ShelfPlace,
  type Texture,
  type Variations,
} from '@cazuela/core';
import { colourSchema, countSchema, idSchema, nameSchema, noteSchema, sgSchema, timeSchema, versionSchema } from '../common/basics';
import { pieceFormSchema } from './piece-form';

/** More than any plan within these limits can have. */
const MOST_STEPS = 60;
const heightSchema = z.number().min(0, 'A height cannot be less than 0.').max(1200, 'A height is at most 1200 mm: check the unit.');
const layerSchema = z.strictObject({
  id: idSchema,
  bucketId: idSchema,
  method: z.enum(APPLICATION_METHODS),
  coatMm: z.number().gt(0, 'A coat is more than 0 mm.').max(5, 'A coat over 5 mm falls off.'),
  coatingKind: z.enum(COATING_KINDS).optional(),
});
const stackSchema = z.array(layerSchema).max(MOST_LAYERS, `A zone has at most ${MOST_LAYERS} coats.`);
const riseSchema = z.number().min(0).max(300, 'An edge rises at most 300 mm.');
const edgeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('straight') }),
  z.strictObject({ kind: z.literal('slanted'), riseMm: riseSchema }),
  z.strictObject({ kind: z.literal('waving'), riseMm: riseSchema, waves: countSchema.min(1).max(24, 'At most 24 waves go round.') }),
]) satisfies z.ZodType<EdgeLine>;
const shareSchema = z.number().min(0).max(1);
const turnSchema = z.strictObject({ from: shareSchema, to: shareSchema });
const depthSchema = z.number().gt(0).max(20, 'A texture is at most 20 mm deep.');
export const textureSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('smooth') }),
  z.strictObject({ kind: z.enum(['grooves', 'carved', 'trailed']), depthMm: depthSchema }),
  z.strictObject({ kind: z.literal('flutes'), pitchMm: z.number().gt(0).max(100), valleyMm: z.number().gt(0).max(100) }),
]) satisfies z.ZodType<Texture>;
const stripSchema = z.strictObject({
  id: idSchema,
  fromMm: heightSchema,
  toMm: heightSchema,
  turn: turnSchema.optional(),
  edge: edgeSchema.optional(),
  texture: textureSchema.optional(),
  layers: stackSchema,
  first: z.boolean().optional(),
  under: z.boolean().optional(),
  face: z.literal('inside').optional(),
  on: z.literal('handle').optional(),
  linesShare: z.number().gt(0).lt(1, 'Lines take part of a place, not all of it.').optional(),
  fromRim: z.boolean().optional(),
});
const maskSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(['wax', 'tape', 'scrape', 'sponge']),
  where: z.enum(['hole', 'handle', 'band', 'panel']),
  fromMm: heightSchema,
  toMm: heightSchema,
  turn: turnSchema.optional(),
  face: z.literal('inside').optional(),
  linesShare: z.number().gt(0).lt(1, 'Lines take part of a band, not all of it.').optional(),
  ringMm: z.number().gt(0).max(100, 'A ring is at most 100 mm wide.').optional(),
  overLayerId: idSchema.optional(),
});
const decoratingColourSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  colour: colourSchema,
  coatingKind: z.enum(['slip', 'underglaze', 'stain', 'lustre']),
  shrinkagePercent: z.number().min(0).max(30, 'No slip shrinks by more than 30 %.').optional(),
  colourant: z.enum(['chromeGreen', 'chromeTinPink', 'encapsulated', 'other']).optional(),
});
/** From the last coat until it is loaded. */
export const dryHoursSchema = z
  .number()
  .min(1, 'At least an hour.')
  .max(14 * 24, 'At most two weeks.');
const coneSchema = z.string().refine(isCone, 'Cones run from 022 over 01 and 1 to 10; 06 and 6 are different cones.');

export const piecePlanSchema = z
  .strictObject({
    shapeId: z.string().max(40),
    form: pieceFormSchema.optional(),
    zones: z.strictObject({ inside: stackSchema, outside: stackSchema, rim: stackSchema, foot: stackSchema }),
    strips: z.array(stripSchema).max(MOST_STRIPS, `A piece has at most ${MOST_STRIPS} strips and panels.`).optional(),
    masks: z.array(maskSchema).max(MOST_MASKS, `A piece has at most ${MOST_MASKS} masks.`).optional(),
    decoratingColours: z.array(decoratingColourSchema).max(12, 'A plan names at most 12 small pots.').optional(),
    waxFootMm: heightSchema,
    footBy: z.enum(['wax', 'soak', 'tape', 'sponge']).optional(),
    rimBandMm: heightSchema,
    edges: z.strictObject({ wax: edgeSchema.optional(), rim: edgeSchema.optional() }).optional(),
    textures: z.strictObject({ inside: textureSchema.optional(), outside: textureSchema.optional(), rim: textureSchema.optional() }).optional(),
    setting: z.enum(KILN_SETTINGS).optional(),
    lid: z.boolean().optional(),
    refire: z.boolean().optional(),
    fired: z.strictObject({ inside: stackSchema.optional(), outside: stackSchema.optional(), rim: stackSchema.optional() }).optional(),
    cone: coneSchema.optional(),
    firing: z
      .strictObject({
        holdMinutes: z.number().min(0).max(600, 'A hold lasts between 0 and 600 minutes.').optional(),
        cooling: z.enum(Object.keys(COOLINGS) as [Cooling]).optional(),
        place: z.enum(Object.keys(SHELF_PLACES) as [ShelfPlace]).optional(),
        kilnId: idSchema.optional(),
        shelfId: idSchema.optional(),
        placeCelsius: z.number().min(-100).max(100).optional(),
      })
      .optional(),
    dryHours: dryHoursSchema.optional(),
    order: z.array(z.string().max(200)).max(MOST_STEPS, `A plan has at most ${MOST_STEPS} steps: take some coats or masks off.`),
    pins: z
      .array(z.strictObject({ before: z.string().max(200), after: z.string().max(200) }))
      .max(40, 'At most 40 steps can be pinned.')
      .optional(),
    unwanted: z
      .strictObject({
        changes: z.array(z.enum(PLAN_CHANGES)).max(PLAN_CHANGES.length).optional(),
        steps: z
          .array(z.strictObject({ key: z.string().max(200), by: z.string().max(20) }))
          .max(20, 'At most 20 steps can be left out.')
          .optional(),
      })
      .optional(),
    rimFirst: z.boolean().optional(),
    gumIn: z.array(idSchema).max(20, 'Gum goes into at most 20 buckets.').optional(),
    thinned: z
      .array(z.strictObject({ bucketId: idSchema, sg: sgSchema }))
      .max(20, 'At most 20 buckets are thinned for a plan.')
      .optional(),
    versions: z
      .array(z.strictObject({ bucketId: idSchema, recipeVersionId: idSchema, number: z.int().min(1) }))
      .max(40, 'A plan keeps the recipes of at most 40 buckets.')
      .optional(),
    putAside: z
      .array(
        z.strictObject({
          rule: z.string().max(60),
          reason: noteSchema,
          severity: z.enum(['stop', 'look']).optional(),
          badness: z.number().optional(),
        }),
      )
      .max(40, 'At most 40 warnings can be put aside.'),
  })
  .superRefine((plan, context) => {
    const fault = planFault(plan);
    if (fault) context.addIssue({ code: 'custom', message: fault });
  }) satisfies z.ZodType<PiecePlan>;

/** A set no two of which are alike, with the rule that made it. */
export const variationsSchema = z.strictObject({
  rule: z.strictObject({ palette: z.array(idSchema).min(1).max(20), places: z.array(z.string().max(60)).min(1).max(10) }),
  pieces: z.array(z.strictObject({ buckets: z.record(z.string().max(60), idSchema) })).max(60),
}) satisfies z.ZodType<Variations>;

const partSchema = z.strictObject({ id: idSchema, name: nameSchema, plan: piecePlanSchema }) satisfies z.ZodType<PiecePart>;

/** A plan that was kept because it came out well, with all that has to be the same for it to do so again. */
export const keeperSchema = z.strictObject({
  resultId: idSchema,
  glazedAt: timeSchema,
  coneReached: coneSchema,
  glazes: z
    .array(
      z.strictObject({
        bucketId: idSchema,
        glazeId: idSchema,
        name: nameSchema,
        recipeVersion: z.int().min(1).optional(),
        sg: sgSchema.optional(),
        coatMm: z.number().min(0).max(20, 'A coat over 20 mm falls off.').optional(),
        seconds: z
          .number()
          .min(0)
          .max(24 * 3600)
          .optional(),
        secondsPlanned: z.literal(true).optional(),
      }),
    )
    .max(20),
  clayLotId: idSchema.optional(),
  kilnId: idSchema.optional(),
  shelfId: idSchema.optional(),
}) satisfies z.ZodType<Keeper>;

export const pieceBodySchema = z.strictObject({
  name: nameSchema,
  bodyId: idSchema,
  /** Its bisque lot; the body's newest when left out. */
  lotId: idSchema.optional(),
  count: countSchema.min(1, 'At least one piece.').max(500),
  plan: piecePlanSchema,
  variations: variationsSchema.optional(),
  /** Lid, saucer: one of each for every piece. */
  /** Left out of plans that are no keepers. */
  keeper: keeperSchema.optional(),
  parts: z.array(partSchema).min(1).max(MOST_PARTS, `A piece has at most ${MOST_PARTS} parts beside itself.`).optional(),
});
export type PieceBody = z.infer<typeof pieceBodySchema>;
export const pieceSchema = z.strictObject({ id: idSchema, version: versionSchema, body: pieceBodySchema, createdAt: timeSchema });
export type Piece = z.infer<typeof pieceSchema>;
export const pieceCreateSchema = z.strictObject({ id: idSchema, body: pieceBodySchema });
export const pieceUpdateSchema = z.strictObject({ version: versionSchema, body: pieceBodySchema });
