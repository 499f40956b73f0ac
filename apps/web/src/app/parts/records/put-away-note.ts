import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { RecordKind } from '@cazuela/contract';
import { PutAwayStore } from '../../data/state/put-away-store';
import { formatWhen } from '../../data/units/times';
import { RecordActions } from './record-actions';

/** On the page of a record that is put away: by whom, and the way back. */
@Component({
  selector: 'cz-put-away-note',
  imports: [MatButton],
  template: `
    @if (mark(); as it) {
      <p class="again" role="note">
        Put away by {{ it.by }}, {{ when(it.at) }}.
        <button type="button" matButton="text" (click)="actions.bringBack(it)">Bring it back</button>
      </p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PutAwayNote {
  readonly kind = input.required<RecordKind>();
  readonly recordId = input.required<string>();
  protected readonly actions = inject(RecordActions);
  private readonly store = inject(PutAwayStore);
  protected readonly when = formatWhen;
  protected readonly mark = computed(() => this.store.find({ kind: this.kind(), id: this.recordId() }));
}
