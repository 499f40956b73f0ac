import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { RecipeBody } from '@cazuela/contract';
import { STARTING_RECIPES, startingLines, type Powder, type StartingRecipe } from '@cazuela/core';
import { v7 as uuid } from 'uuid';

/** Where a new recipe is still empty: three of ours to begin with. */
@Component({
  selector: 'cz-starting-recipes',
  imports: [MatButton],
  template: `
    <p>Type it below, paste it, or begin with one of ours and change it:</p>
    <ul class="plain-list">
      @for (recipe of recipes; track recipe.key) {
        <li>
          <button type="button" matButton="outlined" (click)="take(recipe)">{{ recipe.name }}</button>
          <span class="quiet small">{{ recipe.words }}</span>
        </li>
      }
    </ul>
    @if (refused(); as words) {
      <p class="look" role="alert">{{ words }}</p>
    }
    <p class="quiet small">For cone 5 to 6, worked out from the powder table and fired by nobody yet: a tile on your clay comes first.</p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
      margin: 0.6rem 0 1rem;
      padding: 0.9rem 1.1rem;
      border: 2px dashed var(--line);
      border-radius: var(--round);
    }
    ul {
      display: grid;
      gap: 0.4rem;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.2rem 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartingRecipes {
  readonly powders = input.required<readonly Powder[]>();
  readonly taken = output<Partial<RecipeBody>>();
  protected readonly recipes = STARTING_RECIPES;
  protected readonly refused = signal('');

  protected take(recipe: StartingRecipe): void {
    const { lines, missing } = startingLines({ recipe, powders: this.powders(), newId: uuid });
    this.refused.set(missing.length > 0 ? `This studio has no ${missing.join(' and no ')}: enter it among the powders first.` : '');
    if (missing.length > 0) return;
    const { name, surface, colour } = recipe;
    this.taken.emit({ name, lines, surface, colour, untested: 'A starting recipe: worked out, and not fired on your clay yet.' });
  }
}
