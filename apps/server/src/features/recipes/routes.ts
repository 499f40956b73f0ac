import { recipeCreateSchema, recipeUpdateSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { createRecipe } from './create-recipe';
import { listRecipes, readRecipe } from './read-recipes';
import { readVersions } from './read-versions';
import { updateRecipe } from './update-recipe';

export const recipeRoutes: readonly Route[] = [
  route({ method: 'get', path: '/recipes', handle: listRecipes }),
  route({ method: 'get', path: '/recipes/:id', handle: readRecipe }),
  route({ method: 'get', path: '/recipes/:id/versions', handle: readVersions }),
  route({ method: 'post', path: '/recipes', body: recipeCreateSchema, handle: createRecipe }),
  route({ method: 'put', path: '/recipes/:id', body: recipeUpdateSchema, handle: updateRecipe }),
];
