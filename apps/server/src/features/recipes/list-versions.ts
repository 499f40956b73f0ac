import type { GlazeVersionRow } from '@cazuela/contract';
import type { Call } from '../../http/route';

/** Every version of every recipe, as far as it says which glaze it is. */
export async function listVersions({ context, studioId }: Call<unknown>): Promise<GlazeVersionRow[]> {
  const rows = await context.models.recipeVersions.findAll({ where: { studioId }, attributes: ['recipeId', 'number', 'body'] });
  return rows.map((row) => {
    const { recipeId, number, body } = row.get();
    return { recipeId, number, name: body.name, colour: body.colour, lines: body.lines };
  });
}
