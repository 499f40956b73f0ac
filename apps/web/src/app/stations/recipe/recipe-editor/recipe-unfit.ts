import { recipeUpdateSchema, recipeWriteBodySchema, type RecipeBody } from '@cazuela/contract';

/** Why a recipe cannot be kept as it is; undefined when it can. A later version says why it changed. */
export function recipeUnfit({
  body,
  reason,
  hasWrongField,
}: {
  body: RecipeBody;
  /** Undefined for a recipe that is not in the records yet. */
  reason: string | undefined;
  hasWrongField: boolean;
}): string | undefined {
  if (hasWrongField) return 'A field above holds no number yet.';
  const read = recipeWriteBodySchema.safeParse(body);
  if (!read.success) return read.error.issues[0]?.message;
  return reason === undefined ? undefined : recipeUpdateSchema.shape.reason.safeParse(reason.trim()).error?.issues[0]?.message;
}

const plain = (name: string): string => name.trim().toLowerCase().replace(/\s+/g, ' ');

/** The other recipe of the same name, if there is one. */
export const twinOf = <R extends { id: string; body: { name: string } }>(name: string, id: string, recipes: readonly R[]): R | undefined =>
  recipes.find((one) => one.id !== id && plain(one.body.name) === plain(name));
