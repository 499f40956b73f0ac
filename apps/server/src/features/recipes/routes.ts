import { jarOpenSchema, recipeCreateSchema, recipeUpdateSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { createRecipe } from './create-recipe';
import { listRecipes, readRecipe } from './read-recipes';
import { listVersions } from './list-versions';
import { openJar } from './open-jar';
import { readUses } from './read-uses';
import { readVersions } from './read-versions';
import { updateRecipe } from './update-recipe';

export const recipeRoutes: readonly Route[] = [
  route({ method: 'get', path: '/recipes', handle: listRecipes }),
  route({ method: 'get', path: '/recipes/:id', handle: readRecipe }),
  route({ method: 'get', path: '/recipes/:id/versions', handle: readVersions }),
  route({ method: 'get', path: '/recipes/:id/uses', handle: readUses }),
  route({ method: 'get', path: '/recipe-versions', handle: listVersions }),
  route({ method: 'post', path: '/recipes/:id/jar', body: jarOpenSchema, handle: openJar }),
  route({ method: 'post', path: '/recipes', body: recipeCreateSchema, handle: createRecipe }),
  route({ method: 'put', path: '/recipes/:id', body: recipeUpdateSchema, handle: updateRecipe }),
];
