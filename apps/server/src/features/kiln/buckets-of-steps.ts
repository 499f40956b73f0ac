import type { Transaction } from 'sequelize';
import { batchRecord, bucketAtCoat, type BatchEvent, type BucketEvent, type BucketRecord } from '@cazuela/core';
import type { Context } from '../../context';
import { eventsOf } from '../events/append-events';
import { powdersOf } from '../powders/list-powders';

/** From when until when hands were at a coat, ms. */
export interface CoatSpan {
  beganMs: number;
  endedMs: number;
}

/** Finds what was recorded of a bucket while a coat was put on; each bucket is read once. */
export async function bucketsOfSteps(
  context: Context,
  studioId: string,
  transaction: Transaction | null,
): Promise<(bucketId: string | null, span: CoatSpan | undefined) => Promise<BucketRecord | undefined>> {
  const powders = await powdersOf(context, studioId, transaction);
  const read = new Map<string, ReturnType<typeof bucketRecords>>();
  return async (bucketId, span) => {
    if (!bucketId || !span) return undefined;
    const known = read.get(bucketId) ?? bucketRecords(context, { studioId, bucketId, transaction });
    read.set(bucketId, known);
    const bucket = await known;
    return bucket && { ...bucketAtCoat({ events: bucket.events, powders, ...span }), ...bucket.batch };
  };
}

/** The events of a bucket, and what was recorded when its batch was weighed; undefined where it is no bucket of the studio. */
async function bucketRecords(
  context: Context,
  { studioId, bucketId, transaction }: { studioId: string; bucketId: string; transaction: Transaction | null },
): Promise<{ events: BucketEvent[]; batch: BucketRecord } | undefined> {
  const { models } = context;
  const row = (await models.buckets.findOne({ where: { id: bucketId, studioId }, attributes: ['id', 'recipeVersionId'], transaction }))?.get();
  if (!row) return undefined;
  const events = await eventsOf<BucketEvent>(context, { studioId, stream: 'bucket', streamId: bucketId }, transaction ?? undefined);
  const version = row.recipeVersionId && (await models.recipeVersions.findOne({ where: { id: row.recipeVersionId, studioId }, transaction }));
  const filled = events.findLast((event) => event.type === 'filled' && event.from === 'batch');
  const batch = filled?.type === 'filled' && filled.fromId && (await models.batches.findOne({ where: { id: filled.fromId, studioId }, transaction }));
  return {
    events,
    batch: {
      ...(version ? { recipeVersion: version.get().number } : {}),
      ...(batch
        ? batchRecord({
            plan: batch.get().plan,
            events: await eventsOf<BatchEvent>(context, { studioId, stream: 'batch', streamId: batch.get().id }, transaction ?? undefined),
          })
        : {}),
    },
  };
}
