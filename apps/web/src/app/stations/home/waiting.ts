import type { BatchSummary, BucketSummary, Day, Piece, Recipe, Result } from '@cazuela/contract';
import type { StudioNow } from '@cazuela/core';
import { compareText } from '../../data/units/compare';

/** Returns what was written and planned and not begun yet, newest first: recipes nobody weighed, pieces that were on no day and in no kiln. */
export function waitingOf(studio: {
  recipes: readonly Recipe[];
  batches: readonly BatchSummary[];
  buckets: readonly BucketSummary[];
  pieces: readonly Piece[];
  days: readonly Day[];
  results: readonly Result[];
}): Pick<StudioNow, 'unweighedRecipes' | 'unglazedPieces'> {
  const { recipes, batches, buckets, pieces, days, results } = studio;
  const weighed = new Set([...batches, ...buckets].map((one) => one.recipeId));
  const begun = new Set([...days.flatMap((day) => day.items.map((item) => item.pieceId)), ...results.map((result) => result.body.pieceId)]);
  return {
    unweighedRecipes: recipes
      .filter((recipe) => !weighed.has(recipe.id))
      .sort((a, b) => compareText(b.changedAt, a.changedAt))
      .map(({ id, body }) => ({ id, name: body.name })),
    unglazedPieces: pieces
      .filter((piece) => !begun.has(piece.id) && hasCoat(piece))
      .sort((a, b) => compareText(b.createdAt, a.createdAt))
      .map(({ id, body }) => ({ id, name: body.name, count: body.count })),
  };
}

const hasCoat = ({ body: { plan } }: Piece): boolean => Object.values(plan.zones).some((layers) => layers.length > 0);
