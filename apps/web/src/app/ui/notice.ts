import { inject, Injectable, Injector } from '@angular/core';

/** How long it stays, ms: long enough to read it, look up and take it back. Whatever it offers is found on the screen too. */
const STAYS_MS = 9_000;

export interface NoticeAction {
  label: string;
  run: () => void;
}

/** A line at the foot of the screen that says what was kept just now, with one thing to do about it. The newest takes the place of the one before. */
@Injectable({ providedIn: 'root' })
export class Notice {
  private readonly injector = inject(Injector);
  /** Lines that are to be read, or about to be. */
  private shown = 0;
  private waiting: string | undefined;

  tell(words: string, action?: NoticeAction): void {
    void this.show(words, action);
  }

  /** Told when the line is free: what happens by itself does not take the place of what somebody may want to take back. */
  tellLater(words: string): void {
    if (this.shown > 0) this.waiting = words;
    else this.tell(words);
  }

  /** The same, to be taken back. */
  kept(words: string, takeBack: () => void): void {
    this.tell(words, { label: 'Take it back', run: takeBack });
  }

  /** Its code is fetched when the first thing is kept. */
  private async show(words: string, action: NoticeAction | undefined): Promise<void> {
    this.shown++;
    const { MatSnackBar } = await import('@angular/material/snack-bar').catch((error: unknown) => {
      this.shown--;
      throw error;
    });
    const shown = this.injector.get(MatSnackBar).open(words, action?.label, { duration: STAYS_MS, panelClass: 'notice' });
    if (action) shown.onAction().subscribe(action.run);
    shown.afterDismissed().subscribe(() => {
      this.shown--;
      const waiting = this.waiting;
      if (this.shown > 0 || waiting === undefined) return;
      this.waiting = undefined;
      this.tell(waiting);
    });
  }
}
