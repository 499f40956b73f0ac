import type { BucketEvent } from '@cazuela/core';
import type { Bucket, BucketSummary } from '@cazuela/contract';
import type { Context } from '../../context';
import type { BucketRow } from '../../db/rows';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { eventsOf } from '../events/append-events';

/**
 * Returns one bucket with all of its history. The events go out as stored text: they were checked when they came in, and parsing five thousand of
 * them only to write them again costs more than reading them.
 */
export async function readBucket({ context, studioId, id, response }: Call<unknown>): Promise<void> {
  const { models } = context;
  const [row, numbers, events] = await Promise.all([
    models.buckets.findOne({ where: { id, studioId } }),
    versionNumbers(context, studioId),
    models.benchEvents.findAll({
      where: { studioId, stream: 'bucket', streamId: id },
      attributes: ['body'],
      order: [['seq', 'ASC']],
      raw: true,
    }) as unknown as Promise<{ body: string }[]>,
  ]);
  if (!row) throw new ProblemError('notFound', 'There is no such bucket.');
  const plain = JSON.stringify(summary(row.get(), numbers));
  response.type('json').send(`${plain.slice(0, -1)},"events":[${events.map((event) => event.body).join(',')}]}`);
}

/**
 * Returns how many events a bucket has. Every page that has it open asks every few seconds, so that two people at one bucket see each other's
 * work.
 */
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
