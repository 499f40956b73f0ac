import { dipsToCsv, runnersToCsv, type NamedDip } from '@cazuela/formats';
import type { Context } from '../../context';
import type { Call } from '../../http/route';
import { sendFile } from './send-file';

const OLDEST_FIRST = [
  ['createdAt', 'ASC'],
  ['id', 'ASC'],
] as [string, string][];

/** Every measured coat, those left out too, with the reason. */
export async function exportDips({ context, studioId, response }: Call<unknown>): Promise<void> {
  sendFile(response, 'dips.csv', 'text/csv', dipsToCsv(await namedDips(context, studioId)));
}

export async function exportRunners({ context: { models }, studioId, response }: Call<unknown>): Promise<void> {
  const rows = (await models.runnerTiles.findAll({ where: { studioId }, order: OLDEST_FIRST })).map((row) => row.get());
  const tiles = rows.map(({ id, version, code, body, createdAt }) => ({ id, version, code, body, createdAt: createdAt.toISOString() }));
  sendFile(response, 'runner-tiles.csv', 'text/csv', runnersToCsv(tiles));
}

async function namedDips({ models }: Context, studioId: string): Promise<NamedDip[]> {
  const where = { studioId };
  const [dips, buckets, bodies, recipes] = await Promise.all([
    models.coatDips.findAll({ where, order: OLDEST_FIRST }),
    models.buckets.findAll({ where, attributes: ['id', 'code', 'name'] }),
    models.bodies.findAll({ where }),
    models.recipes.findAll({ where, attributes: ['id', 'name'] }),
  ]);
  const bucketNames = new Map(buckets.map((row) => [row.get().id, `${row.get().code} ${row.get().name}`]));
  const recipeNames = new Map(recipes.map((row) => [row.get().id, row.get().name]));
  const clays = new Map(bodies.map((row) => [row.get().id, row.get()]));
  return dips.map((row) => {
    const dip = row.get().body;
    const clay = clays.get(dip.bodyId);
    return {
      ...dip,
      bucket: bucketNames.get(dip.bucketId) ?? dip.bucketId,
      // The glaze is the recipe of that day; a bucket without one stands for itself.
      recipe: recipeNames.get(dip.glazeId),
      body: clay?.name ?? dip.bodyId,
      lot: clay?.body.lots?.find((lot) => lot.id === dip.lotId)?.name,
    };
  });
}
