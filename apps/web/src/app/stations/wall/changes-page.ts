import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { combineLatest } from 'rxjs';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { ledgerOf } from '../../data/results/result-changes';
import { PutAwayStore } from '../../data/state/put-away-store';
import { formatWhen } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { RecordMenu } from '../../parts/records/record-menu';
import { percentOf } from '../../parts/words/chance-words';
import { EmptyState } from '../../ui/empty-state';
import { ResourceState } from '../../ui/resource-state';
import { changeWords, outcomeWords } from './change-words';

/** The ledger of changes: what was done about faults, what was not wanted and why, and whether it helped. */
@Component({
  selector: 'cz-changes-page',
  imports: [EmptyState, RecordMenu, ResourceState, RouterLink],
  template: `
    <div class="page">
      <p class="small no-print"><a routerLink="/wall">Wall</a></p>
      <h1>Changes</h1>
      <cz-resource-state [resource]="all" />
      @if (rows().length > 0) {
        <p>{{ summary() }}</p>
      }
      <ul class="plain-list ruled" aria-label="Changes">
        @for (row of rows(); track row.id) {
          <li>
            <div>
              <strong>{{ row.words }}</strong>
              <p class="quiet small">{{ row.about }}; <a routerLink="/wall" [queryParams]="{ result: row.resultId }">the result</a></p>
            </div>
            <p class="figure">{{ row.before }} → {{ row.after }}</p>
            <p [class]="row.tone">{{ row.outcome }}</p>
            <p class="small quiet">{{ row.who }}</p>
            <cz-record-menu kind="change" [recordId]="row.id" [name]="row.words" (deleted)="all.reload()" />
          </li>
        } @empty {
          @if (all.value()) {
            <li class="empty">
              <cz-empty-state words="No change yet. Where a result has a fault, “Why?” tells its likely causes and one thing to do otherwise.">
                <a routerLink="/wall">To the wall</a>
              </cz-empty-state>
            </li>
          }
        }
      </ul>
    </div>
  `,
  styles: `
    li {
      display: grid;
      grid-template-columns: minmax(0, 2fr) 8rem minmax(0, 1fr) minmax(0, 1fr) auto;
      gap: 0.3rem 1.2rem;
      align-items: center;
      padding: 0.7rem 0;
    }
    .empty {
      display: block;
    }
    .figure {
      font-weight: 600;
    }
    @media (max-width: 900px) {
      li {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChangesPage {
  private readonly api = inject(StudioApi);
  private readonly units = inject(Units);
  private readonly away = inject(PutAwayStore);
  protected readonly all = apiResource(() =>
    combineLatest({ entries: this.api.resultChanges(), results: this.api.results(), pieces: this.api.pieces() }),
  );
  private readonly ledger = computed(() => {
    const all = this.all.value();
    return all ? ledgerOf(this.away.without('change', all.entries), all.results) : [];
  });
  protected readonly rows = computed(() =>
    this.ledger().map(({ entry: { id, body }, outcome }) => {
      const isMade = body.decision === 'made';
      const told = outcomeWords(outcome);
      const name = this.all.value()?.pieces.find((piece) => piece.id === body.pieceId)?.body.name ?? 'a piece';
      return {
        id,
        resultId: body.resultId,
        words: changeWords(body.kind, body, this.units),
        about: `${name}: ${body.fault}, ${body.where}`,
        before: percentOf(body.chanceBefore),
        after: percentOf(body.chanceAfter),
        outcome: isMade ? told.words : `not wanted${body.reason ? `: ${body.reason}` : ''}`,
        tone: isMade ? told.tone : 'quiet',
        who: `${body.by}, ${formatWhen(body.at)}`,
      };
    }),
  );
  protected readonly summary = computed(() => {
    const made = this.ledger().filter(({ entry }) => entry.body.decision === 'made');
    const tried = made.filter(({ outcome }) => outcome.kind !== 'notTried');
    const helped = tried.filter(({ outcome }) => outcome.kind === 'helped').length;
    return `${made.length} made, ${tried.length} tried, ${helped} of those helped. A change is tried when the next pieces of its plan are glazed, fired and read.`;
  });
}
