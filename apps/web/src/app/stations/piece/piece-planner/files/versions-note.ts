import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { BucketSummary, Recipe } from '@cazuela/contract';
import { layersOf, type PiecePlan } from '@cazuela/core';
import { PieceDraft } from '../draft/piece-draft';

/** A plan keeps the recipe versions it was made with, and says when a bucket or a recipe has changed. */
@Component({
  selector: 'cz-versions-note',
  imports: [MatButton],
  template: `
    @for (line of moved(); track line.bucketId) {
      <p class="look">
        {{ line.words }}
        @if (line.isRefilled) {
          <button type="button" matButton="text" (click)="take(line.bucketId)">Plan it with version {{ line.number }}</button>
        }
      </p>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VersionsNote {
  readonly plan = input.required<PiecePlan>();
  readonly buckets = input.required<readonly BucketSummary[]>();
  readonly recipes = input.required<readonly Recipe[]>();
  private readonly draft = inject(PieceDraft);
  protected readonly moved = computed(() => {
    const used = new Set(layersOf(this.plan()).map((layer) => layer.bucketId));
    return (this.plan().versions ?? []).flatMap((kept) => {
      const bucket = this.buckets().find((one) => one.id === kept.bucketId);
      if (!bucket || !used.has(kept.bucketId)) return [];
      const recipe = this.recipes().find((one) => one.id === bucket.recipeId);
      const name = bucket.body.name;
      if (bucket.recipeVersionId !== kept.recipeVersionId && bucket.recipeVersion !== null)
        return [
          {
            bucketId: kept.bucketId,
            number: bucket.recipeVersion,
            isRefilled: true,
            words: `${name} was version ${kept.number} when this was planned; its bucket now holds version ${bucket.recipeVersion}. Seconds and runs below are of what is in the bucket.`,
          },
        ];
      if (recipe && recipe.versionId !== kept.recipeVersionId)
        return [
          {
            bucketId: kept.bucketId,
            number: kept.number,
            isRefilled: false,
            words: `The recipe of ${name} was changed since (${recipe.reason}). This plan and its bucket keep version ${kept.number}.`,
          },
        ];
      return [];
    });
  });

  protected take(bucketId: string): void {
    const bucket = this.buckets().find((one) => one.id === bucketId);
    if (!bucket?.recipeVersionId || bucket.recipeVersion === null) return;
    const now = { bucketId, recipeVersionId: bucket.recipeVersionId, number: bucket.recipeVersion };
    this.draft.plan({ versions: (this.plan().versions ?? []).map((kept) => (kept.bucketId === bucketId ? now : kept)) });
  }
}
