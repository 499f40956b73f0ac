import type { Transaction } from 'sequelize';
import { bucketDrift, replayBatch, replayBucket, standingEvents, type BatchEvent, type BucketContents, type BucketEvent } from '@cazuela/core';
import { benchEventSchema, bucketContentsSchema, LIMITS, type BenchEvent } from '@cazuela/contract';
import type { Context } from '../../context';
import { lockStreams, type Stream } from '../../db/lock-streams';
import { ProblemError } from '../../http/problem-error';
import { setPowderUses, type PowderUse } from '../powders/stock';

/**
 * Appends events to one stream inside a transaction that holds the stream's row, and brings the row's snapshot up to
 * date. Events that are there already are passed over, so sending twice is safe. Returns the new ones; undefined when there is no such row.
 * Throws `conflict` for an id that other work has, and `checkInput` when the stream would become one that nobody could read.
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
  // What the server itself writes is checked like what comes from outside: whoever reads it back checks it again.
  for (const event of fresh) benchEventSchema.parse({ stream: target.stream, streamId: target.streamId, event });
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

/** Which of these events the stream has. The same id in another stream is other work, and must not pass for done. */
async function knownIds(
  { models }: Context,
  target: Stream,
  events: readonly BenchEvent['event'][],
  transaction: Transaction,
): Promise<ReadonlySet<string>> {
  const where = { studioId: target.studioId, id: events.map((event) => event.id) };
  const there = (await models.benchEvents.findAll({ where, transaction })).map((row) => row.get());
  const isOther = there.some(
    (row) => row.streamId !== target.streamId || row.stream !== target.stream || events.some((event) => event.id === row.id && event.type !== row.body.type),
  );
  if (isOther) throw new ProblemError('conflict', 'The number of this step belongs to another one already. Do it once more.');
  return new Set(there.map((row) => row.id));
}

/** Lists are read far more often than written: the replayed state is kept beside the row, in the same transaction. */
async function refreshSnapshot(context: Context, target: Stream, transaction: Transaction): Promise<void> {
  const { streamId: whatId, studioId } = target;
  const where = { id: whatId, studioId };
  if (target.stream === 'bucket') {
    const events = await eventsOf<BucketEvent>(context, target, transaction);
    const replay = replayBucket({ events });
    await setPowderUses(context, { studioId, what: 'bucket', whatId }, powderAddedTo(events), transaction);
    const contents = replay.kind === 'ok' ? readable({ ...replay.contents, ...driftOf(events) }) : null;
    await context.models.buckets.update({ contents }, { where, transaction });
  }
  if (target.stream === 'batch') {
    const batch = await context.models.batches.findOne({ where, transaction });
    const events = await eventsOf<BatchEvent>(context, target, transaction);
    const state = replayBatch({ plan: batch!.get().plan, events });
    if (state.lines.some(({ targetGrams, inGrams }) => !(targetGrams <= LIMITS.grams && inGrams <= LIMITS.grams)))
      throw new ProblemError('checkInput', 'A line of this batch would weigh more than a tonne: check the unit.');
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

/** Contents that every tablet can read back; one step that spoils them is refused before it spoils the bucket for everybody. */
function readable(contents: BucketContents): BucketContents {
  const read = bucketContentsSchema.safeParse(contents);
  if (read.success) return contents;
  throw new ProblemError('checkInput', `With this the bucket could not be right: ${read.error.issues[0]!.message}`);
}
