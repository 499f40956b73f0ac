import { replayBucket, splitBucket as pourOut, type BucketEvent } from '@cazuela/core';
import type { Transaction } from 'sequelize';
import type { Context } from '../../context';
import { lockStreams } from '../../db/lock-streams';
import { ProblemError } from '../../http/problem-error';
import { appendToStream, eventsOf } from '../events/append-events';

export interface GlazeMove {
  studioId: string;
  fromId: string;
  toId: string;
  takenMl: number;
  reason: 'split' | 'other';
  takenEventId: string;
  filledEventId: string;
  at: string;
  by: string;
}

/**
 * Moves glaze from one bucket into another, in the caller's transaction. What leaves the one, gram by gram, is what the other gets, and each event
 * names the other so that they are taken back together.
 */
export async function moveGlaze(context: Context, move: GlazeMove, transaction: Transaction): Promise<void> {
  const { studioId, fromId, toId, takenMl, reason, by } = move;
  const from = { studioId, stream: 'bucket', streamId: fromId } as const;
  const to = { ...from, streamId: toId };
  await lockStreams(context, [from, to], transaction);
  const [fromEvents, toEvents] = [await eventsOf<BucketEvent>(context, from, transaction), await eventsOf<BucketEvent>(context, to, transaction)];
  const at = afterAll(move.at, [...fromEvents, ...toEvents]);
  const replay = replayBucket({ events: fromEvents });
  if (replay.kind === 'empty') throw new ProblemError('checkInput', 'This bucket is empty: there is nothing to pour.');
  const there = replayBucket({ events: toEvents });
  const poured = pourOut({ contents: replay.contents, takenMl });
  const glazes = [
    ...(there.kind === 'ok' ? (there.contents.glazes ?? [await glazeName(context, toId, transaction)]) : []),
    ...(replay.contents.glazes ?? [await glazeName(context, fromId, transaction)]),
  ];
  const taken = { id: move.takenEventId, at, by, type: 'glazeTaken', millilitres: takenMl, reason, toId, ...poured, pairEventId: move.filledEventId };
  const filled = { id: move.filledEventId, at, by, type: 'filled', ...poured, glazes, from: 'split', fromId, pairEventId: move.takenEventId };
  await appendToStream(context, from, [taken as BucketEvent], transaction);
  await appendToStream(context, to, [filled as BucketEvent], transaction);
}

/** Clocks of tablets differ by up to this, ms; a time further ahead is a wrong clock and is not followed. */
const CLOCKS_DIFFER_MS = 3_600_000;

/**
 * Returns the time of a pour: after everything that is booked in its two buckets. What leaves is computed from all of that; replayed before some
 * of it, more would leave than was there.
 */
function afterAll(at: string, events: readonly BucketEvent[]): string {
  const time = Date.parse(at);
  const others = events.map((event) => Date.parse(event.at)).filter((other) => other - time < CLOCKS_DIFFER_MS);
  const next = others.reduce((latest, other) => Math.max(latest, other + 1), time);
  return next === time ? at : new Date(next).toISOString();
}

/**
 * Returns whether this very pour is booked already, because it was sent twice. Throws `conflict` when its id belongs to other work: taken for
 * done, glaze would come out of nothing.
 */
export async function isPouredAlready(
  { models }: Context,
  { studioId, fromId, toId, takenEventId }: { studioId: string; fromId: string; toId?: string | undefined; takenEventId: string },
  transaction: Transaction,
): Promise<boolean> {
  const row = (await models.benchEvents.findOne({ where: { studioId, id: takenEventId }, transaction }))?.get();
  if (!row) return false;
  const event = row.body as BucketEvent;
  const isThis = row.streamId === fromId && event.type === 'glazeTaken' && event.toId !== undefined && (toId === undefined || event.toId === toId);
  if (!isThis) throw new ProblemError('conflict', 'The number of this pour belongs to another step already. Pour it once more.');
  return true;
}

/** A bucket's glaze by its recipe and version; a bucket without a recipe by its own name. */
export async function glazeName({ models }: Context, bucketId: string, transaction: Transaction): Promise<string> {
  const bucket = (await models.buckets.findOne({ where: { id: bucketId }, transaction }))!.get();
  const version = bucket.recipeVersionId ? await models.recipeVersions.findOne({ where: { id: bucket.recipeVersionId }, transaction }) : null;
  return version ? versionName(version.get()) : bucket.name;
}

export const versionName = (version: { body: { name: string }; number: number }): string => `${version.body.name}, version ${version.number}`;
