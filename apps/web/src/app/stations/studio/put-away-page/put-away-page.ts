import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { recordKindSchema } from '@cazuela/contract';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { formatWhen } from '../../../data/units/times';
import { RecordActions } from '../../../parts/records/record-actions';
import { RECORD_WORDS, recordLink } from '../../../parts/records/record-paths';
import { EmptyState } from '../../../ui/empty-state';
import { SelectField } from '../../../ui/select-field';
import { TextField } from '../../../ui/text-field';

/** Everything that is out of the lists: found again, brought back, or deleted where nothing needs it. What is shown stands in the address. */
@Component({
  selector: 'cz-put-away-page',
  imports: [EmptyState, MatButton, RouterLink, SelectField, TextField],
  template: `
    <div class="page">
      <div class="spread">
        <h1>Put away</h1>
        <div class="row">
          <cz-text-field
            label="Called"
            labelHidden
            type="search"
            placeholder="name or code"
            [value]="called() ?? ''"
            (changed)="show({ called: $event })"
          />
          <cz-select label="Kind" labelHidden [options]="kinds()" [value]="kind() ?? ''" (changed)="show({ kind: $event })" />
        </div>
      </div>
      <p class="quiet">Out of the lists and kept whole: what was made of it still reads as before.</p>
      <ul class="plain-list ruled">
        @for (row of rows(); track row.record.kind + row.record.id) {
          <li class="spread">
            <span>
              <a [routerLink]="row.link.path" [queryParams]="row.link.query"
                ><strong>{{ row.record.code }} {{ row.record.name }}</strong></a
              >
              <span class="quiet small">{{ row.words }}, put away by {{ row.record.by }}, {{ when(row.record.at) }}</span>
            </span>
            <span class="row">
              <button type="button" matButton="outlined" (click)="actions.bringBack(row.record)" [attr.aria-label]="'Bring back ' + row.record.name">
                Bring it back
              </button>
              <button type="button" matButton="text" (click)="actions.delete(row.record)" [attr.aria-label]="'Delete ' + row.record.name">
                Delete…
              </button>
            </span>
          </li>
        } @empty {
          <li class="none">
            <cz-empty-state [words]="called() || kind() ? 'Nothing of that kind or name is put away.' : 'Nothing is put away.'" />
          </li>
        }
      </ul>
    </div>
  `,
  styles: `
    li.spread {
      padding: 0.5rem 0;
    }
    li > span:first-child {
      display: grid;
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PutAwayPage {
  /** From the address. */
  readonly kind = input<string>();
  readonly called = input<string>();
  private readonly router = inject(Router);
  private readonly store = inject(PutAwayStore);
  protected readonly actions = inject(RecordActions);
  protected readonly when = formatWhen;
  protected readonly kinds = computed(() => {
    const there = new Set(this.store.all().map((one) => one.kind));
    return [
      ['', 'everything'] as const,
      ...recordKindSchema.options.filter((kind) => there.has(kind)).map((kind) => [kind, RECORD_WORDS[kind][1]] as const),
    ];
  });
  protected readonly rows = computed(() => {
    const called = (this.called() ?? '').trim().toLowerCase();
    return this.store
      .all()
      .filter((one) => (!this.kind() || one.kind === this.kind()) && `${one.code ?? ''} ${one.name}`.toLowerCase().includes(called))
      .map((record) => ({ record, words: RECORD_WORDS[record.kind][0], link: recordLink(record) }));
  });

  protected show(change: { kind?: string; called?: string }): void {
    const queryParams = Object.fromEntries(Object.entries(change).map(([key, value]) => [key, value || null]));
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl: true });
  }
}
