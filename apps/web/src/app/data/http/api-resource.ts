import { computed, signal, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, EMPTY, map, of, scan, switchMap, type Observable } from 'rxjs';
import { toFailure } from './api';

export interface ApiResource<T> {
  /** The newest value, kept during a reload and when one fails. */
  value: Signal<T | undefined>;
  /** A sentence when the last try failed. */
  failure: Signal<string | undefined>;
  /** True when an answer came and does not fit the contract: asking again gives the same. */
  isUnreadable: Signal<boolean>;
  reload: () => void;
}

interface Attempt<T> {
  key: unknown;
  value?: T;
  failure?: string;
  isUnreadable?: boolean;
}

/** A resource of the records that can be reloaded. Call it where fields are initialised. The newest request wins. */
export function apiResource<T>(source: () => Observable<T>): ApiResource<T> {
  return keyedResource(() => true, source);
}

/** The same for one record by its key, e.g. the id in the address: requested again when the key changes, and not before there is one. */
export function keyedResource<K, T>(key: () => K | undefined, source: (key: K) => Observable<T>): ApiResource<T> {
  const round = signal(0);
  const request = computed(() => ({ round: round(), key: key() }));
  const attempts = toObservable(request).pipe(
    switchMap(({ key: asked }) =>
      asked === undefined
        ? EMPTY
        : source(asked).pipe(
            map((value): Attempt<T> => ({ key: asked, value })),
            catchError((error: unknown) => {
              const { kind, problem } = toFailure(error);
              return of<Attempt<T>>({ key: asked, failure: problem.detail, isUnreadable: kind === 'unreadable' && problem.status === 200 });
            }),
          ),
    ),
    // A failed reload keeps what is known, but never shows one record under the key of another.
    scan((before: Attempt<T>, now) => (now.failure !== undefined && before.key === now.key ? { ...before, ...now } : now)),
  );
  const state = toSignal(attempts, { initialValue: { key: undefined } as Attempt<T> });
  return {
    value: computed(() => state().value),
    failure: computed(() => state().failure),
    isUnreadable: computed(() => state().isUnreadable ?? false),
    reload: () => round.update((n) => n + 1),
  };
}
