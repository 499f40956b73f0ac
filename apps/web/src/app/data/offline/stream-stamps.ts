import type { Signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import type { StreamStamp } from '@cazuela/contract';
import { catchError, EMPTY, exhaustMap, filter, of, switchMap, timer, type Observable } from 'rxjs';

/**
 * Looks again and again whether somebody did something to a record. A page in the background asks for nothing, and a look that fails is left out.
 * To be called where a component or service is made.
 */
export function streamStamps(id: Signal<string | undefined>, ask: (id: string) => Observable<StreamStamp>, everyMs: number): Observable<StreamStamp> {
  const look = (known: string): Observable<StreamStamp> =>
    of(document.visibilityState).pipe(
      filter((state) => state !== 'hidden'),
      switchMap(() => ask(known)),
      catchError(() => EMPTY),
    );
  return toObservable(id).pipe(switchMap((known) => (known === undefined ? EMPTY : timer(everyMs, everyMs).pipe(exhaustMap(() => look(known))))));
}
