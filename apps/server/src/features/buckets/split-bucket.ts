import type * as z from 'zod';
import type { Bucket, bucketSplitSchema } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import { holdCodes } from '../../db/next-code';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { bucketById } from './read-buckets';
import { createBucketRow } from './create-bucket-row';
import { isPouredAlready, moveGlaze } from './move-glaze';

/** Pours part of a stirred bucket into a new one: what leaves one is what the other gets, in one transaction. */
export async function splitBucket({ context, studioId, id, body }: Call<z.infer<typeof bucketSplitSchema>>): Promise<Bucket> {
  const { models, sequelize } = context;
  await inTransaction(sequelize, async (transaction) => {
    const row = await models.buckets.findOne({ where: { id, studioId }, transaction });
    if (!row) throw new ProblemError('notFound', 'There is no such bucket.');
    await holdCodes(context, studioId, 'B', transaction);
    if (await isPouredAlready(context, { studioId, fromId: id, toId: body.newBucketId, takenEventId: body.takenEventId }, transaction)) return;
    const { body: sourceBody, recipeId, recipeVersionId } = row.get();
    // The new vessel is another one: neither the shape nor the brim of the old one is known of it.
    const { shape: _shape, closedAt: _closedAt, ...kept } = sourceBody;
    const newBody = { ...kept, name: body.name };
    await createBucketRow(context, { id: body.newBucketId, studioId, body: newBody, recipeId, recipeVersionId, transaction });
    await moveGlaze(context, { ...body, studioId, fromId: id, toId: body.newBucketId, reason: 'split' }, transaction);
  });
  return bucketById(context, studioId, body.newBucketId);
}
