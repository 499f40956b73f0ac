import type * as z from 'zod';
import { replayBucket, splitBucket as pourOff, type BucketEvent } from '@cazuela/core';
import type { Bucket, bucketSplitSchema } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { appendToStream, eventsOf } from '../events/append-events';
import { bucketById } from './read-buckets';
import { createBucketRow } from './create-bucket-row';

/** Pours part of a stirred bucket into a new one: what leaves one is what the other gets, in one transaction. */
export async function splitBucket({ context, studioId, id, body }: Call<z.infer<typeof bucketSplitSchema>>): Promise<Bucket> {
  const { models, sequelize } = context;
  await inTransaction(sequelize, async (transaction) => {
    const row = await models.buckets.findOne({ where: { id, studioId }, transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw new ProblemError('notFound', 'There is no such bucket.');
    if (await models.buckets.findOne({ where: { id: body.newBucketId, studioId }, transaction })) return;
    const from = { studioId, stream: 'bucket', streamId: id } as const;
    const events = await eventsOf<BucketEvent>(context, from, transaction);
    const replay = replayBucket({ events });
    if (replay.kind === 'empty') throw new ProblemError('checkInput', 'This bucket is empty: there is nothing to pour.');
    const { parts, waterGrams } = pourOff({ contents: replay.contents, takenMl: body.takenMl });
    const source = row.get();
    await createBucketRow(context, {
      id: body.newBucketId,
      studioId,
      body: { ...source.body, name: body.name },
      recipeId: source.recipeId,
      recipeVersionId: source.recipeVersionId,
      transaction,
    });
    const head = { at: body.at, by: body.by };
    const taken = { ...head, id: body.takenEventId, type: 'glazeTaken', millilitres: body.takenMl, reason: 'split', toId: body.newBucketId } as const;
    const filled = { ...head, id: body.filledEventId, type: 'filled', parts, waterGrams, from: 'split', fromId: id } as const;
    await appendToStream(context, from, [taken], transaction);
    await appendToStream(context, { ...from, streamId: body.newBucketId }, [filled], transaction);
  });
  return bucketById(context, studioId, body.newBucketId);
}
