import { inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';

/** Palette and key help: their code is fetched when they are first opened. */
@Injectable({ providedIn: 'root' })
export class OpensDialogs {
  private readonly dialog = inject(MatDialog);

  async palette(): Promise<void> {
    const { Palette } = await import('./palette');
    this.dialog.open(Palette, { width: '560px', maxWidth: '94vw', position: { top: '12vh' }, ariaLabel: 'Find by name or code' });
  }

  async keys(): Promise<void> {
    const { KeyHelp } = await import('./key-help');
    this.dialog.open(KeyHelp, { width: '460px', maxWidth: '94vw', ariaLabel: 'Keys of this screen' });
  }
}
