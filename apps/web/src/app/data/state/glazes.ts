import { inject, Injectable } from '@angular/core';
import type { BucketSummary, CoatDip, Recipe } from '@cazuela/contract';
import { glazeFacts, mixtureOf, type GlazeFacts, type Powder } from '@cazuela/core';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';

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

  all(): Observable<StudioGlazes> {
    return combineLatest([this.api.buckets(), this.api.recipes(), this.api.powders(), this.api.coatDips()]).pipe(
      map(([buckets, recipes, powders, dips]) => ({
        buckets,
        recipes,
        powders,
        dips,
        facts: buckets.flatMap((bucket) => factsOf(bucket, recipes, powders)),
      })),
    );
  }
}

function factsOf(bucket: BucketSummary, recipes: readonly Recipe[], powders: readonly Powder[]): GlazeFacts[] {
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
      contents: bucket.contents,
      powders,
    }),
  ];
}
