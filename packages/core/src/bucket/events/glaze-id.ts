/** A bucket, as far as it says which glaze is in it. */
export interface GlazeInBucket {
  id: string;
  /** Null for a bought glaze without a recipe. */
  recipeId: string | null;
  contents: { glazes?: readonly string[] | undefined } | null;
}

/**
 * Returns the id that measurements of a glaze are kept under: the recipe's, whatever bucket it is in. A mixture, and a glaze without a recipe,
 * have the id of their bucket.
 *
 * @param bucket - the bucket with its contents
 * @example
 * glazeIdOf({ id: 'B1', recipeId: 'white', contents: { glazes: ['White', 'Blue'] } }) // 'B1'
 */
export const glazeIdOf = ({ id, recipeId, contents }: GlazeInBucket): string =>
  recipeId === null || (contents?.glazes?.length ?? 0) > 1 ? id : recipeId;
