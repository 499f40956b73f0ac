import type { RecipeBody } from '@cazuela/contract';
import type { PortableRecipe, PortableRecipeBody } from './portable';

/**
 * Returns a recipe without ids: its powders by name.
 *
 * @param versions - oldest first
 * @param powderName - by id
 * @example
 * toPortableRecipe([], (id) => id).versions.length // 0
 */
export function toPortableRecipe(
  versions: readonly { reason: string; changedAt: string; body: RecipeBody }[],
  powderName: (id: string) => string,
): PortableRecipe {
  return {
    versions: versions.map(({ reason, changedAt, body: { lines, ...rest } }) => ({
      reason,
      changedAt,
      body: { ...rest, lines: lines.map(({ powderId, part, percent }) => ({ powder: powderName(powderId), part, percent })) },
    })),
  };
}

/**
 * Returns a recipe with the ids of a studio; undefined where that studio lacks a powder.
 *
 * @param body - with powders by name
 * @param studio - `powderId` by name; `newId`, makes ids for lines
 * @example
 * fromPortableBody({ name: 'Ash', lines: [{ powder: 'Silica', part: 'base', percent: 30 }] }, { powderId: () => undefined, newId: () => 'x' })
 * // undefined
 */
export function fromPortableBody(
  { lines, ...rest }: PortableRecipeBody,
  { powderId, newId }: { powderId: (name: string) => string | undefined; newId: () => string },
): RecipeBody | undefined {
  const found = lines.map(({ powder, part, percent }) => ({ id: newId(), powderId: powderId(powder), part, percent }));
  if (found.some((line) => line.powderId === undefined)) return undefined;
  return { ...rest, lines: found as RecipeBody['lines'] };
}
