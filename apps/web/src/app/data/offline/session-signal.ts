import { effect, signal, type WritableSignal } from '@angular/core';

/** A signal whose value is there again after a reload of this tab. `read` refuses what an older version stored. */
export function sessionSignal<T extends object>(key: string, start: T, read: (kept: unknown) => T | undefined): WritableSignal<T> {
  const storageKey = `cazuela.here.${key}`;
  const value = signal<T>(kept() ?? start);
  effect(() => sessionStorage.setItem(storageKey, JSON.stringify(value())));
  return value;

  function kept(): T | undefined {
    try {
      return read(JSON.parse(sessionStorage.getItem(storageKey) ?? 'null'));
    } catch {
      return undefined;
    }
  }
}
