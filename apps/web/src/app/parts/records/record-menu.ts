import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatTooltip } from '@angular/material/tooltip';
import { Router } from '@angular/router';
import type { RecordKind } from '@cazuela/contract';
import { PutAwayStore } from '../../data/state/put-away-store';
import { mayBePutAway } from './named-record';
import { RecordActions } from './record-actions';

/** What is rarer, for one record: put away or brought back, deleted for good. */
@Component({
  selector: 'cz-record-menu',
  imports: [MatIcon, MatIconButton, MatMenuModule, MatTooltip],
  template: `
    <button type="button" matIconButton [matMenuTriggerFor]="rarer" [attr.aria-label]="'More of ' + name()" matTooltip="More">
      <mat-icon svgIcon="more" aria-hidden="true" />
    </button>
    <mat-menu #rarer="matMenu">
      @if (mayPutAway()) {
        @if (isAway()) {
          <button type="button" mat-menu-item (click)="actions.bringBack(record())">Bring it back</button>
        } @else {
          <button type="button" mat-menu-item (click)="actions.putAway(record())">Put it away</button>
        }
      }
      <button type="button" mat-menu-item (click)="delete()">Delete it…</button>
    </mat-menu>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordMenu {
  readonly kind = input.required<RecordKind>();
  readonly recordId = input.required<string>();
  readonly name = input.required<string>();
  /** Where one goes when it is deleted: the list it was in. */
  readonly leadsTo = input<string>();
  readonly deleted = output<void>();
  protected readonly actions = inject(RecordActions);
  private readonly store = inject(PutAwayStore);
  private readonly router = inject(Router);
  protected readonly record = computed(() => ({ kind: this.kind(), id: this.recordId(), name: this.name() }));
  protected readonly mayPutAway = computed(() => mayBePutAway(this.kind()));
  protected readonly isAway = computed(() => this.store.find(this.record()) !== undefined);

  protected async delete(): Promise<void> {
    const leadsTo = this.leadsTo();
    if (!(await this.actions.delete(this.record()))) return;
    this.deleted.emit();
    if (leadsTo) await this.router.navigateByUrl(leadsTo);
  }
}
