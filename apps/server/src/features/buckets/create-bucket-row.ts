import { QueryTypes, type Transaction } from 'sequelize';
import type { BucketBody } from '@cazuela/contract';
import type { Context } from '../../context';

export interface NewBucket {
  id: string;
  studioId: string;
  body: BucketBody;
  recipeId: string | null;
  recipeVersionId: string | null;
  transaction: Transaction;
}

/** A bucket's row with the next free code of the studio (B1, B2 …), short enough for tape on a lid. */
export async function createBucketRow(context: Context, bucket: NewBucket): Promise<void> {
  const { id, studioId, body, recipeId, recipeVersionId, transaction } = bucket;
  // The studio's row is held so that two tablets never get the same code.
  await context.models.studios.findOne({ where: { id: studioId }, attributes: ['id'], transaction, lock: transaction.LOCK.UPDATE });
  // A locking read sees the codes given meanwhile; a plain one would see them as they were when this transaction began.
  const [row] = await context.sequelize.query<{ highest: number | null }>(
    'SELECT MAX(CAST(SUBSTRING(code, 2) AS UNSIGNED)) AS highest FROM buckets WHERE studio_id = ? FOR UPDATE',
    { replacements: [studioId], type: QueryTypes.SELECT, transaction },
  );
  const code = `B${Number(row?.highest ?? 0) + 1}`;
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

/** What the last bucket of the same glaze taught, how it should feel and the drops it liked, goes on to the next. */
async function learntFromBefore({ models }: Context, { studioId, recipeId, transaction }: NewBucket): Promise<Pick<BucketBody, 'feel' | 'doses'>> {
  if (!recipeId) return {};
  const before = await models.buckets.findOne({ where: { studioId, recipeId }, order: [['createdAt', 'DESC']], transaction });
  const { feel, doses } = before?.get().body ?? {};
  return { ...(feel ? { feel } : {}), ...(doses ? { doses } : {}) };
}
