import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { shapeOf } from '@cazuela/core';
import { Choice } from '../../../../ui/choice';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';

/** The piece with its lid and saucer: one of them is planned at a time, all of them go on the day and into the kiln together. */
@Component({
  selector: 'cz-plan-parts',
  imports: [Choice],
  template: `
    @if (options().length > 1) {
      <cz-choice label="Part of the piece" labelHidden [options]="options()" [value]="chosen()" (changed)="draft.part.set($event)" />
      @for (line of others(); track line.id) {
        <p class="small look" [title]="line.words">{{ line.words }}</p>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.2rem;
      --choice-padding: 0.6rem;
      &:empty {
        display: none;
      }
    }
    // One line: all of it stands on its own page of the part.
    p {
      margin: 0;
      overflow: hidden;
      white-space: nowrap;
      text-overflow: ellipsis;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanParts {
  protected readonly draft = inject(PieceDraft);
  private readonly screen = inject(PieceScreen);
  private readonly parts = computed(() => this.draft.whole()?.parts ?? []);
  protected readonly chosen = computed(() => this.parts().find(({ id }) => id === this.draft.part())?.id ?? '');
  private readonly all = computed(() => {
    const whole = this.draft.whole();
    return whole ? [{ id: '', name: shapeOf(whole.plan).name, plan: whole.plan }, ...(whole.parts ?? [])] : [];
  });
  protected readonly options = computed(() => this.all().map(({ id, name }) => [id, name] as const));
  /** What speaks most against the parts that are not shown now. */
  protected readonly others = computed(() =>
    this.all().flatMap(({ id, name, plan }) => {
      const worst = id === this.chosen() ? undefined : this.screen.worstOf(plan);
      return worst ? [{ id, words: `${name}: ${worst}` }] : [];
    }),
  );
}
