import type { Transaction } from 'sequelize';
import type { BatchEvent, BucketEvent } from '@cazuela/core';
import { benchEventSchema, type BenchEvent, type StreamStamp } from '@cazuela/contract';
import type { Context } from '../../context';
import { lockStreams, type Stream } from '../../db/lock-streams';
import { ProblemError } from '../../http/problem-error';
import { setPowderUses } from '../powders/stock';
import { batchSnapshot, bucketSnapshot, snapshotAfterUndo } from './snapshots';

/**
 * Appends events to one stream, inside a transaction that locks the stream's row, and brings the row's snapshot up to date. Events that are there
 * already are skipped, so sending twice is safe. Returns the new ones, or undefined when there is no such row. Throws `conflict` for an id that
 * other work has, and `checkInput` when nobody could read the stream afterwards.
 */
export async function appendToStream(
  context: Context,
  target: Stream,
  events: readonly BenchEvent['event'][],
  transaction: Transaction,
): Promise<BenchEvent['event'][] | undefined> {
  if ((await lockStreams(context, [target], transaction)).size === 0) return undefined;
  const known = await knownIds(context, target, events, transaction);
  const ids = events.map((event) => event.id);
  const fresh = events.filter((event, index) => !known.has(event.id) && ids.indexOf(event.id) === index);
  if (fresh.length === 0) return [];
  // What the server itself writes is checked like what comes from outside, because it is checked again when it is read back.
  for (const event of fresh) benchEventSchema.parse({ stream: target.stream, streamId: target.streamId, event });
  const receivedAt = context.now();
  const rows = fresh.map((event) => ({ ...target, id: event.id, body: event, receivedAt }));
  await context.models.benchEvents.bulkCreate(rows, { transaction });
  await refreshSnapshot(
    context,
    target,
    fresh.every((event) => event.type === 'undone'),
    transaction,
  );
  return fresh;
}

/** The events of one stream, oldest first. */
export async function eventsOf<Event extends BenchEvent['event']>(context: Context, target: Stream, transaction?: Transaction): Promise<Event[]> {
  const rows = await context.models.benchEvents.findAll({ where: { ...target }, order: [['seq', 'ASC']], ...(transaction ? { transaction } : {}) });
  return rows.map((row) => row.get().body as Event);
}

/** What tells whether somebody did something since: read several times a second by the benches, so it is small. */
export async function stampOfStream({ models }: Context, { studioId, stream, streamId }: Stream, version: number): Promise<StreamStamp> {
  return { version, events: await models.benchEvents.count({ where: { studioId, stream, streamId } }) };
}

/** Returns which of these events the stream has. The same id in another stream is other work, and must not count as done. */
async function knownIds(
  { models }: Context,
  target: Stream,
  events: readonly BenchEvent['event'][],
  transaction: Transaction,
): Promise<ReadonlySet<string>> {
  const where = { studioId: target.studioId, id: events.map((event) => event.id) };
  const there = (await models.benchEvents.findAll({ where, transaction })).map((row) => row.get());
  const isOther = there.some(
    (row) =>
      row.streamId !== target.streamId || row.stream !== target.stream || events.some((event) => event.id === row.id && event.type !== row.body.type),
  );
  if (isOther) throw new ProblemError('conflict', 'The number of this step belongs to another one already. Do it once more.');
  return new Set(there.map((row) => row.id));
}

/** Lists are read far more often than written: the replayed state is stored with the row, in the same transaction. */
async function refreshSnapshot(context: Context, target: Stream, isTakenBack: boolean, transaction: Transaction): Promise<void> {
  const { models } = context;
  const { streamId: whatId, studioId, stream } = target;
  const where = { id: whatId, studioId };
  if (stream === 'bucket') {
    const events = await eventsOf<BucketEvent>(context, target, transaction);
    const snapshot = isTakenBack ? snapshotAfterUndo(events) : bucketSnapshot(events);
    // Still wrong after one of several events was taken back: the next one is taken back too.
    if (!snapshot) return;
    const { contents, uses } = snapshot;
    await setPowderUses(context, { studioId, what: stream, whatId }, uses, transaction);
    await models.buckets.update({ contents }, { where, transaction });
  }
  if (stream === 'batch') {
    const batch = await models.batches.findOne({ where, transaction });
    const { uses, ...values } = batchSnapshot(batch!.get().plan, await eventsOf<BatchEvent>(context, target, transaction));
    await setPowderUses(context, { studioId, what: stream, whatId }, uses, transaction);
    await models.batches.update(values, { where, transaction });
  }
}
