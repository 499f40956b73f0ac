import { planBatch } from '@cazuela/core';
import { batchPlanSchema, LIMITS, type Batch, type BatchCreate } from '@cazuela/contract';
import { createOnce } from '../../db/versioned';
import { ProblemError } from '../../http/problem-error';
import type { Call } from '../../http/route';
import { powdersOf } from '../powders/list-powders';
import { recipeVersionById } from '../recipes/repository';
import { batchById } from './read-batches';

/** The plan is computed here, by the same core as on the screen, from the version in the records. */
export async function createBatch({ context, studioId, body }: Call<BatchCreate>): Promise<Batch> {
  const version = await recipeVersionById(context, studioId, body.recipeVersionId);
  const powders = await powdersOf(context, studioId);
  const planned = planBatch({ lines: version.body.lines, powders, size: body.size, water: body.water, order: body.order });
  const plan = { ...planned, ...(body.pan ? { pan: body.pan } : {}) };
  if (!batchPlanSchema.safeParse(plan).success || plan.totalGrams < LIMITS.leastBatchGrams)
    throw new ProblemError('checkInput', `No scale can weigh out a batch of less than ${LIMITS.leastBatchGrams} g: ask for more glaze.`);
  if (plan.totalGrams > LIMITS.grams) throw new ProblemError('checkInput', 'That would be more than a tonne of powder: check the units.');
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
