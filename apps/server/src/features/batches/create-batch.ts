import { planBatch } from '@cazuela/core';
import type { Batch, BatchCreate } from '@cazuela/contract';
import { createOnce } from '../../db/versioned';
import type { Call } from '../../http/route';
import { powdersOf } from '../powders/list-powders';
import { recipeVersionById } from '../recipes/repository';
import { batchById } from './read-batches';

/** The plan is computed here, by the same core as on the screen, from the version as it is in the records. */
export async function createBatch({ context, studioId, body }: Call<BatchCreate>): Promise<Batch> {
  const version = await recipeVersionById(context, studioId, body.recipeVersionId);
  const powders = await powdersOf(context, studioId);
  const plan = planBatch({ lines: version.body.lines, powders, size: body.size, water: body.water, order: body.order });
  await createOnce(context.models.batches, {
    id: body.id,
    studioId,
    recipeId: version.recipeId,
    recipeVersionId: version.id,
    question: { size: body.size, water: body.water, order: body.order, ...(body.entered ? { entered: body.entered } : {}) },
    plan,
    bucketId: null,
    linesDone: 0,
    lastAt: null,
    lastBy: null,
    setAside: false,
    createdAt: context.now(),
  });
  return batchById(context, studioId, body.id);
}
