import type { BucketEvent } from '@cazuela/core';
import type { Bucket, BucketSummary } from '@cazuela/contract';
import type { Context } from '../../context';
import type { BucketRow } from '../../db/models';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { eventsOf } from '../events/append-events';

export async function readBucket({ context, studioId, id }: Call<unknown>): Promise<Bucket> {
  return bucketById(context, studioId, id);
}

/** How many events a bucket has: asked every few seconds by whoever has it open, so that two at one bucket see each other. */
export async function bucketPulse({ context, studioId, id }: Call<unknown>): Promise<{ events: number }> {
  return { events: await context.models.benchEvents.count({ where: { studioId, stream: 'bucket', streamId: id } }) };
}

export async function bucketById(context: Context, studioId: string, id: string): Promise<Bucket> {
  const row = await context.models.buckets.findOne({ where: { id, studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such bucket.');
  const numbers = await versionNumbers(context, studioId);
  return { ...summary(row.get(), numbers), events: await eventsOf<BucketEvent>(context, { studioId, stream: 'bucket', streamId: id }) };
}

export function summary(row: BucketRow, versionNumbersById: ReadonlyMap<string, number>): BucketSummary {
  return {
    id: row.id,
    code: row.code,
    version: row.version,
    body: row.body,
    recipeId: row.recipeId,
    recipeVersionId: row.recipeVersionId,
    recipeVersion: row.recipeVersionId === null ? null : (versionNumbersById.get(row.recipeVersionId) ?? null),
    createdAt: row.createdAt.toISOString(),
    contents: row.contents,
  };
}

export async function versionNumbers({ models }: Context, studioId: string): Promise<Map<string, number>> {
  const rows = await models.recipeVersions.findAll({ where: { studioId }, attributes: ['id', 'number'] });
  return new Map(rows.map((row) => [row.get().id, row.get().number]));
}
