import type { Model, ModelStatic, Transaction, WhereOptions } from 'sequelize';
import { bucketDrift, replayBatch, replayBucket, standingEvents, type BatchEvent, type BucketContents, type BucketEvent } from '@cazuela/core';
import type { BenchEvent } from '@cazuela/contract';
import type { Context } from '../../context';
import { setPowderUses, type PowderUse } from '../powders/stock';

export interface Stream {
  studioId: string;
  stream: BenchEvent['stream'];
  streamId: string;
}

/**
 * Appends events to one stream inside a transaction that holds the stream's row, and brings the row's snapshot up to
 * date. Events that are there already are passed over, so sending twice is safe. Returns the new ones; undefined when there is no such row.
 */
export async function appendToStream(
  context: Context,
  target: Stream,
  events: readonly BenchEvent['event'][],
  transaction: Transaction,
): Promise<BenchEvent['event'][] | undefined> {
  if (!(await lockStream(context, target, transaction))) return undefined;
  const ids = events.map((event) => event.id);
  const there = await context.models.benchEvents.findAll({ where: { studioId: target.studioId, id: ids }, attributes: ['id'], transaction });
  const known = new Set(there.map((row) => row.get().id));
  const fresh = events.filter((event, index) => !known.has(event.id) && ids.indexOf(event.id) === index);
  if (fresh.length === 0) return [];
  const receivedAt = context.now();
  const rows = fresh.map((event) => ({ ...target, id: event.id, body: event, receivedAt }));
  await context.models.benchEvents.bulkCreate(rows, { transaction });
  await refreshSnapshot(context, target, transaction);
  return fresh;
}

/** The events of one stream, oldest first. */
export async function eventsOf<Event extends BenchEvent['event']>(context: Context, target: Stream, transaction?: Transaction): Promise<Event[]> {
  const rows = await context.models.benchEvents.findAll({ where: { ...target }, order: [['seq', 'ASC']], ...(transaction ? { transaction } : {}) });
  return rows.map((row) => row.get().body as Event);
}

async function lockStream({ models }: Context, { stream, streamId, studioId }: Stream, transaction: Transaction): Promise<boolean> {
  const tables = { batch: models.batches, bucket: models.buckets, day: models.days } as unknown as Record<Stream['stream'], ModelStatic<Model>>;
  const where = { id: streamId, studioId } as WhereOptions;
  return (await tables[stream].findOne({ where, attributes: ['id'], transaction, lock: transaction.LOCK.UPDATE })) !== null;
}

/** Lists are read far more often than written: the replayed state is kept beside the row, in the same transaction. */
async function refreshSnapshot(context: Context, target: Stream, transaction: Transaction): Promise<void> {
  const { streamId: whatId, studioId } = target;
  const where = { id: whatId, studioId };
  if (target.stream === 'bucket') {
    const events = await eventsOf<BucketEvent>(context, target, transaction);
    const replay = replayBucket({ events });
    await setPowderUses(context, { studioId, what: 'bucket', whatId }, powderAddedTo(events), transaction);
    const contents = replay.kind === 'ok' ? { ...replay.contents, ...driftOf(events) } : null;
    await context.models.buckets.update({ contents }, { where, transaction });
  }
  if (target.stream === 'batch') {
    const batch = await context.models.batches.findOne({ where, transaction });
    const events = await eventsOf<BatchEvent>(context, target, transaction);
    const state = replayBatch({ plan: batch!.get().plan, events });
    const uses = state.lines.map(({ powderId, inGrams }) => ({ powderId, grams: inGrams }));
    await setPowderUses(context, { studioId, what: 'batch', whatId }, uses, transaction);
    const linesDone = state.lines.filter((line) => line.state !== 'waiting').length;
    const last = events.at(-1);
    await context.models.batches.update(
      { linesDone, lastAt: last ? new Date(last.at) : null, lastBy: last?.by ?? null, setAside: state.setAside },
      { where, transaction },
    );
  }
}

/** Kept beside the state, so that the shelf tells the days a bucket has left without its history. */
function driftOf(events: readonly BucketEvent[]): Pick<BucketContents, 'drift'> {
  const drift = bucketDrift({ events });
  return drift.kind === 'ok' && drift.tells ? { drift: { perDay: drift.perDay, perDaySd: drift.perDaySd, spells: drift.spells } } : {};
}

/** What went into a bucket from the shelf after it was filled; a filling was taken by its batch. */
function powderAddedTo(events: readonly BucketEvent[]): PowderUse[] {
  return standingEvents(events).flatMap((event) =>
    event.type === 'powderAdded' ? event.parts.map(({ powderId, grams }) => ({ powderId, grams })) : [],
  );
}
