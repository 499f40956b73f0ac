import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { attempt, baseSum, recipeOutlook } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { Units } from '../../../data/units/units';
import { Loading } from '../../../ui/loading';
import { ErrorBanner } from '../../../ui/error-banner';
import { stripeColours } from '../recipe-words';
import { TextField } from '../../../ui/text-field';

/** Recipes drawn at first. */
const AT_ONCE = 60;

@Component({
  selector: 'cz-recipe-shelf',
  imports: [ErrorBanner, Loading, MatButton, RouterLink, TextField],
  templateUrl: './recipe-shelf.html',
  styleUrl: './recipe-shelf.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipeShelf {
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  /** Only recipes with this powder, when the address names one. */
  readonly powder = input<string>();
  protected readonly all = apiResource(() => combineLatest({ recipes: this.api.recipes(), powders: this.api.powders() }));
  protected readonly filter = signal('');
  protected readonly powderName = computed(() => this.all.value()?.powders.find((powder) => powder.id === this.powder())?.name);
  /** How many of a long list are drawn: nobody reads five thousand rows, and drawing them takes seconds. */
  protected readonly shown = signal(AT_ONCE);
  private readonly found = computed(() => {
    const all = this.all.value();
    if (!all) return [];
    const text = this.filter().trim().toLowerCase();
    return all.recipes.filter(
      (recipe) =>
        recipe.body.name.toLowerCase().includes(text) && (!this.powder() || recipe.body.lines.some((line) => line.powderId === this.powder())),
    );
  });
  protected readonly more = computed(() => Math.max(0, this.found().length - this.shown()));
  protected readonly entries = computed(() => {
    const all = this.all.value();
    if (!all) return [];
    return this.found()
      .slice(0, this.shown())
      .map((recipe) => {
        const { lines } = recipe.body;
        const sum = baseSum({ lines });
        const outlook = attempt(() => recipeOutlook({ lines, powders: all.powders }));
        return {
          recipe,
          density: outlook.kind === 'ok' ? outlook.value.density : undefined,
          stripes: lines
            .filter((line) => line.part === 'base' && sum > 0)
            .map((line, index) => ({
              id: line.id,
              share: (100 * line.percent) / sum,
              colour: stripeColours[index % stripeColours.length],
              name: all.powders.find((powder) => powder.id === line.powderId)?.name ?? '',
            })),
        };
      });
  });

  protected showMore(): void {
    this.shown.update((count) => count + AT_ONCE);
  }

  protected type(text: string): void {
    this.filter.set(text);
    this.shown.set(AT_ONCE);
  }
}
