import type * as z from 'zod';
import type { Bucket, bucketUpdateSchema } from '@cazuela/contract';
import { updateVersioned } from '../../db/versioned';
import type { Call } from '../../http/route';
import { bucketById, summary, versionNumbers } from './read-buckets';

export async function updateBucket({ context, studioId, id, body }: Call<z.infer<typeof bucketUpdateSchema>>): Promise<Bucket> {
  const numbers = await versionNumbers(context, studioId);
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
