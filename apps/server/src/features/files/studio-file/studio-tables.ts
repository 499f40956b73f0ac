import * as z from 'zod';
import {
  batchCreateSchema,
  batchPlanSchema,
  benchEventSchema,
  bodyBodySchema,
  bucketBodySchema,
  bucketContentsSchema,
  coatDipBodySchema,
  coatWindowSchema,
  dayItemSchema,
  dayPlanningSchema,
  firingBodySchema,
  firingPointSchema,
  idSchema,
  kilnBodySchema,
  nameSchema,
  noteSchema,
  photoColoursSchema,
  pieceBodySchema,
  powderBodySchema,
  RECORD_KINDS,
  recipeBodySchema,
  resultBodySchema,
  resultChangeBodySchema,
  resultSchema,
  runnerTileBodySchema,
  scheduleBodySchema,
  scheduleSchema,
  seriesBodySchema,
  stockMoveSchema,
  studioBodySchema,
  tileBodySchema,
  timeSchema,
  versionSchema,
} from '@cazuela/contract';
import type { Models } from '../../../db/models';

const version = versionSchema;
const id = idSchema;
const time = timeSchema;
const code = z.string().max(12);
const figure = z.number();
const { name: _ofPowder, ...powderShape } = powderBodySchema.shape;
const { name: _ofBody, ...clayShape } = bodyBodySchema.shape;

/** What one row of each table holds in a file of a whole studio: as in the records, without the studio it belongs to. */
const ROWS = {
  powders: z.strictObject({ id, version, name: nameSchema, body: z.strictObject(powderShape) }),
  stockMoves: z.strictObject({ id, powderId: id, deltaGrams: figure, body: stockMoveSchema }),
  bodies: z.strictObject({ id, version, name: nameSchema, body: z.strictObject(clayShape) }),
  recipes: z.strictObject({ id, version, name: nameSchema, createdAt: time }),
  recipeVersions: z.strictObject({ id, recipeId: id, number: version, reason: noteSchema, body: recipeBodySchema, changedAt: time }),
  buckets: z.strictObject({
    id,
    code,
    version,
    name: nameSchema,
    body: bucketBodySchema,
    recipeId: id.nullable(),
    recipeVersionId: id.nullable(),
    contents: bucketContentsSchema.nullable(),
    createdAt: time,
  }),
  batches: z.strictObject({
    id,
    recipeId: id,
    recipeVersionId: id,
    question: batchCreateSchema.omit({ id: true, recipeVersionId: true }),
    plan: batchPlanSchema,
    bucketId: id.nullable(),
    linesDone: z.int().min(0),
    lastAt: time.nullable(),
    lastBy: nameSchema.nullable(),
    setAside: z.boolean(),
    createdAt: time,
  }),
  series: z.strictObject({ id, version, code, body: seriesBodySchema, createdAt: time, doneAt: time.nullable() }),
  powderUses: z.strictObject({ what: z.enum(['batch', 'bucket', 'series']), whatId: id, powderId: id, grams: figure }),
  coatDips: z.strictObject({ id, version, body: coatDipBodySchema, createdAt: time }),
  coatWindows: coatWindowSchema,
  tiles: z.strictObject({ id, version, code, body: tileBodySchema, createdAt: time }),
  runnerTiles: z.strictObject({ id, version, code, body: runnerTileBodySchema, createdAt: time }),
  pieces: z.strictObject({ id, version, name: nameSchema, clayBodyId: id, body: pieceBodySchema, createdAt: time }),
  days: z.strictObject({
    id,
    version,
    date: z.iso.date(),
    items: z.array(dayItemSchema),
    planning: dayPlanningSchema.nullable(),
    createdAt: time,
  }),
  kilns: z.strictObject({ id, version, name: nameSchema, body: kilnBodySchema }),
  schedules: z.strictObject({ id, version, name: nameSchema, body: scheduleBodySchema, earlier: scheduleSchema.shape.earlier }),
  loads: z.strictObject({ id, version, kilnId: id, createdAt: time }),
  firings: z.strictObject({ id, version, startedAt: time, body: firingBodySchema }),
  firingLogs: z.strictObject({
    firingId: id,
    kilnId: id.nullable(),
    source: z.string().max(12),
    beganAt: time,
    endedAt: time.nullable(),
    readings: z.int().min(0),
    curve: z.strictObject({
      points: z.array(firingPointSchema).max(10_000),
      fullPowerHours: figure,
      dropped: z.int().min(0),
      settled: z.strictObject({ seconds: figure, points: z.int(), fullPowerHours: figure, dropped: z.int() }),
    }),
  }),
  kilnReadings: z.strictObject({ firingId: id, seconds: figure, celsius: figure, setCelsius: figure.nullable(), share: figure.nullable() }),
  photos: z.strictObject({
    id,
    firingId: id.nullable(),
    width: z.int().min(1),
    height: z.int().min(1),
    colours: photoColoursSchema.shape.colours.nullable(),
    gains: photoColoursSchema.shape.gains,
    createdAt: time,
  }),
  results: z.strictObject({
    id,
    version,
    pieceId: id,
    firingId: id,
    photoId: id.nullable(),
    body: resultBodySchema,
    glazedWith: resultSchema.shape.glazedWith,
    createdAt: time,
  }),
  resultChanges: z.strictObject({ id, body: resultChangeBodySchema, madeAt: time }),
  benchEvents: z.strictObject({ id, stream: z.string().max(12), streamId: id, body: z.looseObject({ id, type: z.string() }), receivedAt: time }),
  putAway: z.strictObject({ kind: z.enum(RECORD_KINDS), recordId: id, at: time, by: nameSchema }),
} as const satisfies Partial<Record<keyof Models, z.ZodType>>;

export type StudioTable = keyof typeof ROWS;
/** In an order in which each row finds those that it points to. */
export const STUDIO_TABLES = Object.keys(ROWS) as StudioTable[];
/** How many rows a table of a file may have: more than any studio writes in a working life. */
const MOST_ROWS = 500_000;

const tables = Object.fromEntries(Object.entries(ROWS).map(([name, row]) => [name, z.array(row).max(MOST_ROWS)])) as {
  [Table in StudioTable]: z.ZodArray<(typeof ROWS)[Table]>;
};

export const STUDIO_FORMAT = 'cazuela-studio';
/** `studio.json` in the zip of a whole studio. Photos lie beside it: `photos/<id>.jpg`. */
export const studioFileSchema = z.strictObject({
  format: z.literal(STUDIO_FORMAT),
  version: z.literal(1),
  writtenAt: time,
  studio: studioBodySchema,
  tables: z.strictObject(tables),
});
export type StudioFile = z.infer<typeof studioFileSchema>;

/** Events are checked as they are sent: in the stream that they belong to. */
export function eventFault({ stream, streamId, body }: { stream: string; streamId: string; body: unknown }): string | undefined {
  const checked = benchEventSchema.safeParse({ stream, streamId, event: body });
  return checked.success ? undefined : checked.error.issues[0]?.message;
}
