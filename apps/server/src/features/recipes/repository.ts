import type { Recipe } from '@cazuela/contract';
import type { Transaction } from 'sequelize';
import type { Context } from '../../context';
import type { RecipeRow, RecipeVersionRow } from '../../db/rows';
import { ProblemError } from '../../http/problem-error';
import { firedRecipeIds } from './fired-recipes';

/** A recipe at its newest version, or at a named one. */
export async function recipeById(context: Context, studioId: string, id: string, transaction?: Transaction): Promise<Recipe> {
  const options = transaction ? { transaction } : {};
  const row = await context.models.recipes.findOne({ where: { id, studioId }, ...options });
  if (!row) throw new ProblemError('notFound', 'There is no such recipe.');
  const recipe = row.get();
  const version = await context.models.recipeVersions.findOne({ where: { recipeId: id, studioId, number: recipe.version }, ...options });
  const fired = await firedRecipeIds(context, studioId, transaction);
  return toRecipe(recipe, version!.get(), fired);
}

export async function recipeVersionById(context: Context, studioId: string, versionId: string): Promise<RecipeVersionRow> {
  const row = await context.models.recipeVersions.findOne({ where: { id: versionId, studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such version of the recipe.');
  return row.get();
}

export async function newestRecipes(context: Context, studioId: string): Promise<Recipe[]> {
  const recipes = await context.models.recipes.findAll({ where: { studioId }, order: [['name', 'ASC']] });
  const versions = await context.models.recipeVersions.findAll({ where: { studioId } });
  const fired = await firedRecipeIds(context, studioId);
  const byKey = new Map(versions.map((version) => [`${version.get().recipeId}:${version.get().number}`, version.get()]));
  return recipes.flatMap((row) => {
    const recipe = row.get();
    const version = byKey.get(`${recipe.id}:${recipe.version}`);
    return version ? [toRecipe(recipe, version, fired)] : [];
  });
}

const toRecipe = (recipe: RecipeRow, version: RecipeVersionRow, fired: ReadonlySet<string>): Recipe => ({
  id: recipe.id,
  version: recipe.version,
  versionId: version.id,
  reason: version.reason,
  changedAt: version.changedAt.toISOString(),
  fired: fired.has(recipe.id),
  body: version.body,
});
