import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import type { RecipeBody } from '@cazuela/contract';
import { attempt, recipeOutlook, substitute } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../data/http/mutation';
import { keyedResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { Units } from '../../../data/units/units';
import { ErrorBanner } from '../../../ui/error-banner';
import { outlookChangeWords } from '../recipe-words';
import { TextField } from '../../../ui/text-field';
import { Expansion } from '../../../ui/expansion';
import { Checkbox } from '../../../ui/checkbox';
import { ResourceState } from '../../../ui/resource-state';

/** "No more of this feldspar": the base solved again from what is on the shelf, what differs and what that does, kept as untested. */
@Component({
  selector: 'cz-substitute-page',
  imports: [Checkbox, ErrorBanner, Expansion, MatButton, ResourceState, RouterLink, TextField],
  templateUrl: './substitute-page.html',
  styleUrl: './substitute-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SubstitutePage {
  readonly id = input.required<string>();
  /** From the address: the powder that ran out. */
  readonly instead = input<string>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  protected readonly units = inject(Units);
  protected readonly saving = createMutation();
  protected readonly all = keyedResource(
    () => this.id(),
    (id) => combineLatest({ recipe: this.api.recipe(id), powders: this.api.powders() }),
  );
  /** Powders the base may be made of. */
  protected readonly allowed = signal<ReadonlySet<string>>(new Set());
  protected readonly filter = signal('');
  protected readonly baseIds = computed(() =>
    (this.all.value()?.recipe.body.lines ?? []).filter((line) => line.part === 'base').map((line) => line.powderId),
  );
  /** Those of the recipe first, then what has an analysis and belongs in a base. */
  protected readonly offered = computed(() => {
    const ids = new Set(this.baseIds());
    const text = this.filter().trim().toLowerCase();
    const usable = (this.all.value()?.powders ?? []).filter(
      (powder) =>
        ids.has(powder.id) ||
        (['flux', 'clay', 'glass former', 'opacifier'].includes(powder.role) && Object.keys(powder.oxides).length > 0 && powder.stockGrams !== 0),
    );
    return usable
      .filter((powder) => ids.has(powder.id) || this.allowed().has(powder.id) || powder.name.toLowerCase().includes(text))
      .sort((a, b) => Number(ids.has(b.id)) - Number(ids.has(a.id)) || a.name.localeCompare(b.name))
      .map((powder) => ({
        ...powder,
        inRecipe: ids.has(powder.id),
        words: powder.stockGrams === undefined ? '' : this.units.sack(powder.stockGrams),
      }));
  });
  protected readonly answer = computed(() => {
    const all = this.all.value();
    if (!all || this.allowed().size === 0) return undefined;
    const { lines } = all.recipe.body;
    return attempt(() => {
      const found = substitute({ lines, powders: all.powders, allowedIds: [...this.allowed()], newId: () => uuid() });
      const [before, after] = [recipeOutlook({ lines, powders: all.powders }), recipeOutlook({ lines: found.lines, powders: all.powders })];
      return {
        lines: found.lines.map((line) => ({
          ...line,
          name: all.powders.find((powder) => powder.id === line.powderId)?.name ?? '',
          was: lines.find((one) => one.powderId === line.powderId && one.part === line.part)?.percent,
        })),
        differences: found.differences,
        words: outlookChangeWords(before, after),
      };
    });
  });

  constructor() {
    const recipe = computed(() => this.all.value()?.recipe);
    effect(() => {
      if (recipe()) untracked(() => this.allowed.set(new Set(this.baseIds().filter((id) => id !== this.instead()))));
    });
  }

  protected toggle(id: string): void {
    this.allowed.update((all) => {
      const next = new Set(all);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }

  protected keep(): void {
    const recipe = this.all.value()?.recipe;
    const answer = this.answer();
    if (!recipe || answer?.kind !== 'ok') return;
    const gone = this.baseIds()
      .filter((id) => !answer.value.lines.some((line) => line.powderId === id))
      .map((id) => this.nameOf(id));
    const why = gone.length > 0 ? `Without ${gone.join(', ')}: solved from other powders` : 'Solved again from other powders';
    const lines = answer.value.lines.map(({ id, powderId, part, percent }) => ({ id, powderId, part, percent: Number(percent.toFixed(2)) }));
    const body: RecipeBody = { ...recipe.body, lines, foodTested: false, untested: `${why}. Nobody has fired it.` };
    this.saving.run(this.api.updateRecipe(recipe.id, recipe.version, why, body), () => void this.router.navigate(['/recipe', recipe.id]));
  }

  private nameOf(id: string): string {
    return this.all.value()?.powders.find((powder) => powder.id === id)?.name ?? 'a powder';
  }
}
