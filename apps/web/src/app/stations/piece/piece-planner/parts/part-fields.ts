import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MOST_PARTS, shapeOf } from '@cazuela/core';
import { TextField } from '../../../../ui/text-field';
import { PieceDraft } from '../draft/piece-draft';
import { newPiecePart, PART_KINDS, type PartKind } from './new-piece-part';

/** A lid or saucer is added to the piece; the one that is shown is named, or taken away. */
@Component({
  selector: 'cz-part-fields',
  imports: [MatButton, TextField],
  template: `
    @if (part(); as one) {
      <cz-text-field label="Name of the part" [value]="one.name" updateOn="change" (changed)="rename(one.id, $event.trim())" />
      <button type="button" matButton="text" (click)="remove(one.id)">Take it away</button>
    } @else if (parts().length < most) {
      <span class="small quiet">Goes with it:</span>
      @for (kind of kinds; track kind[0]) {
        <button type="button" matButton="text" (click)="add(kind[0])">{{ kind[1] }}</button>
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      gap: 0.4rem;
      align-items: center;
    }
    cz-text-field {
      flex: 1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartFields {
  private readonly draft = inject(PieceDraft);
  protected readonly kinds = PART_KINDS;
  protected readonly most = MOST_PARTS;
  protected readonly parts = computed(() => this.draft.whole()?.parts ?? []);
  protected readonly part = computed(() => this.parts().find(({ id }) => id === this.draft.part()));

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
