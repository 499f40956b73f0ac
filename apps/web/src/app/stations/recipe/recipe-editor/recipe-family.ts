import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { siblings, type Powder } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { keyedResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { formatDateTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { ResourceState } from '../../../ui/resource-state';

/** Where a recipe is used, and which others stand on the same base. */
@Component({
  selector: 'cz-recipe-family',
  imports: [ResourceState, RouterLink],
  template: `
    <cz-resource-state [resource]="all" />
    @if (all.value(); as it) {
      <ul class="plain-list ruled">
        @for (one of family(); track one.id) {
          <li>
            <a [routerLink]="['/recipe', one.id]">{{ one.name }}</a> <span class="quiet small">sibling: {{ one.words }}</span>
          </li>
        }
        @for (bucket of it.uses.buckets; track bucket.id) {
          <li>
            <a [routerLink]="['/bucket', bucket.id]"
              ><span class="figure">{{ bucket.code }}</span> {{ bucket.name }}</a
            >
            <span class="quiet small">bucket{{ bucket.number ? ', version ' + bucket.number : '' }}</span>
          </li>
        }
        @for (batch of it.uses.batches; track batch.id) {
          <li>
            <a [routerLink]="['/weigh', batch.id]">Batch of {{ units.mass(batch.totalGrams) }}</a>
            <span class="quiet small">{{ when(batch.at) }}, version {{ batch.number }}</span>
          </li>
        }
        @for (result of it.uses.results; track result.id) {
          <li>
            <a routerLink="/wall">{{ result.pieceName }}</a>
            <span class="quiet small"
              >fired {{ when(result.firedAt) }}, {{ result.stars }} of 5{{ result.number ? ', version ' + result.number : '' }}</span
            >
          </li>
        }
        @if (family().length + it.uses.buckets.length + it.uses.batches.length + it.uses.results.length === 0) {
          <li class="quiet">Nowhere yet: no sibling on this base, no batch, no bucket, no tile.</li>
        }
      </ul>
    }
  `,
  styles: `
    li {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 0 1rem;
      align-items: center;
      min-height: 44px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipeFamily {
  readonly recipeId = input.required<string>();
  readonly powders = input.required<readonly Powder[]>();
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  protected readonly when = formatDateTime;
  protected readonly all = keyedResource(
    () => this.recipeId(),
    (id) => combineLatest({ uses: this.api.recipeUses(id), recipes: this.api.recipes() }),
  );
  protected readonly family = computed(() => {
    const recipes = this.all.value()?.recipes ?? [];
    const me = recipes.find((recipe) => recipe.id === this.recipeId());
    if (!me) return [];
    const nameOf = (powderId: string): string => this.powders().find((powder) => powder.id === powderId)?.name ?? 'a powder';
    const others = recipes.map((recipe) => ({ id: recipe.id, lines: recipe.body.lines }));
    return siblings({ recipe: { id: me.id, lines: me.body.lines }, others }).map(({ id, differingPowderIds }) => ({
      id,
      name: recipes.find((recipe) => recipe.id === id)!.body.name,
      words: differingPowderIds.length === 0 ? 'the same powders' : `differs in ${differingPowderIds.map(nameOf).join(', ')}`,
    }));
  });
}
