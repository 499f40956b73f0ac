import { effect, signal, type WritableSignal } from '@angular/core';

type Read<T> = (kept: unknown) => T | undefined;

/** A signal whose value is there again after a reload of this tab. `read` refuses what an older version stored. */
export const sessionSignal = <T extends object>(key: string, start: T, read: Read<T>): WritableSignal<T> =>
  keptSignal(sessionStorage, key, start, read);

/** The same for days: there again whenever Cazuela is opened on this device. */
export const deviceSignal = <T extends object>(key: string, start: T, read: Read<T>): WritableSignal<T> => keptSignal(localStorage, key, start, read);

function keptSignal<T extends object>(storage: Storage, key: string, start: T, read: Read<T>): WritableSignal<T> {
  const storageKey = `cazuela.here.${key}`;
  const value = signal<T>(kept() ?? start);
  effect(() => storage.setItem(storageKey, JSON.stringify(value())));
  return value;

  function kept(): T | undefined {
    try {
      return read(JSON.parse(storage.getItem(storageKey) ?? 'null'));
    } catch {
      return undefined;
    }
  }
}
