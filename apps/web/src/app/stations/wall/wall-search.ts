import type { PhotoColours, Piece, Recipe, Result } from '@cazuela/contract';
import { colourDifference, type Oklab } from '@cazuela/core';

/** What is looked for on the wall; empty or 0 where it does not matter. */
export interface WallSearch {
  words: string;
  stars: number;
  fault: string;
  bodyId: string;
  surface: string;
  /** Year and month, "2026-03". */
  month: string;
  like: Oklab | undefined;
}

/** What is known beside the results. */
export interface WallFacts {
  pieces: ReadonlyMap<string, Piece>;
  /** By bucket. */
  surfaces: ReadonlyMap<string, Recipe['body']['surface']>;
  colours: ReadonlyMap<string, PhotoColours>;
}

/** A colour that covers less of a photo than this is no colour of the piece. */
const LEAST_SHARE = 0.08;
/** Further away nobody calls it alike. */
const MOST_DIFFERENT = 12;

/** A result that is like what was looked for. */
export interface FoundResult {
  result: Result;
  /** ΔE in OKLab, times 100; undefined where no colour was looked for. */
  difference?: number | undefined;
}

/** Returns the results that are like what is looked for; by colour the nearest first, else in their order. */
export function findOnWall(results: readonly Result[], search: WallSearch, facts: WallFacts): FoundResult[] {
  const words = search.words.trim().toLowerCase();
  const found = results.filter((result) => {
    const { body, pieceName, glazedWith, firedAt } = result;
    const text = [pieceName, body.note, ...glazedWith.map(({ bucketName }) => bucketName ?? '')].join(' ').toLowerCase();
    return (
      text.includes(words) &&
      body.stars >= search.stars &&
      (!search.fault || body.faults.some(({ fault }) => fault === search.fault)) &&
      (!search.bodyId || facts.pieces.get(body.pieceId)?.body.bodyId === search.bodyId) &&
      (!search.surface || glazedWith.some(({ bucketId }) => bucketId !== null && facts.surfaces.get(bucketId) === search.surface)) &&
      (!search.month || monthOf(firedAt) === search.month)
    );
  });
  const { like } = search;
  if (!like) return found.map((result) => ({ result }));
  return found
    .map((result) => ({ result, difference: differenceOf(result, like, facts) }))
    .filter(({ difference }) => difference <= MOST_DIFFERENT)
    .sort((a, b) => a.difference - b.difference);
}

/** Of the nearest of its colours; infinite where no photo was counted. */
function differenceOf({ body }: Result, like: Oklab, { colours }: WallFacts): number {
  const photoIds = new Set([...(body.photoId ? [body.photoId] : []), ...(body.photoIds ?? [])]);
  let least = Infinity;
  for (const photoId of photoIds)
    for (const { oklab, share } of colours.get(photoId)?.colours ?? [])
      if (share >= LEAST_SHARE) least = Math.min(least, colourDifference(oklab, like));
  return least;
}

/** Returns the month in which something was fired, as the potter's calendar has it: "2026-03". */
export function monthOf(firedAt: string): string {
  const at = new Date(firedAt);
  return `${at.getFullYear()}-${String(at.getMonth() + 1).padStart(2, '0')}`;
}
