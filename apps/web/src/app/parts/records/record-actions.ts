import { inject, Injectable, Injector } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { toFailure } from '../../data/http/api';
import { PutAwayStore } from '../../data/state/put-away-store';
import { Notice } from '../../ui/notice';
import type { NamedRecord } from './named-record';

/** Putting away, bringing back and deleting, the same wherever a record is. */
@Injectable({ providedIn: 'root' })
export class RecordActions {
  private readonly store = inject(PutAwayStore);
  private readonly notice = inject(Notice);
  private readonly injector = inject(Injector);

  putAway(record: NamedRecord): void {
    this.store.change(record, true).subscribe({
      next: () => this.notice.kept(`${record.name} is put away.`, () => this.bringBack(record)),
      error: (error: unknown) => this.notice.tell(toFailure(error).problem.detail),
    });
  }

  bringBack(record: NamedRecord): void {
    this.store.change(record, false).subscribe({
      next: () => this.notice.tell(`${record.name} is in the lists again.`),
      error: (error: unknown) => this.notice.tell(toFailure(error).problem.detail),
    });
  }

  /** Says first what goes with it, or what it is needed by. Returns true when it was deleted. */
  async delete(record: NamedRecord): Promise<boolean> {
    const [{ MatDialog }, { DeleteDialog }] = await Promise.all([import('@angular/material/dialog'), import('./delete-dialog')]);
    const dialog = this.injector.get(MatDialog).open(DeleteDialog, {
      data: record,
      width: '32rem',
      maxWidth: '94vw',
      ariaLabel: `Delete ${record.name}`,
      enterAnimationDuration: 0,
      exitAnimationDuration: 0,
    });
    const answer: unknown = await firstValueFrom(dialog.afterClosed());
    if (answer === 'away') this.putAway(record);
    if (answer === 'deleted') this.notice.tell(`${record.name} is deleted.`);
    return answer === 'deleted';
  }
}
