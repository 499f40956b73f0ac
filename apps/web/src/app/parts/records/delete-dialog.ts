import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { apiResource } from '../../data/http/api-resource';
import { createMutation } from '../../data/http/mutation';
import { StudioApi } from '../../data/http/studio-api';
import { PutAwayStore } from '../../data/state/put-away-store';
import { ErrorBanner } from '../../ui/error-banner';
import { Loading } from '../../ui/loading';
import { mayBePutAway, type NamedRecord } from './named-record';

/** Asked before something is deleted for good: what goes with it, or what it is needed by. Closes with "deleted", "away" or nothing. */
@Component({
  selector: 'cz-delete-dialog',
  imports: [ErrorBanner, Loading, MatButton, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Delete {{ record.name }}?</h2>
    <mat-dialog-content>
      <cz-error-banner [failure]="uses.failure() ?? deleting.failure()?.problem?.detail" (again)="again()" />
      @if (uses.value(); as it) {
        @if (it.uses.length > 0) {
          <p>It is needed by what was made of it, so it cannot be deleted:</p>
          <ul>
            @for (use of it.uses; track use) {
              <li>{{ use }}</li>
            }
          </ul>
          @if (mayPutAway) {
            <p>Put away, it is out of the lists, and all that still reads as before.</p>
          }
        } @else if (it.goesWith.length > 0) {
          <p>Nothing else needs it. With it go:</p>
          <ul>
            @for (one of it.goesWith; track one) {
              <li>{{ one }}</li>
            }
          </ul>
          <p>This cannot be taken back.</p>
        } @else {
          <p>Nothing else needs it. This cannot be taken back.</p>
        }
      } @else if (!uses.failure()) {
        <cz-loading />
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      <button type="button" matButton="text" mat-dialog-close>Leave it</button>
      @if (uses.value(); as it) {
        @if (mayPutAway) {
          <button type="button" [matButton]="it.uses.length > 0 ? 'filled' : 'outlined'" mat-dialog-close="away">Put it away</button>
        }
        @if (it.uses.length === 0) {
          <button type="button" matButton="filled" [disabled]="deleting.busy()" (click)="delete()">Delete for good</button>
        }
      }
    </mat-dialog-actions>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeleteDialog {
  protected readonly record = inject<NamedRecord>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<DeleteDialog, 'deleted' | 'away'>>(MatDialogRef);
  private readonly store = inject(PutAwayStore);
  private readonly api = inject(StudioApi);
  protected readonly deleting = createMutation();
  protected readonly uses = apiResource(() => this.api.recordUses(this.record.kind, this.record.id));
  protected readonly mayPutAway = mayBePutAway(this.record.kind) && this.store.find(this.record) === undefined;

  protected delete(): void {
    this.deleting.run(this.store.delete(this.record), () => this.dialog.close('deleted'));
  }

  /** Somebody used it meanwhile: what hangs on it is asked for again. */
  protected again(): void {
    this.deleting.clear();
    this.uses.reload();
  }
}
