import type * as z from 'zod';
import type { BenchEvent, EventsAnswer, eventsSendSchema } from '@cazuela/contract';
import type { Context } from '../../context';
import { inTransaction } from '../../db/in-transaction';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { takeBackPairs } from '../buckets/take-back-pair';
import { appendToStream } from './append-events';

/** Bench work as it comes from the tablets: each stream in its own transaction, each event acknowledged or refused. */
export async function sendEvents({ context, studioId, body }: Call<z.infer<typeof eventsSendSchema>>): Promise<EventsAnswer> {
  const answer: EventsAnswer = { acknowledged: [], refused: [] };
  for (const [, group] of groupByStream(body.events)) {
    const { stream, streamId } = group[0]!;
    const allowed: BenchEvent['event'][] = [];
    for (const { event } of group) {
      if (event.type === 'batchFinished' || event.type === 'filled') {
        answer.refused.push({ id: event.id, detail: 'A bucket is made from a finished batch or by pouring from another bucket.' });
      } else allowed.push(event);
    }
    const target = { studioId, stream, streamId };
    const refusal = await append(context, target, allowed);
    for (const event of allowed) {
      // One bad event never takes the others down with it: what was refused together is tried one by one.
      const own = refusal && allowed.length > 1 ? await append(context, target, [event]) : refusal;
      if (own) answer.refused.push({ id: event.id, detail: own });
      else answer.acknowledged.push(event.id);
    }
  }
  return answer;
}

/** A sentence when the stream cannot take events, nothing when it did. */
async function append(context: Context, target: Parameters<typeof appendToStream>[1], events: BenchEvent['event'][]): Promise<string | undefined> {
  if (events.length === 0) return undefined;
  return inTransaction(context.sequelize, async (transaction) => {
    if (target.stream === 'batch') {
      const where = { id: target.streamId, studioId: target.studioId };
      const batch = await context.models.batches.findOne({ where, attributes: ['bucketId'], transaction, lock: transaction.LOCK.UPDATE });
      if (batch?.get().bucketId) return 'This batch is a bucket already; what is in it is changed at the bucket.';
    }
    const fresh = await appendToStream(context, target, events, transaction);
    if (!fresh) return `There is no such ${target.stream} here any more.`;
    await takeBackPairs(context, target, fresh, transaction);
    return undefined;
  }).catch((error: unknown) => {
    // A refusal is the answer to these events alone; nothing of them was kept.
    if (error instanceof ProblemError && error.code === 'checkInput') return error.message;
    throw error;
  });
}

function groupByStream(events: readonly BenchEvent[]): Map<string, BenchEvent[]> {
  const groups = new Map<string, BenchEvent[]>();
  for (const event of events) {
    const key = `${event.stream}:${event.streamId}`;
    groups.set(key, [...(groups.get(key) ?? []), event]);
  }
  return groups;
}
