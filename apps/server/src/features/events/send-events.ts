import type * as z from 'zod';
import { PotterError, type BucketEvent, type DayEvent } from '@cazuela/core';
import { benchEventSchema, type BenchEvent, type EventsAnswer, type eventsSendSchema, type FiringEvent } from '@cazuela/contract';
import type { Context } from '../../context';
import { inTransaction } from '../../db/in-transaction';
import { lockStreams, streamKey, type Stream } from '../../db/lock-streams';
import type { Call } from '../../http/route';
import { isAway, ProblemError } from '../../http/problem-error';
import { illFormedText } from '../../http/well-formed';
import { pairsOf, takeBackPairs } from '../buckets/take-back-pair';
import { bookedBuckets, bookTicks } from '../days/book-ticks';
import { keepReadings } from '../kiln/opening/keep-readings';
import { takeLateTicks } from '../kiln/late-ticks';
import { appendToStream } from './append-events';

/**
 * Takes bench events from the tablets, each by itself: it is acknowledged when it is in the records, or refused with a sentence. Only when the
 * records cannot be reached is none of them answered, and all are sent again.
 */
export async function sendEvents({ context, studioId, body }: Call<z.infer<typeof eventsSendSchema>>): Promise<EventsAnswer> {
  const answer: EventsAnswer = { acknowledged: [], refused: [] };
  const refuse = (id: string, detail: string): number => answer.refused.push({ id, detail });
  const taken: BenchEvent[] = [];
  for (const sent of body.events) {
    const refusal = refusalOf(sent);
    if (refusal) refuse(sent.event.id, refusal);
    else taken.push(benchEventSchema.parse(sent));
  }
  for (const group of groupByStream(taken)) {
    const { stream, streamId } = group[0]!;
    const target = { studioId, stream, streamId };
    const events = group.map(({ event }) => event);
    const refusal = await append(context, target, events);
    for (const event of events) {
      // Events that were refused together are tried one by one.
      const own = refusal && events.length > 1 ? await append(context, target, [event]) : refusal;
      if (own) refuse(event.id, own);
      else answer.acknowledged.push(event.id);
    }
  }
  return answer;
}

/** Why an event cannot be taken, as far as this can be known without the records. */
function refusalOf(sent: z.infer<typeof eventsSendSchema>['events'][number]): string | undefined {
  const bad = illFormedText(sent);
  if (bad) return bad;
  const read = benchEventSchema.safeParse(sent);
  if (!read.success) return read.error.issues[0]?.message ?? 'This step cannot be read.';
  const { event } = read.data;
  if (event.type === 'batchFinished' || event.type === 'filled') return 'A bucket is made from a finished batch or by pouring from another bucket.';
  if (
    event.type === 'glazeTaken' &&
    (event.toId ?? event.tickId ?? event.pairEventId ?? event.parts ?? event.waterGrams ?? event.additives) !== undefined
  )
    return 'Glaze goes into another bucket by pouring it there, so that both are booked.';
  return undefined;
}

/** A sentence when the stream cannot take the events, else undefined. */
async function append(context: Context, target: Stream, events: BenchEvent['event'][]): Promise<string | undefined> {
  try {
    return await inTransaction(context.sequelize, async (transaction) => {
      const undone = target.stream === 'bucket' ? events.filter((event) => event.type === 'undone').map(({ eventId }) => eventId) : [];
      const pairs = await pairsOf(context, target, undone, transaction);
      const booked = target.stream === 'day' ? await bookedBuckets(context, target, transaction) : [];
      const others = [...pairs.map(({ otherId }) => ({ ...target, streamId: otherId })), ...booked];
      const there = await lockStreams(context, [target, ...others], transaction);
      if (!there.has(streamKey(target))) return `There is no such ${target.stream} here any more.`;
      if (target.stream === 'batch') {
        const where = { id: target.streamId, studioId: target.studioId };
        const batch = await context.models.batches.findOne({ where, attributes: ['bucketId'], transaction });
        if (batch?.get().bucketId) return 'This batch is a bucket already; what is in it is changed at the bucket.';
      }
      const fresh = await appendToStream(context, target, events, transaction);
      if (target.stream === 'day' && fresh && fresh.length > 0) {
        await bookTicks(context, target, fresh as DayEvent[], transaction);
        await takeLateTicks(context, target, transaction);
      }
      if (target.stream === 'firing') await keepReadings(context, target, (fresh ?? []) as FiringEvent[], transaction);
      await takeBackPairs(context, target, (fresh ?? []) as BucketEvent[], pairs, transaction);
      return undefined;
    });
  } catch (error) {
    if (isAway(error)) throw error;
    if (error instanceof ProblemError || error instanceof PotterError) return error.message;
    context.log.error({ err: error, stream: target.stream }, 'a step could not be booked');
    return 'This step could not be worked out with what is in the records. Nothing of it was booked.';
  }
}

function groupByStream(events: readonly BenchEvent[]): BenchEvent[][] {
  const groups = new Map<string, BenchEvent[]>();
  for (const event of events) groups.set(streamKey(event), [...(groups.get(streamKey(event)) ?? []), event]);
  return [...groups.values()];
}
