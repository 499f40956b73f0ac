import { v5 as uuidFrom } from 'uuid';
import type { Transaction } from 'sequelize';
import { dayStanding, standingEvents, type BucketEvent, type DayEvent, type DayStanding } from '@cazuela/core';
import type { Context } from '../../context';
import type { Stream } from '../../db/lock-streams';
import { appendToStream, eventsOf } from '../events/append-events';

/** Least that is booked, mL: a brush full is not. */
const LEAST_ML = 1;

/** The buckets that ticks of a day can take glaze from, as streams to be locked with it. */
export async function bookedBuckets(context: Context, target: Stream, transaction: Transaction): Promise<Stream[]> {
  const day = await context.models.days.findOne({ where: { id: target.streamId, studioId: target.studioId }, transaction });
  const steps = (day?.get().items ?? []).flatMap((item) => item.steps);
  const buckets = await bucketsBy(context, target.studioId, transaction);
  const ids = new Set(steps.flatMap(({ bucketId, glazeMl }) => (bucketId && glazeMl ? (buckets.get(bucketId) ?? []) : [])));
  return [...ids].map((streamId) => ({ studioId: target.studioId, stream: 'bucket', streamId }));
}

/**
 * Takes the glaze of new ticks out of their buckets' books, and puts it back for ticks that were taken back, in the transaction of the ticks: what
 * is ticked is booked, once, whoever sends it how often.
 */
export async function bookTicks(context: Context, target: Stream, fresh: readonly DayEvent[], transaction: Transaction): Promise<void> {
  if (fresh.length === 0) return;
  const day = await context.models.days.findOne({ where: { id: target.streamId, studioId: target.studioId }, transaction });
  if (!day) return;
  const { items } = day.get();
  const events = await eventsOf<DayEvent>(context, target, transaction);
  const freshIds = new Set(fresh.map(({ id }) => id));
  const before = ticksOf(dayStanding({ items, events: events.filter(({ id }) => !freshIds.has(id)) }));
  const after = ticksOf(dayStanding({ items, events }));
  const last = fresh.at(-1)!;
  const buckets = await bucketsBy(context, target.studioId, transaction);
  const append = (bucketId: string, event: BucketEvent): Promise<unknown> =>
    appendToStream(context, { studioId: target.studioId, stream: 'bucket', streamId: bucketId }, [event], transaction);
  for (const [tickId, booking] of after) {
    const bucketId = buckets.get(booking.bucketId);
    if (before.has(tickId) || !bucketId || booking.millilitres < LEAST_ML) continue;
    // One tick is booked anew when its undoing is taken back: each time under an id of its own.
    const id = uuidFrom(`glaze ${tickId}`, last.id);
    const millilitres = Number(booking.millilitres.toFixed(1));
    await append(bucketId, { id, at: booking.at, by: booking.by, type: 'glazeTaken', millilitres, reason: 'dips', tickId });
  }
  for (const [tickId, booking] of before) {
    const bucketId = buckets.get(booking.bucketId);
    if (after.has(tickId) || !bucketId) continue;
    const there = standingEvents(
      await eventsOf<BucketEvent>(context, { studioId: target.studioId, stream: 'bucket', streamId: bucketId }, transaction),
    );
    const booked = there.find((event) => event.type === 'glazeTaken' && event.tickId === tickId);
    if (booked) await append(bucketId, { id: uuidFrom(`back ${tickId}`, last.id), at: last.at, by: last.by, type: 'undone', eventId: booked.id });
  }
}

interface Booking {
  bucketId: string;
  millilitres: number;
  at: string;
  by: string;
}

/** What each booking that counts took, by the id of its event. A lot that was split was ticked once. */
function ticksOf({ lots, ended }: DayStanding): Map<string, Booking> {
  const ticks = new Map<string, Booking>();
  for (const { item } of lots)
    for (const { id, bucketId, glazeMl } of item.steps) {
      const end = ended.get(id);
      if (!end || end.skipped || !bucketId || !glazeMl) continue;
      const millilitres = (ticks.get(end.eventId)?.millilitres ?? 0) + glazeMl * item.count;
      ticks.set(end.eventId, { bucketId, millilitres, at: end.at, by: end.by });
    }
  return ticks;
}

/** Buckets by their id, and by the recipe of what is in them: a plan made before its glaze was mixed names the recipe. */
async function bucketsBy(context: Context, studioId: string, transaction: Transaction): Promise<Map<string, string>> {
  const rows = await context.models.buckets.findAll({ where: { studioId }, attributes: ['id', 'recipeId', 'contents'], transaction });
  const found = rows.map((row) => row.get());
  return new Map([
    ...found.flatMap(({ id, recipeId, contents }) => (recipeId && contents ? [[recipeId, id] as const] : [])),
    ...found.map(({ id }) => [id, id] as const),
  ]);
}
