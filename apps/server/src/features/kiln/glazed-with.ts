import type { Transaction } from 'sequelize';
import { benchRecord, dayStanding, placeWords, ZONES, type DayEvent, type DayItem, type DayStanding } from '@cazuela/core';
import type { Result } from '@cazuela/contract';
import type { Context } from '../../context';
import { eventsOf } from '../events/append-events';
import { bucketsOfSteps, type CoatSpan } from './buckets-of-steps';

type GlazedWith = Result['glazedWith'];
type BucketNames = ReadonlyMap<string, { id: string; code: string; name: string }>;

/**
 * Returns what was done to a lot of pots: bucket, its SG then, the coat that was planned, the seconds that were timed or typed. Without a lot nobody
 * knows what was done: the plan is told as a plan, and nothing is guessed by date.
 */
export async function glazedWith(
  context: Context,
  studioId: string,
  { pieceId, lotId }: { pieceId: string; lotId?: string | null | undefined },
  transaction: Transaction | null = null,
): Promise<GlazedWith> {
  const buckets = await bucketNames(context, studioId, transaction);
  if (!lotId) return plannedWith(context, studioId, { pieceId, buckets, transaction });
  const found = await lotOf(context, studioId, lotId, transaction);
  if (!found) return [];
  const { item, standing } = found;
  const bucketAt = await bucketsOfSteps(context, studioId, transaction);
  return Promise.all(
    item.steps.map(async (step) => {
      const coat = stepWith(step, standing, buckets);
      const record = benchRecord(item, standing, step.id);
      const bucket = await bucketAt(coat.bucketId, stepSpan(step, standing, item.count));
      return { ...coat, ...(record ? { record: { ...record, ...(bucket ? { bucket } : {}) } } : {}) };
    }),
  );
}

/** From when until when hands were at a step; undefined where it was not done. */
function stepSpan({ id, laborSeconds }: DayItem['steps'][number], { ended }: DayStanding, count: number): CoatSpan | undefined {
  const end = ended.get(id);
  if (!end || end.skipped) return undefined;
  const endedMs = Date.parse(end.at);
  return { endedMs, beganMs: Math.max(end.sinceMs, endedMs - count * laborSeconds * 1_000) };
}

/** The lot with this id, also one that was split off on its day. */
export async function lotOf(
  context: Context,
  studioId: string,
  lotId: string,
  transaction: Transaction | null = null,
): Promise<{ item: DayItem; standing: DayStanding } | undefined> {
  const days = await context.models.days.findAll({ where: { studioId }, order: [['date', 'DESC']], attributes: ['id', 'items'], transaction });
  const split = await context.models.benchEvents.findAll({ where: { studioId, stream: 'day' }, attributes: ['streamId', 'body'], transaction });
  const dayId = split.map((row) => row.get()).find(({ body }) => body.type === 'lotSplit' && body.newItemId === lotId)?.streamId;
  const day = days.map((row) => row.get()).find(({ id, items }) => id === dayId || items.some((item) => item.id === lotId));
  if (!day) return undefined;
  const standing = dayStanding({
    items: day.items,
    events: await eventsOf<DayEvent>(context, { studioId, stream: 'day', streamId: day.id }, transaction ?? undefined),
  });
  const item = standing.lots.find((lot) => lot.item.id === lotId)?.item;
  return item && { item, standing };
}

function stepWith(step: DayItem['steps'][number], { ended }: DayStanding, buckets: BucketNames): GlazedWith[number] {
  const end = ended.get(step.id);
  const done = end?.done;
  const bucket = step.bucketId ? buckets.get(step.bucketId) : undefined;
  return {
    words: end?.skipped ? `${step.words}: skipped` : step.words,
    bucketId: bucket?.id ?? step.bucketId ?? null,
    bucketName: step.bucketName ?? null,
    bucketCode: bucket?.code ?? null,
    sg: done?.sg ?? null,
    coatMm: step.coatMm ?? null,
    seconds: done?.seconds ?? step.seconds ?? null,
    ...(done?.seconds === undefined && step.seconds !== undefined ? { secondsPlanned: true } : {}),
    ...(done?.seconds !== undefined && step.seconds !== undefined ? { plannedSeconds: step.seconds } : {}),
    doneAt: end && done ? end.at : null,
  };
}

async function plannedWith(
  context: Context,
  studioId: string,
  { pieceId, buckets, transaction }: { pieceId: string; buckets: BucketNames; transaction: Transaction | null },
): Promise<GlazedWith> {
  const piece = await context.models.pieces.findOne({ where: { id: pieceId, studioId }, transaction });
  const plan = piece?.get().body.plan;
  if (!plan) return [];
  const places = [
    ...ZONES.map((zone) => [zone, plan.zones[zone]] as const),
    ...(plan.strips ?? []).map((strip) => [strip.id, strip.layers] as const),
  ];
  return places.flatMap(([place, layers]) =>
    layers.map((layer) => {
      const bucket = buckets.get(layer.bucketId);
      const decoratingColour = plan.decoratingColours?.find((one) => one.id === layer.bucketId);
      const where = place === 'inside' ? 'the inside' : placeWords(place, plan);
      return {
        words: `${bucket?.name ?? decoratingColour?.name ?? 'Glaze'} on ${where}, planned; what was done is not known`,
        bucketId: bucket?.id ?? null,
        bucketName: bucket?.name ?? decoratingColour?.name ?? null,
        bucketCode: bucket?.code ?? null,
        sg: null,
        coatMm: layer.coatMm,
        seconds: null,
        doneAt: null,
      };
    }),
  );
}

/** By id, and by the recipe of what is in them: a plan made before its glaze was mixed names the recipe. */
async function bucketNames(context: Context, studioId: string, transaction: Transaction | null): Promise<BucketNames> {
  const rows = await context.models.buckets.findAll({ where: { studioId }, attributes: ['id', 'code', 'name', 'contents', 'recipeId'], transaction });
  const all = rows.map((row) => row.get());
  return new Map([
    ...all.flatMap((row) => (row.recipeId && row.contents ? [[row.recipeId, row] as const] : [])),
    ...all.map((row) => [row.id, row] as const),
  ]);
}
