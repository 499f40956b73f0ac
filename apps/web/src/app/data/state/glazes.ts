import { inject, Injectable } from '@angular/core';
import type { BucketSummary, CoatDip, Recipe } from '@cazuela/contract';
import { attempt, contentsIfMixed, glazeFacts, mixtureOf, type GlazeFacts, type Powder } from '@cazuela/core';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';
import { whileUnchanged } from '../unchanged';
import { compareText } from '../units/compare';

export interface StudioGlazes {
  buckets: BucketSummary[];
  recipes: Recipe[];
  powders: Powder[];
  facts: GlazeFacts[];
  /** Measured dips: what the seconds of a plan are learnt from. */
  dips: CoatDip[];
}

/** Every bucket with what ordering, running and food warnings need to know of it. */
@Injectable({ providedIn: 'root' })
export class Glazes {
  private readonly api = inject(StudioApi);
  private readonly withFacts = whileUnchanged((known: Omit<StudioGlazes, 'facts'>): StudioGlazes => ({
    ...known,
    facts: known.buckets.flatMap((bucket) => factsOf(bucket, known.recipes, known.powders)),
  }));

  all(): Observable<StudioGlazes> {
    return combineLatest({
      buckets: this.api.buckets(),
      recipes: this.api.recipes(),
      powders: this.api.powders(),
      dips: this.api.coatDips(),
    }).pipe(map(this.withFacts));
  }
}

/**
 * Returns a recipe as if it were in a bucket: in the one that is filled with it, else as it would be if it were mixed now to the middle of its
 * range. A plan names it by the id of the recipe. Undefined for a recipe that cannot be mixed.
 */
export function glazeOfRecipe(
  recipe: Recipe,
  { buckets, powders }: { buckets: readonly BucketSummary[]; powders: readonly Powder[] },
): BucketSummary | undefined {
  const filled = bucketOfRecipe(recipe.id, buckets);
  if (filled) return { ...filled, id: recipe.id };
  const { name, sgLow, sgHigh, colour, lines } = recipe.body;
  const mixed = attempt(() => contentsIfMixed({ lines, powders, sg: (sgLow + sgHigh) / 2 }));
  if (mixed.kind !== 'ok') return undefined;
  return {
    id: recipe.id,
    code: '',
    version: 1,
    body: { name, sgLow, sgHigh, colour, capacityMl: Math.ceil(mixed.value.volumeMl), notes: '' },
    recipeId: recipe.id,
    recipeVersionId: recipe.versionId,
    recipeVersion: recipe.version,
    createdAt: recipe.changedAt,
    contents: mixed.value,
  };
}

/** The bucket that is filled with a recipe, the newest first. */
export const bucketOfRecipe = (recipeId: string, buckets: readonly BucketSummary[]): BucketSummary | undefined =>
  buckets
    .filter((bucket) => bucket.recipeId === recipeId && bucket.contents && !bucket.body.closedAt)
    .sort((a, b) => compareText(b.createdAt, a.createdAt))[0];

export function factsOf(bucket: BucketSummary, recipes: readonly Recipe[], powders: readonly Powder[]): GlazeFacts[] {
  if (!bucket.contents) return [];
  const recipe = recipes.find((candidate) => candidate.id === bucket.recipeId)?.body;
  const { name, colour } = bucket.body;
  return [
    glazeFacts({
      bucketId: bucket.id,
      name,
      colour,
      surface: recipe?.surface ?? 'unknown',
      movement: recipe?.movement ?? 'unknown',
      // A food test is about the recipe it was made with, not about a glaze that was stained, mixed or spoiled since.
      foodTested: (recipe?.foodTested ?? false) && bucket.contents.stainGrams === 0 && !mixtureOf(bucket.contents) && !bucket.contents.contaminated,
      coneLow: recipe?.coneLow,
      coneHigh: recipe?.coneHigh,
      contents: bucket.contents,
      // A recipe that nobody mixed yet stands in no bucket.
      ...(bucket.code === ''
        ? {}
        : { bucket: { code: bucket.code, lowSg: bucket.body.sgLow, highSg: bucket.body.sgHigh, shape: bucket.body.shape } }),
      powders,
    }),
  ];
}
