import { isDeepStrictEqual } from 'node:util';
import type * as z from 'zod';
import { v7 as uuid } from 'uuid';
import type { Recipe, recipeUpdateSchema } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { recipeById } from './repository';

/** Every change is a new version with its reason; batches and buckets keep pointing at the one they were made from. */
export async function updateRecipe({ context, studioId, id, body }: Call<z.infer<typeof recipeUpdateSchema>>): Promise<Recipe> {
  const { models, sequelize } = context;
  await inTransaction(sequelize, async (transaction) => {
    const row = await models.recipes.findOne({ where: { id, studioId }, transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw new ProblemError('notFound', 'There is no such recipe.');
    if (row.get().version !== body.version) {
      const current = await recipeById(context, studioId, id, transaction);
      // Sent again because the first answer was lost: it is done already.
      const isDone = current.version === body.version + 1 && current.reason === body.reason && isDeepStrictEqual(current.body, body.body);
      if (isDone) return;
      throw new ProblemError('stale', 'Somebody saved this recipe while you were working on it. Both are kept here: choose one.', { current });
    }
    const number = body.version + 1;
    const version = { id: uuid(), studioId, recipeId: id, number, reason: body.reason, body: body.body, changedAt: context.now() };
    await models.recipeVersions.create(version, { transaction });
    await models.recipes.update({ version: number, name: body.body.name }, { where: { id, studioId }, transaction });
  });
  return recipeById(context, studioId, id);
}
