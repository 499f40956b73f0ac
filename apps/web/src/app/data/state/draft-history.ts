import { computed, signal } from '@angular/core';

/** Undo and redo of a draft. The draft itself holds what stands now; this holds what stood before and what was undone. */
export class DraftHistory<T> {
  private readonly past = signal<readonly T[]>([]);
  private readonly future = signal<readonly T[]>([]);
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);

  /** @param mostSteps - how many steps can be undone; the oldest is forgotten */
  constructor(private readonly mostSteps = 100) {}

  /** Starts anew, for another document. `past` lists states that can be undone to, oldest first. */
  reset(past: readonly T[] = []): void {
    this.past.set(past);
    this.future.set([]);
  }

  /** Records that the draft was changed. `before` is what stood until then. What was undone can no longer be redone. */
  record(before: T): void {
    this.past.update((past) => [...past, before].slice(-this.mostSteps));
    this.future.set([]);
  }

  /** Returns what stood one step before `now`, or undefined when there is nothing to undo. */
  undo(now: T): T | undefined {
    const before = this.past().at(-1);
    if (before === undefined) return undefined;
    this.past.update((past) => past.slice(0, -1));
    this.future.update((future) => [now, ...future]);
    return before;
  }

  /** Returns what was undone last, or undefined when there is nothing to redo. */
  redo(now: T): T | undefined {
    const [next, ...rest] = this.future();
    if (next === undefined) return undefined;
    this.future.set(rest);
    this.past.update((past) => [...past, now]);
    return next;
  }
}
