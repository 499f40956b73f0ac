import { replayBatch, type BatchEvent } from '@cazuela/core';
import {
  batchesToCsv,
  FORMAT_NAME,
  FORMAT_VERSION,
  powdersToCsv,
  recipesToCsv,
  toPortableRecipe,
  type CazuelaFile,
  type PortableBatch,
  type PortablePowder,
  type PortableRecipe,
} from '@cazuela/formats';
import type { Context } from '../../context';
import type { RecipeVersionRow } from '../../db/rows';
import type { Call } from '../../http/route';
import { studioById } from '../studios/studio-from-row';
import { sendFile } from './send-file';

/** All powders, recipes and batches of a studio, in one file of ours. */
export async function exportJson({ context, studioId, response }: Call<unknown>): Promise<void> {
  const studio = (await studioById(context, studioId)).body;
  const file: CazuelaFile = {
    format: FORMAT_NAME,
    version: FORMAT_VERSION,
    studio: studio.name,
    writtenAt: context.now().toISOString(),
    powders: await portablePowders(context, studioId),
    recipes: await portableRecipes(context, studioId),
    batches: await portableBatches(context, studioId),
  };
  sendFile(response, 'cazuela.json', 'application/json', JSON.stringify(file, null, 1));
}

export async function exportPowders({ context, studioId, response }: Call<unknown>): Promise<void> {
  sendFile(response, 'powders.csv', 'text/csv', powdersToCsv(await portablePowders(context, studioId)));
}

export async function exportRecipes({ context, studioId, response }: Call<unknown>): Promise<void> {
  sendFile(response, 'recipes.csv', 'text/csv', recipesToCsv(await portableRecipes(context, studioId)));
}

export async function exportBatches({ context, studioId, response }: Call<unknown>): Promise<void> {
  sendFile(response, 'batches.csv', 'text/csv', batchesToCsv(await portableBatches(context, studioId)));
}

async function portablePowders({ models }: Context, studioId: string): Promise<PortablePowder[]> {
  const rows = await models.powders.findAll({ where: { studioId }, order: [['name', 'ASC']] });
  return rows.map((row) => ({ name: row.get().name, ...row.get().body }));
}

async function powderNames({ models }: Context, studioId: string): Promise<(id: string) => string> {
  const rows = await models.powders.findAll({ where: { studioId }, attributes: ['id', 'name'] });
  const names = new Map(rows.map((row) => [row.get().id, row.get().name]));
  return (id) => names.get(id) ?? id;
}

async function portableRecipes(context: Context, studioId: string): Promise<PortableRecipe[]> {
  const nameOf = await powderNames(context, studioId);
  const recipes = await context.models.recipes.findAll({
    where: { studioId },
    order: [
      ['name', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  const versions = await context.models.recipeVersions.findAll({ where: { studioId }, order: [['number', 'ASC']] });
  const byRecipe = new Map<string, RecipeVersionRow[]>();
  for (const version of versions) byRecipe.set(version.get().recipeId, [...(byRecipe.get(version.get().recipeId) ?? []), version.get()]);
  return recipes.map((recipe) => {
    const all = (byRecipe.get(recipe.get().id) ?? []).map((version) => ({ ...version, changedAt: version.changedAt.toISOString() }));
    return toPortableRecipe(all, nameOf);
  });
}

async function portableBatches(context: Context, studioId: string): Promise<PortableBatch[]> {
  const { models } = context;
  const batches = await models.batches.findAll({
    where: { studioId },
    order: [
      ['createdAt', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  const versions = new Map((await models.recipeVersions.findAll({ where: { studioId } })).map((row) => [row.get().id, row.get()]));
  const events = await models.benchEvents.findAll({ where: { studioId, stream: 'batch' }, order: [['seq', 'ASC']] });
  const byBatch = new Map<string, BatchEvent[]>();
  for (const event of events) byBatch.set(event.get().streamId, [...(byBatch.get(event.get().streamId) ?? []), event.get().body as BatchEvent]);
  return batches.map((row) => {
    const batch = row.get();
    const version = versions.get(batch.recipeVersionId)!;
    const state = replayBatch({ plan: batch.plan, events: byBatch.get(batch.id) ?? [] });
    return {
      recipe: version.body.name,
      version: version.number,
      weighedAt: batch.createdAt.toISOString(),
      by: state.startedBy ?? batch.lastBy ?? 'nobody',
      waterGrams: batch.plan.waterGrams,
      waterInGrams: state.waterInGrams ?? null,
      expectedSg: batch.plan.expectedSg,
      lines: state.lines.map((line) => ({
        powder: line.name,
        part: line.part,
        targetGrams: line.targetGrams,
        inGrams: line.state === 'weighed' ? line.inGrams : null,
      })),
    };
  });
}
