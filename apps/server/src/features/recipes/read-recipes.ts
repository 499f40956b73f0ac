import type { Recipe } from '@cazuela/contract';
import type { Call } from '../../http/route';
import { newestRecipes, recipeById } from './repository';

export async function listRecipes({ context, studioId }: Call<unknown>): Promise<Recipe[]> {
  return newestRecipes(context, studioId);
}

export async function readRecipe({ context, studioId, id }: Call<unknown>): Promise<Recipe> {
  return recipeById(context, studioId, id);
}
