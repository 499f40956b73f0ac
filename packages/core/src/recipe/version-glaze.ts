import { recipeDifference } from './difference';
import type { RecipeLine } from './recipe';

/** A version of a recipe, as far as it says which glaze it is. */
export interface GlazeVersion {
  recipeId: string;
  /** 1 is the first. */
  number: number;
  lines: readonly RecipeLine[];
}

/**
 * Returns which glaze each version of a recipe is: the id of the recipe for the newest one and all that are like it, else the recipe's id with the
 * newest number of those that are alike. Two versions are one glaze where no line differs by more than a rounding.
 *
 * Source: science §11.
 *
 * @param versions - of any recipes, in any order
 * @returns by recipe and number, as `versionKey` names them
 * @example
 * glazesOfVersions([{ recipeId: 'ash', number: 1, lines: [] }]).get('ash 1') // 'ash'
 */
export function glazesOfVersions(versions: readonly GlazeVersion[]): Map<string, string> {
  const byRecipe = new Map<string, GlazeVersion[]>();
  for (const version of versions) byRecipe.set(version.recipeId, [...(byRecipe.get(version.recipeId) ?? []), version]);
  const glazes = new Map<string, string>();
  for (const [recipeId, all] of byRecipe) {
    /** One of each glaze, the newest first. */
    const apart: { of: GlazeVersion; glazeId: string }[] = [];
    for (const version of [...all].sort((a, b) => b.number - a.number)) {
      const same = apart.find(({ of }) => recipeDifference({ before: version.lines, after: of.lines }).length === 0);
      const glazeId = same?.glazeId ?? (apart.length === 0 ? recipeId : `${recipeId}@${version.number}`);
      if (!same) apart.push({ of: version, glazeId });
      glazes.set(versionKey(version), glazeId);
    }
  }
  return glazes;
}

/**
 * Returns how a version is called among versions of all recipes.
 *
 * @param version - its recipe and its number
 * @example
 * versionKey({ recipeId: 'ash', number: 2 }) // 'ash 2'
 */
export const versionKey = ({ recipeId, number }: Pick<GlazeVersion, 'recipeId' | 'number'>): string => `${recipeId} ${number}`;

/**
 * Returns the recipe of a glaze, whichever version it is.
 *
 * @param glazeId - from `glazesOfVersions`, or any other id
 * @example
 * recipeOfGlaze('ash@2') // 'ash'
 */
export const recipeOfGlaze = (glazeId: string): string => glazeId.split('@')[0]!;
