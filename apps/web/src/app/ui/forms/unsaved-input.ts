import { DestroyRef, inject, Injectable } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import type { CanDeactivateFn } from '@angular/router';
import { firstValueFrom } from 'rxjs';

/** What is typed on the open screen and not kept yet. */
@Injectable({ providedIn: 'root' })
export class UnsavedInput {
  private readonly watched = new Set<() => boolean>();

  constructor() {
    addEventListener('beforeunload', (event) => this.isThere() && event.preventDefault());
  }

  isThere(): boolean {
    return [...this.watched].some((isUnsaved) => isUnsaved());
  }

  watch(isUnsaved: () => boolean): () => void {
    this.watched.add(isUnsaved);
    return () => this.watched.delete(isUnsaved);
  }
}

/** Call it where fields are initialised: leaving the screen asks while `isUnsaved` says so. */
export function askBeforeLeaving(isUnsaved: () => boolean): void {
  inject(DestroyRef).onDestroy(inject(UnsavedInput).watch(isUnsaved));
}

/** On every route: what was typed is never thrown away without a question. */
export const unsavedInputGuard: CanDeactivateFn<unknown> = async () => {
  if (!inject(UnsavedInput).isThere()) return true;
  const dialog = inject(MatDialog);
  const { LeaveDialog } = await import('./leave-dialog');
  return (await firstValueFrom(dialog.open(LeaveDialog, { maxWidth: '30rem' }).afterClosed())) === true;
};
