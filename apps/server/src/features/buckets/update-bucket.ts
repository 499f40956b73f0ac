import type * as z from 'zod';
import type { Bucket, bucketUpdateSchema } from '@cazuela/contract';
import type { Transaction } from 'sequelize';
import type { Context } from '../../context';
import { inTransaction } from '../../db/in-transaction';
import { updateVersioned } from '../../db/versioned';
import { ProblemError } from '../../http/problem-error';
import type { Call } from '../../http/route';
import { bucketById, summary, versionNumbers } from './read-buckets';

export async function updateBucket({ context, studioId, id, body }: Call<z.infer<typeof bucketUpdateSchema>>): Promise<Bucket> {
  const numbers = await versionNumbers(context, studioId);
  await inTransaction(context.sequelize, async (transaction) => {
    if (body.body.closedAt) await refuseUnlessEmpty(context, studioId, id, transaction);
    await updateVersioned({
      table: context.models.buckets,
      where: { id, studioId },
      version: body.version,
      values: { name: body.body.name, body: body.body },
      missing: 'There is no such bucket.',
      toContract: (row) => summary(row, numbers),
      transaction,
    });
  });
  return bucketById(context, studioId, id);
}

/** Glaze in a bucket that is put away would be lost from the records. */
async function refuseUnlessEmpty({ models }: Context, studioId: string, id: string, transaction: Transaction): Promise<void> {
  const row = await models.buckets.findOne({ where: { id, studioId }, transaction, lock: transaction.LOCK.UPDATE });
  if (row?.get().contents) throw new ProblemError('checkInput', 'There is glaze in it still: pour it out first, into another bucket or the scraps.');
}
