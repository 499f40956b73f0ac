import type { RecipeVersion } from '@cazuela/contract';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';

/** Every version of a recipe with its reason, newest first. */
export async function readVersions({ context, studioId, id }: Call<unknown>): Promise<RecipeVersion[]> {
  const rows = await context.models.recipeVersions.findAll({ where: { recipeId: id, studioId }, order: [['number', 'DESC']] });
  if (rows.length === 0) throw new ProblemError('notFound', 'There is no such recipe.');
  return rows.map((row) => {
    const version = row.get();
    return { versionId: version.id, number: version.number, reason: version.reason, changedAt: version.changedAt.toISOString(), body: version.body };
  });
}
