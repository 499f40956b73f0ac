import type * as z from 'zod';
import type { Bucket, bucketUpdateSchema } from '@cazuela/contract';
import { updateVersioned } from '../../db/versioned';
import type { Context } from '../../context';
import { ProblemError } from '../../http/problem-error';
import type { Call } from '../../http/route';
import { bucketById, summary, versionNumbers } from './read-buckets';

export async function updateBucket({ context, studioId, id, body }: Call<z.infer<typeof bucketUpdateSchema>>): Promise<Bucket> {
  const numbers = await versionNumbers(context, studioId);
  if (body.body.closedAt) await refuseUnlessEmpty(context, studioId, id);
  await updateVersioned({
    table: context.models.buckets,
    where: { id, studioId },
    version: body.version,
    values: { name: body.body.name, body: body.body },
    missing: 'There is no such bucket.',
    toContract: (row) => summary(row, numbers),
  });
  return bucketById(context, studioId, id);
}

/** Glaze in a bucket that is put away would be lost from the records. */
async function refuseUnlessEmpty({ models }: Context, studioId: string, id: string): Promise<void> {
  const row = await models.buckets.findOne({ where: { id, studioId } });
  if (row?.get().contents) throw new ProblemError('checkInput', 'There is glaze in it still: pour it out first, into another bucket or the scraps.');
}
