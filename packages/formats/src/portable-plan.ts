import * as z from 'zod';
import { withLayers, type Layer, type PiecePlan } from '@cazuela/core';
import {
  colourSchema,
  idSchema,
  LIMITS,
  nameSchema,
  pieceBodySchema,
  piecePlanSchema,
  timeSchema,
  variationsSchema,
  type PieceBody,
} from '@cazuela/contract';

/** A piece plan as a file of its own. */
export const PLAN_FORMAT_NAME = 'cazuela-plan';
export const PLAN_FORMAT_VERSION = 2;
/** Fields that had another name in version 1: old name, new name. */
const RENAMED_IN_2: ReadonlyMap<string, string> = new Map([
  ['stuff', 'coatingKind'],
  ['pots', 'decoratingColours'],
  ['way', 'method'],
]);

/** Between studios a glaze is known by its name; `ref` is what the plan calls it inside this file. */
const planGlazeSchema = z.strictObject({
  ref: idSchema,
  name: nameSchema,
  colour: colourSchema,
  recipe: nameSchema.optional(),
  recipeVersion: z.int().min(1).optional(),
});

export const planFileSchema = z
  .strictObject({
    format: z.literal(PLAN_FORMAT_NAME),
    version: z.literal(PLAN_FORMAT_VERSION),
    studio: z.string().max(200),
    writtenAt: timeSchema,
    name: nameSchema,
    count: pieceBodySchema.shape.count,
    clay: nameSchema,
    glazes: z.array(planGlazeSchema).max(LIMITS.linesInRecipe),
    plan: piecePlanSchema,
    variations: variationsSchema.optional(),
    parts: pieceBodySchema.shape.parts,
  })
  .superRefine((file, context) => {
    const known = new Set([
      ...file.glazes.map((glaze) => glaze.ref),
      ...plansOf(file).flatMap((plan) => (plan.decoratingColours ?? []).map((decoratingColour) => decoratingColour.id)),
    ]);
    const missing = plansOf(file)
      .flatMap((plan) => [...refsOf(plan)])
      .find((ref) => !known.has(ref));
    if (missing) context.addIssue({ code: 'custom', message: `A coat is of a glaze that the file does not name (${missing}).`, path: ['glazes'] });
  });
export type PlanFile = z.infer<typeof planFileSchema>;
export type PlanGlaze = z.infer<typeof planGlazeSchema>;

/**
 * Returns a piece as a file. The glazes it uses are named in it; what belongs to this studio alone is left out.
 *
 * @param piece - its `body`, the name of its `clay`, `glazes` of the studio, name of the `studio`, and `now`, UTC, ISO 8601
 * @example
 * planToFile({ body: { name: 'Cup', count: 1, plan: { shapeId: 'cup', zones: {} } }, clay: 'Clay', glazes: [], studio: 'Studio', now: '2026-03-01T09:00:00.000Z' }).version
 * // 2
 */
export function planToFile({
  body,
  clay,
  glazes,
  studio,
  now,
}: {
  body: PieceBody;
  clay: string;
  glazes: readonly PlanGlaze[];
  studio: string;
  now: string;
}): PlanFile {
  const used = new Set(plansOf(body).flatMap((plan) => [...refsOf(plan)]));
  for (const id of body.variations?.rule.palette ?? []) used.add(id);
  return {
    format: PLAN_FORMAT_NAME,
    version: PLAN_FORMAT_VERSION,
    studio,
    writtenAt: now,
    name: body.name,
    count: body.count,
    clay,
    glazes: glazes.filter((glaze) => used.has(glaze.ref)),
    plan: withoutVersions(body.plan),
    ...(body.variations ? { variations: body.variations } : {}),
    ...(body.parts ? { parts: body.parts.map((part) => ({ ...part, plan: withoutVersions(part.plan) })) } : {}),
  };
}

export type ReadPlan = { kind: 'ok'; file: PlanFile } | { kind: 'refused'; message: string };

/**
 * Returns the plan in a file, or a sentence why it cannot be read. Nothing is guessed.
 *
 * @param text - the file
 * @example
 * readPlanFile('no JSON').kind // 'refused'
 */
export function readPlanFile(text: string): ReadPlan {
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch {
    return { kind: 'refused', message: 'This is no JSON file: choose a plan that was written here.' };
  }
  if (typeof raw !== 'object' || raw === null || !('format' in raw) || raw.format !== PLAN_FORMAT_NAME)
    return { kind: 'refused', message: 'This file holds no piece plan: its “format” is not “cazuela-plan”. Recipes come in on the files page.' };
  if (!('version' in raw) || (raw.version !== 1 && raw.version !== PLAN_FORMAT_VERSION))
    return {
      kind: 'refused',
      message: `This plan was written by another version of the format; versions 1 and ${PLAN_FORMAT_VERSION} are read here.`,
    };
  const read = planFileSchema.safeParse(raw.version === 1 ? { ...(withNewNames(raw) as object), version: PLAN_FORMAT_VERSION } : raw);
  if (read.success) return { kind: 'ok', file: read.data };
  const [issue] = read.error.issues;
  return { kind: 'refused', message: `At “${issue!.path.join(' › ') || 'the plan'}”: ${issue!.message}` };
}

/** A value of a version 1 file with the field names of version 2, at every depth. */
function withNewNames(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withNewNames);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [RENAMED_IN_2.get(key) ?? key, withNewNames(one)]));
}

/**
 * Returns the piece that a file becomes in a studio, once every glaze of it has a bucket there.
 *
 * @param file - from `readPlanFile`
 * @param studio - `bodyId` of the clay; `buckets` by the `ref` of a glaze
 * @example
 * pieceFromFile({ name: 'Cup', count: 1, plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] } }, { bodyId: 'clay', buckets: new Map([['ash', 'B1']]) }).plan.zones.outside[0].bucketId
 * // 'B1'
 */
export function pieceFromFile(file: PlanFile, { bodyId, buckets }: { bodyId: string; buckets: ReadonlyMap<string, string> }): PieceBody {
  const here = (ref: string): string => buckets.get(ref) ?? ref;
  const { variations, parts } = file;
  return {
    name: file.name,
    bodyId,
    count: file.count,
    plan: planHere(file.plan, here),
    ...(parts ? { parts: parts.map((part) => ({ ...part, plan: planHere(part.plan, here) })) } : {}),
    ...(variations
      ? {
          variations: {
            rule: { ...variations.rule, palette: variations.rule.palette.map(here) },
            pieces: variations.pieces.map((piece) => ({
              buckets: Object.fromEntries(Object.entries(piece.buckets).map(([place, ref]) => [place, here(ref)])),
            })),
          },
        }
      : {}),
  };
}

/** A plan with the buckets of this studio in place of the glazes a file names. */
function planHere(filed: PiecePlan, here: (ref: string) => string): PiecePlan {
  const mapped = (layers: readonly Layer[]): Layer[] => layers.map((layer) => ({ ...layer, bucketId: here(layer.bucketId) }));
  const { gumIn, thinned, fired, ...plan } = withLayers(filed, (layer) => ({ ...layer, bucketId: here(layer.bucketId) }));
  const firedHere = fired && Object.fromEntries(Object.entries(fired).map(([place, layers]) => [place, mapped(layers)]));
  return {
    ...plan,
    ...(gumIn ? { gumIn: gumIn.map(here) } : {}),
    ...(thinned ? { thinned: thinned.map((one) => ({ ...one, bucketId: here(one.bucketId) })) } : {}),
    ...(firedHere ? { fired: firedHere } : {}),
  };
}

function withoutVersions({ versions: _versions, ...plan }: PiecePlan): PiecePlan {
  return plan;
}

const plansOf = ({ plan, parts = [] }: Pick<PieceBody, 'plan' | 'parts'>): PiecePlan[] => [plan, ...parts.map((part) => part.plan)];

const refsOf = ({ zones, strips = [], fired = {} }: PiecePlan): Set<string> =>
  new Set(
    [...Object.values(zones).flat(), ...Object.values(fired).flat(), ...strips.flatMap((strip) => strip.layers)].map((layer) => layer.bucketId),
  );
