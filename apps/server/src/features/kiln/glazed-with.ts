import { placeWords, ZONES, type DayEvent } from '@cazuela/core';
import type { Result } from '@cazuela/contract';
import type { Context } from '../../context';
import { eventsOf } from '../events/append-events';

/**
 * Returns what was done to a piece, from the newest day it was on: bucket, its SG then, the planned coat, the seconds that were recorded. A piece
 * that was never on a day has its plan only.
 */
export async function glazedWith(context: Context, studioId: string, pieceId: string): Promise<Result['glazedWith']> {
  const buckets = await context.models.buckets.findAll({ where: { studioId }, attributes: ['id', 'code', 'name', 'contents', 'recipeId'] });
  // A plan made before its glaze was mixed names the recipe: it went into the bucket of that recipe.
  const bucketById = new Map([
    ...buckets.map((row) => row.get()).flatMap((row) => (row.recipeId && row.contents ? [[row.recipeId, row] as const] : [])),
    ...buckets.map((row) => [row.get().id, row.get()] as const),
  ]);
  const days = await context.models.days.findAll({ where: { studioId }, order: [['date', 'DESC']], limit: 60 });
  for (const row of days) {
    const day = row.get();
    const item = day.items.find((candidate) => candidate.pieceId === pieceId);
    if (!item) continue;
    const events = await eventsOf<DayEvent>(context, { studioId, stream: 'day', streamId: day.id });
    const undone = new Set(events.filter((event) => event.type === 'undone').map((event) => event.eventId));
    return item.steps.map((step) => {
      const done = events.find((event) => event.type === 'stepDone' && event.stepId === step.id && !undone.has(event.id)) as
        Extract<DayEvent, { type: 'stepDone' }> | undefined;
      const bucket = step.bucketId ? bucketById.get(step.bucketId) : undefined;
      return {
        words: step.words,
        bucketId: bucket?.id ?? step.bucketId ?? null,
        bucketName: step.bucketName ?? null,
        bucketCode: bucket?.code ?? null,
        sg: done?.sg ?? null,
        coatMm: step.coatMm ?? null,
        seconds: done?.seconds ?? step.seconds ?? null,
        ...(done?.seconds === undefined && step.seconds !== undefined ? { secondsPlanned: true } : {}),
        doneAt: done?.at ?? null,
      };
    });
  }
  const piece = await context.models.pieces.findOne({ where: { id: pieceId, studioId } });
  const plan = piece?.get().body.plan;
  if (!plan) return [];
  const places = [
    ...ZONES.map((zone) => [zone, plan.zones[zone]] as const),
    ...(plan.strips ?? []).map((strip) => [strip.id, strip.layers] as const),
  ];
  return places.flatMap(([place, layers]) =>
    layers.map((layer) => {
      const bucket = bucketById.get(layer.bucketId);
      const decoratingColour = plan.decoratingColours?.find((one) => one.id === layer.bucketId);
      const where = place === 'inside' ? 'the inside' : placeWords(place, plan);
      return {
        words: `${bucket?.name ?? decoratingColour?.name ?? 'Glaze'} on ${where}, planned`,
        bucketId: bucket?.id ?? null,
        bucketName: bucket?.name ?? decoratingColour?.name ?? null,
        bucketCode: bucket?.code ?? null,
        sg: bucket?.contents?.sg ?? null,
        coatMm: layer.coatMm,
        seconds: null,
        doneAt: null,
      };
    }),
  );
}
