import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import { replayBucket, type BucketEvent } from '@cazuela/core';
import type { BenchEvent } from '@cazuela/contract';
import type { Context } from '../../context';
import { ProblemError } from '../../http/problem-error';
import { appendToStream, eventsOf, type Stream } from '../events/append-events';

/**
 * Pouring is booked in two buckets: taking it back in one takes it back in the other, in the same transaction. Refused when some of what
 * was poured has been used since, for then it cannot come back.
 */
export async function takeBackPairs(
  context: Context,
  target: Stream,
  fresh: readonly BenchEvent['event'][],
  transaction: Transaction,
): Promise<void> {
  const undone = fresh.filter((event) => event.type === 'undone');
  if (target.stream !== 'bucket' || undone.length === 0) return;
  const events = await eventsOf<BucketEvent>(context, target, transaction);
  for (const { eventId, at, by } of undone) {
    const event = events.find((candidate) => candidate.id === eventId);
    if (!event || (event.type !== 'glazeTaken' && event.type !== 'filled') || !event.pairEventId) continue;
    const otherId = event.type === 'glazeTaken' ? event.toId : event.fromId;
    if (!otherId) continue;
    await refuseWhenUsed(context, { ...target, streamId: event.type === 'glazeTaken' ? otherId : target.streamId }, event, transaction);
    await appendToStream(
      context,
      { ...target, streamId: otherId },
      [{ id: uuid(), at, by, type: 'undone', eventId: event.pairEventId }],
      transaction,
    );
  }
}

/** The bucket that was poured into must still hold what came, powder by powder. */
async function refuseWhenUsed(
  context: Context,
  filled: Stream,
  event: Extract<BucketEvent, { type: 'glazeTaken' | 'filled' }>,
  transaction: Transaction,
): Promise<void> {
  const events = await eventsOf<BucketEvent>(context, filled, transaction);
  const fillId = event.type === 'filled' ? event.id : event.pairEventId;
  // As it stands without the taking back that has just come in.
  const replay = replayBucket({ events: events.filter((one) => !(one.type === 'undone' && one.eventId === fillId)) });
  const held = replay.kind === 'ok' ? replay.contents.parts : [];
  const short = (event.parts ?? []).some((part) => {
    const there = held.find((one) => one.powderId === part.powderId && one.part === part.part);
    return (there?.grams ?? 0) < part.grams - 0.01;
  });
  if (short) throw new ProblemError('checkInput', 'Some of what was poured has been used since: pour back what is left of it instead.');
}
