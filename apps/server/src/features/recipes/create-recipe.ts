import type * as z from 'zod';
import { v7 as uuid } from 'uuid';
import type { Recipe, recipeCreateSchema } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { recipeById } from './repository';

/** Made once: the same id sent twice answers with the existing recipe. */
export async function createRecipe({ context, studioId, body }: Call<z.infer<typeof recipeCreateSchema>>): Promise<Recipe> {
  const { models, sequelize } = context;
  await inTransaction(sequelize, async (transaction) => {
    const there = await models.recipes.findOne({ where: { id: body.id }, transaction });
    if (there && there.get().studioId !== studioId) throw new ProblemError('conflict', 'This id is taken by another studio.');
    if (there) return;
    const now = context.now();
    await models.recipes.create({ id: body.id, studioId, version: 1, name: body.body.name, createdAt: now }, { transaction });
    const version = { id: uuid(), studioId, recipeId: body.id, number: 1, reason: 'First written', body: body.body, changedAt: now };
    await models.recipeVersions.create(version, { transaction });
  });
  return recipeById(context, studioId, body.id);
}
