import type { RecipeBody } from '@cazuela/contract';
import type { PortableRecipe, PortableRecipeBody } from './portable';

/** A recipe without ids: its powders by name. */
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

/** Back into a studio: powders by that studio's ids. Undefined where it lacks one. */
export function fromPortableBody(
  { lines, ...rest }: PortableRecipeBody,
  { powderId, newId }: { powderId: (name: string) => string | undefined; newId: () => string },
): RecipeBody | undefined {
  const found = lines.map(({ powder, part, percent }) => ({ id: newId(), powderId: powderId(powder), part, percent }));
  if (found.some((line) => line.powderId === undefined)) return undefined;
  return { ...rest, lines: found as RecipeBody['lines'] };
}
