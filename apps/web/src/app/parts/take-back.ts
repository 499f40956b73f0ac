import { inject, Injectable, Injector } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { StudioStore } from '../data/state/studio-store';

/** One's own entries are taken back at once; somebody else's only after a question. */
@Injectable({ providedIn: 'root' })
export class TakeBack {
  private readonly by = inject(StudioStore).by;
  private readonly injector = inject(Injector);

  /** Runs `take` at once for an entry of whoever is at this device, else when it is wanted all the same. */
  ask(entry: { by: string } | undefined, take: () => void): void {
    if (!entry || entry.by === this.by()) take();
    else void this.askOther(entry.by, take);
  }

  private async askOther(by: string, take: () => void): Promise<void> {
    const [{ MatDialog }, { OthersEntryDialog }] = await Promise.all([import('@angular/material/dialog'), import('./others-entry-dialog')]);
    const dialog = this.injector.get(MatDialog).open(OthersEntryDialog, {
      data: by,
      maxWidth: '30rem',
      enterAnimationDuration: 0,
      exitAnimationDuration: 0,
    });
    if ((await firstValueFrom(dialog.afterClosed())) === true) take();
  }
}
