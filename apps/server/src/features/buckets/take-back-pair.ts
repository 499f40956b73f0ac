import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import { overdrawnGrams, replayBucket, type BucketEvent } from '@cazuela/core';
import type { Context } from '../../context';
import type { Stream } from '../../db/lock-streams';
import { ProblemError } from '../../http/problem-error';
import { appendToStream, eventsOf } from '../events/append-events';

/** Half of a pour, and the bucket in which its other half is booked. */
export interface Pair {
  half: Extract<BucketEvent, { type: 'glazeTaken' | 'filled' }>;
  otherId: string;
  otherEventId: string;
}

/** Returns which of these events of a bucket are halves of a pour. Events never change, so this may be asked before the buckets are locked. */
export async function pairsOf({ models }: Context, target: Stream, eventIds: readonly string[], transaction: Transaction): Promise<Pair[]> {
  if (eventIds.length === 0) return [];
  const rows = await models.benchEvents.findAll({ where: { ...target, id: [...eventIds] }, transaction });
  return rows.flatMap((row): Pair[] => {
    const half = row.get().body as BucketEvent;
    if ((half.type !== 'glazeTaken' && half.type !== 'filled') || !half.pairEventId) return [];
    const otherId = half.type === 'glazeTaken' ? half.toId : half.fromId;
    return otherId ? [{ half, otherId, otherEventId: half.pairEventId }] : [];
  });
}

/**
 * A pour is booked in two buckets: taking it back in one takes it back in the other, in the same transaction, which locks both. Refused when some
 * of what was poured has been used since, because then it cannot come back.
 */
export async function takeBackPairs(
  context: Context,
  target: Stream,
  fresh: readonly BucketEvent[],
  pairs: readonly Pair[],
  transaction: Transaction,
): Promise<void> {
  for (const event of fresh) {
    if (event.type !== 'undone') continue;
    const pair = pairs.find(({ half }) => half.id === event.eventId);
    if (!pair) continue;
    const other = { ...target, streamId: pair.otherId };
    await refuseWhenUsed(context, pair.half.type === 'glazeTaken' ? other : target, pair.half, transaction);
    const undone: BucketEvent = { id: uuid(), at: event.at, by: event.by, type: 'undone', eventId: pair.otherEventId };
    await appendToStream(context, other, [undone], transaction);
  }
}

/** Rounding errors of sums of many grams, as a share and in g. */
const SUM_ERROR = 1e-9;
const SUM_ERROR_GRAMS = 1e-6;

/** The bucket that was poured into must still hold what came, powder by powder. */
async function refuseWhenUsed(context: Context, filled: Stream, half: Pair['half'], transaction: Transaction): Promise<void> {
  const events = await eventsOf<BucketEvent>(context, filled, transaction);
  const fillId = half.type === 'filled' ? half.id : half.pairEventId!;
  // The bucket as it stands without the event that takes back, and with it.
  const before = events.filter((one) => !(one.type === 'undone' && one.eventId === fillId));
  const after: BucketEvent[] = [...before, { id: uuid(), at: half.at, by: half.by, type: 'undone', eventId: fillId }];
  const replay = replayBucket({ events: before });
  const held = replay.kind === 'ok' ? replay.contents.parts : [];
  const isShort = (half.parts ?? []).some((part) => {
    const there = held.find((one) => one.powderId === part.powderId && one.part === part.part);
    return (there?.grams ?? 0) < part.grams * (1 - SUM_ERROR);
  });
  const isPouredOn = overdrawnGrams({ events: after }) > overdrawnGrams({ events: before }) + SUM_ERROR_GRAMS;
  if (isShort || isPouredOn)
    throw new ProblemError('checkInput', 'Some of what was poured has been used since: pour back what is left of it instead.');
}
