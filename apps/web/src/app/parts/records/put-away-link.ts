import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { RecordKind } from '@cazuela/contract';
import { PutAwayStore } from '../../data/state/put-away-store';

/** Under a list: how many of its kind are put away, and the way to them. */
@Component({
  selector: 'cz-put-away-link',
  imports: [RouterLink],
  template: `
    @if (count() > 0) {
      <p class="quiet small">
        <a routerLink="/studio/put-away" [queryParams]="{ kind: kind() }">{{ count() }} put away</a>
      </p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PutAwayLink {
  readonly kind = input.required<RecordKind>();
  private readonly store = inject(PutAwayStore);
  protected readonly count = computed(() => this.store.count(this.kind()));
}
