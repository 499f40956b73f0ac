import type { Transaction } from 'sequelize';
import type { BucketBody } from '@cazuela/contract';
import type { Context } from '../../context';
import { nextCode } from '../../db/next-code';

export interface NewBucket {
  id: string;
  studioId: string;
  body: BucketBody;
  recipeId: string | null;
  recipeVersionId: string | null;
  transaction: Transaction;
}

/** Creates a bucket's row with the next free code of the studio (B1, B2 …), short enough for tape on a lid. */
export async function createBucketRow(context: Context, bucket: NewBucket): Promise<void> {
  const { id, studioId, body, recipeId, recipeVersionId, transaction } = bucket;
  const code = await nextCode(context, studioId, 'B', transaction);
  const knowing = { ...(await learntFromBefore(context, bucket)), ...body };
  const values = {
    id,
    studioId,
    code,
    version: 1,
    name: body.name,
    body: knowing,
    recipeId,
    recipeVersionId,
    contents: null,
    createdAt: context.now(),
  };
  await context.models.buckets.create(values, { transaction });
}

/** What was learnt with the last bucket of the same glaze (how it should feel, how many drops) goes on to the next. */
async function learntFromBefore({ models }: Context, { studioId, recipeId, transaction }: NewBucket): Promise<Pick<BucketBody, 'feel' | 'doses'>> {
  if (!recipeId) return {};
  const before = await models.buckets.findOne({ where: { studioId, recipeId }, order: [['createdAt', 'DESC']], transaction });
  const { feel, doses } = before?.get().body ?? {};
  return { ...(feel ? { feel } : {}), ...(doses ? { doses } : {}) };
}
