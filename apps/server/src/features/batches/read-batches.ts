import type { BatchEvent } from '@cazuela/core';
import type { Batch, BatchSummary } from '@cazuela/contract';
import type { Context } from '../../context';
import type { BatchRow } from '../../db/rows';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { eventsOf } from '../events/append-events';
import { recipeVersionById } from '../recipes/repository';

/** Most batches on the list. */
const NEWEST = 100;

export async function listBatches({ context, studioId }: Call<unknown>): Promise<BatchSummary[]> {
  const rows = await context.models.batches.findAll({ where: { studioId }, order: [['createdAt', 'DESC']], limit: NEWEST });
  const versionIds = [...new Set(rows.map((row) => row.get().recipeVersionId))];
  const versions = await context.models.recipeVersions.findAll({ where: { studioId, id: versionIds } });
  const byId = new Map(versions.map((version) => [version.get().id, version.get()]));
  return rows.map((row) => {
    const version = byId.get(row.get().recipeVersionId)!;
    return summary(row.get(), { number: version.number, name: version.body.name, colour: version.body.colour });
  });
}

export async function readBatch({ context, studioId, id }: Call<unknown>): Promise<Batch> {
  return batchById(context, studioId, id);
}

export async function batchById(context: Context, studioId: string, id: string): Promise<Batch> {
  const row = await context.models.batches.findOne({ where: { id, studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such batch.');
  const version = await recipeVersionById(context, studioId, row.get().recipeVersionId);
  const events = await eventsOf<BatchEvent>(context, { studioId, stream: 'batch', streamId: id });
  return { ...summary(row.get(), { number: version.number, name: version.body.name, colour: version.body.colour }), events };
}

function summary(row: BatchRow, recipe: { number: number; name: string; colour: string }): BatchSummary {
  return {
    id: row.id,
    recipeId: row.recipeId,
    recipeVersionId: row.recipeVersionId,
    recipeVersion: recipe.number,
    recipeName: recipe.name,
    colour: recipe.colour,
    plan: row.plan,
    createdAt: row.createdAt.toISOString(),
    bucketId: row.bucketId,
    linesDone: row.linesDone,
    lastAt: row.lastAt?.toISOString() ?? null,
    lastBy: row.lastBy,
    setAside: Boolean(row.setAside),
  };
}
