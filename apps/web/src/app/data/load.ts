import type { Signal } from '@angular/core';
import { computed } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { BehaviorSubject, catchError, map, of, scan, switchMap, type Observable } from 'rxjs';
import { toFailure } from './api';

export interface Loaded<T> {
  /** The newest value, kept while a reload is under way and when one fails. */
  value: Signal<T | undefined>;
  /** A sentence when the last try failed. */
  failure: Signal<string | undefined>;
  reload: () => void;
}

/** Something asked of the records, reloadable; call it where fields are initialised. The newest request wins. */
export function loaded<T>(source: () => Observable<T>): Loaded<T> {
  const again = new BehaviorSubject<void>(undefined);
  const attempts = again.pipe(
    switchMap(() =>
      source().pipe(
        map((value): { value?: T; failure?: string } => ({ value })),
        catchError((error: unknown) => of({ failure: toFailure(error).problem.detail })),
      ),
    ),
    scan((before, now) => ('value' in now ? now : { ...before, ...now }), {} as { value?: T; failure?: string }),
  );
  const state = toSignal(attempts, { initialValue: {} as { value?: T; failure?: string } });
  return { value: computed(() => state().value), failure: computed(() => state().failure), reload: () => again.next() };
}
