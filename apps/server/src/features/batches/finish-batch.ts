import type * as z from 'zod';
import { replayBatch, type BatchEvent, type BucketEvent, type BucketPart } from '@cazuela/core';
import type { batchFinishSchema, Bucket } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import { holdCodes } from '../../db/next-code';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { bucketById } from '../buckets/read-buckets';
import { versionName } from '../buckets/move-glaze';
import { createBucketRow } from '../buckets/create-bucket-row';
import { appendToStream, eventsOf } from '../events/append-events';

/** Free height wanted over the glaze when the size of a bucket is guessed. */
const HEAD_ROOM = 1.35;

/**
 * Makes the bucket from what was weighed in. Batch and bucket change together or not at all; a second tablet that finishes the same batch is led
 * to the existing bucket.
 */
export async function finishBatch({ context, studioId, id, body }: Call<z.infer<typeof batchFinishSchema>>): Promise<Bucket> {
  const { models, sequelize } = context;
  const bucketId = await inTransaction(sequelize, async (transaction) => {
    if ((await models.batches.count({ where: { id, studioId }, transaction })) === 0) throw new ProblemError('notFound', 'There is no such batch.');
    await holdCodes(context, studioId, 'B', transaction);
    const row = await models.batches.findOne({ where: { id, studioId }, transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw new ProblemError('notFound', 'There is no such batch.');
    const batch = row.get();
    if (batch.bucketId) return batch.bucketId;
    const state = replayBatch({
      plan: batch.plan,
      events: await eventsOf<BatchEvent>(context, { studioId, stream: 'batch', streamId: id }, transaction),
    });
    if (state.step.kind !== 'mix') {
      throw new ProblemError('checkInput', 'Some lines are still to be weighed. Weigh or skip them first, then it is a bucket.');
    }
    if (state.practice) throw new ProblemError('checkInput', 'It was weighed on the practice scale: nothing is in it, and it makes no bucket.');
    const parts: BucketPart[] = state.lines
      .filter((line) => line.inGrams > 0)
      .map((line) => ({ powderId: line.powderId, name: line.name, part: line.part, grams: line.inGrams, density: line.density }));
    if (parts.length === 0) throw new ProblemError('checkInput', 'Every line was skipped: there is no powder to make a bucket of.');
    const version = await models.recipeVersions.findOne({ where: { id: batch.recipeVersionId, studioId }, transaction });
    const { sgLow, sgHigh, colour } = version!.get().body;
    const capacityMl = Math.ceil((batch.plan.expectedMl * HEAD_ROOM) / 1000) * 1000;
    await createBucketRow(context, {
      id: body.bucketId,
      studioId,
      body: { name: body.name, sgLow, sgHigh, capacityMl, colour, notes: '' },
      recipeId: batch.recipeId,
      recipeVersionId: batch.recipeVersionId,
      transaction,
    });
    const head = { at: body.at, by: body.by };
    const filled: BucketEvent = {
      ...head,
      id: body.filledEventId,
      type: 'filled',
      parts,
      waterGrams: state.waterInGrams ?? 0,
      glazes: [versionName(version!.get())],
      from: 'batch',
      fromId: id,
    };
    await appendToStream(context, { studioId, stream: 'bucket', streamId: body.bucketId }, [filled], transaction);
    const finished = { ...head, id: body.finishedEventId, type: 'batchFinished', bucketId: body.bucketId } as const;
    await appendToStream(context, { studioId, stream: 'batch', streamId: id }, [finished], transaction);
    await models.batches.update({ bucketId: body.bucketId }, { where: { id, studioId }, transaction });
    return body.bucketId;
  });
  return bucketById(context, studioId, bucketId);
}
