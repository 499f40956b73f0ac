import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MOST_PARTS, shapeOf } from '@cazuela/core';
import { Choice } from '../../../../ui/choice';
import { TextField } from '../../../../ui/text-field';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';
import { newPiecePart, PART_KINDS, type PartKind } from './new-piece-part';

/** The piece with its lid and saucer: one of them is planned at a time, all of them go on the day and into the kiln together. */
@Component({
  selector: 'cz-plan-parts',
  imports: [Choice, MatButton, TextField],
  template: `
    @if (parts().length > 0) {
      <cz-choice label="Part of the piece" labelHidden [options]="options()" [value]="chosen()" (changed)="draft.part.set($event)" />
      @for (line of others(); track line.id) {
        <p class="small look">{{ line.words }}</p>
      }
    }
    <div class="row">
      @if (part(); as one) {
        <cz-text-field label="Name of the part" [value]="one.name" updateOn="change" (changed)="rename(one.id, $event.trim())" />
        <button type="button" matButton="text" (click)="remove(one.id)">Take it away</button>
      } @else if (parts().length < most) {
        <span class="small quiet">Goes with it:</span>
        @for (kind of kinds; track kind[0]) {
          <button type="button" matButton="text" (click)="add(kind[0])">{{ kind[1] }}</button>
        }
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.3rem;
      --choice-padding: 0.6rem;
    }
    .row {
      gap: 0.4rem;
      align-items: center;
    }
    cz-text-field {
      flex: 1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanParts {
  protected readonly draft = inject(PieceDraft);
  private readonly screen = inject(PieceScreen);
  protected readonly kinds = PART_KINDS;
  protected readonly most = MOST_PARTS;
  protected readonly parts = computed(() => this.draft.whole()?.parts ?? []);
  protected readonly part = computed(() => this.parts().find(({ id }) => id === this.draft.part()));
  protected readonly chosen = computed(() => this.part()?.id ?? '');
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

  protected add(kind: PartKind): void {
    const { plan } = this.draft.whole()!;
    const part = newPiecePart(kind, plan, shapeOf(plan));
    this.draft.change({ parts: [...this.parts(), part], ...(kind === 'lid' ? { plan: { ...plan, lid: true } } : {}) });
    if (this.draft.refused() === undefined) this.draft.part.set(part.id);
  }

  protected rename(id: string, name: string): void {
    if (name) this.draft.change({ parts: this.parts().map((part) => (part.id === id ? { ...part, name } : part)) });
  }

  protected remove(id: string): void {
    this.draft.part.set('');
    const parts = this.parts().filter((part) => part.id !== id);
    this.draft.change({ parts: parts.length > 0 ? parts : undefined });
  }
}
