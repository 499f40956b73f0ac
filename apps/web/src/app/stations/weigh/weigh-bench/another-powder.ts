import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { StudioPowder } from '@cazuela/contract';
import { attempt, recipeOutlook, type Attempt, type BatchLineState, type RecipeLine, type RecipeOutlook } from '@cazuela/core';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { ErrorBanner } from '../../../ui/error-banner';
import { anotherPowderWords } from '../weigh-words';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import type { FieldOption } from '../../../ui/options';

/** Another powder in a line's place, with what that changes said before it is done. */
@Component({
  selector: 'cz-another-powder',
  imports: [AutocompleteField, ErrorBanner, MatButton],
  template: `
    <cz-error-banner [failure]="powders.failure()" (again)="powders.reload()" />
    <cz-autocomplete
      [label]="'Weigh instead of ' + (line().insteadOf ?? line().name)"
      [options]="powderOptions()"
      [value]="chosenId()"
      (changed)="chosenId.set($event)"
    />
    @if (words(); as said) {
      <p class="look">{{ said }}</p>
      <p class="small">The batch becomes a test: dip a tile of it before any pot is trusted to it.</p>
    }
    <span class="row">
      <button type="button" matButton="filled" [disabled]="!chosen()" (click)="taken.emit(chosen()!)">Take it</button>
      <button type="button" matButton="outlined" (click)="left.emit()">Leave it</button>
    </span>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnotherPowder {
  readonly line = input.required<BatchLineState>();
  readonly lines = input.required<readonly BatchLineState[]>();
  readonly taken = output<StudioPowder>();
  readonly left = output();
  private readonly api = inject(StudioApi);
  protected readonly powders = apiResource(() => this.api.powders());
  protected readonly chosenId = signal('');
  protected readonly chosen = computed(() => this.powders.value()?.find((powder) => powder.id === this.chosenId()));
  protected readonly words = computed(() => {
    const chosen = this.chosen();
    const powders = this.powders.value();
    if (!chosen || !powders) return '';
    const outlook = (instead?: string): Attempt<RecipeOutlook> => attempt(() => recipeOutlook({ lines: this.asRecipe(instead), powders }));
    const [before, after] = [outlook(), outlook(chosen.id)];
    return before.kind === 'ok' && after.kind === 'ok' ? anotherPowderWords(chosen, before.value, after.value) : '';
  });
  protected readonly powderOptions = computed((): FieldOption[] => [
    ['', 'choose a powder'],
    ...(this.powders.value() ?? []).map((powder) => [powder.id, powder.name] as const),
  ]);

  private asRecipe(instead: string | undefined): RecipeLine[] {
    return this.lines().map(({ lineId, powderId, part, targetGrams }) => ({
      id: lineId,
      powderId: instead && lineId === this.line().lineId ? instead : powderId,
      part,
      percent: targetGrams,
    }));
  }
}
