import { ChangeDetectorRef, inject, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { PieceDraft } from './piece-draft';

/**
 * What a view shows: what `rested` says, and under a dragging hand what `moved` says, anew for every picture.
 * A move is told to this view alone: through signals it would be asked of the whole page, many times a second.
 */
export function following<T>(rested: () => T, moved: () => T): () => T {
  const draft = inject(PieceDraft);
  const view = inject(ChangeDetectorRef);
  draft.moves$.pipe(takeUntilDestroyed()).subscribe(() => view.detectChanges());
  return () => {
    // Asked for in any case, so that the view hears of it when the hand rests.
    const shown = rested();
    return draft.rested() === untracked(draft.body) ? shown : untracked(moved);
  };
}
