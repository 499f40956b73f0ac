import { ChangeDetectorRef, inject, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { PieceDraft } from './piece-draft';

/**
 * Returns what a view shows: `settled()` while nothing is dragged, `dragged()` once per animation frame during a drag.
 * Only this view runs change detection for a drag. A signal would make the whole page check itself many times a second.
 */
export function dragView<T>(settled: () => T, dragged: () => T): () => T {
  const draft = inject(PieceDraft);
  const view = inject(ChangeDetectorRef);
  draft.moves$.pipe(takeUntilDestroyed()).subscribe(() => view.detectChanges());
  return () => {
    // Always read, so that the view is updated when the drag ends.
    const shown = settled();
    return draft.settledBody() === untracked(draft.body) ? shown : untracked(dragged);
  };
}
