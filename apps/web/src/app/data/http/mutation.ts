import { signal, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, EMPTY, exhaustMap, finalize, Subject, tap, type Observable } from 'rxjs';
import { toFailure, type ApiFailure } from './api';

export interface Mutation {
  busy: Signal<boolean>;
  failure: Signal<ApiFailure | undefined>;
  /** Runs one write; a second call while it is running does nothing. */
  run: <T>(work: Observable<T>, done: (value: T) => void) => void;
  clear: () => void;
}

/** A write of a screen: one at a time, with its busy state and its failure. Call it where fields are initialised. */
export function createMutation(): Mutation {
  const busy = signal(false);
  const failure = signal<ApiFailure | undefined>(undefined);
  const works = new Subject<Observable<unknown>>();
  const running = works.pipe(
    exhaustMap((work) => {
      busy.set(true);
      failure.set(undefined);
      return work.pipe(
        catchError((error: unknown) => {
          failure.set(toFailure(error));
          return EMPTY;
        }),
        finalize(() => busy.set(false)),
      );
    }),
  );
  // For as long as the screen lives.
  running.pipe(takeUntilDestroyed()).subscribe();
  return {
    busy: busy.asReadonly(),
    failure: failure.asReadonly(),
    run: (work, done) => works.next(work.pipe(tap(done))),
    clear: () => failure.set(undefined),
  };
}
