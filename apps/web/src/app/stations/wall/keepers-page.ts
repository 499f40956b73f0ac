import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { combineLatest } from 'rxjs';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { isKeeper } from '../../data/results/keepers';
import { PutAwayStore } from '../../data/state/put-away-store';
import { EmptyState } from '../../ui/empty-state';
import { ResourceState } from '../../ui/resource-state';
import { KeeperCard } from './keeper-card';

/** What came out so well that it is worth repeating. */
@Component({
  selector: 'cz-keepers-page',
  imports: [EmptyState, KeeperCard, ResourceState, RouterLink],
  template: `
    <div class="page">
      <p class="small no-print"><a routerLink="/wall">Wall</a></p>
      <h1>Keepers</h1>
      <cz-resource-state [resource]="all" />
      @for (keeper of keepers(); track keeper.piece.id) {
        <cz-keeper-card [piece]="keeper.piece" [result]="keeper.result" />
      } @empty {
        @if (all.value()) {
          <cz-empty-state words="No keeper yet. On the wall, “Keep it” saves the plan of a result with all that has to be the same.">
            <a routerLink="/wall">To the wall</a>
          </cz-empty-state>
        }
      }
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeepersPage {
  private readonly api = inject(StudioApi);
  private readonly away = inject(PutAwayStore);
  protected readonly all = apiResource(() => combineLatest({ pieces: this.api.pieces(), results: this.api.results() }));
  protected readonly keepers = computed(() => {
    const { pieces = [], results = [] } = this.all.value() ?? {};
    return this.away
      .without('piece', pieces)
      .filter(isKeeper)
      .map((piece) => ({ piece, result: results.find(({ id }) => id === piece.body.keeper.resultId) }));
  });
}
