import type { Transaction } from 'sequelize';
import type { Powder } from '@cazuela/core';
import type { RecipeBody } from '@cazuela/contract';
import type { Context } from '../apps/server/src/context';
import type { DemoClock } from './clock';

/** What every part of the loading needs. */
export interface DemoLoad {
  context: Context;
  transaction: Transaction;
  studioId: string;
  clock: DemoClock;
}

export interface LoadedRecipe {
  id: string;
  versionId: string;
  version: number;
  body: RecipeBody;
  powders: Powder[];
}
