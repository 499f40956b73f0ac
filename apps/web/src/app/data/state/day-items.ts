import { inject, Injectable } from '@angular/core';
import type { Day } from '@cazuela/contract';
import type { DayItem } from '@cazuela/core';
import { catchError, last, of, switchMap, throwError, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { toFailure } from '../http/api';
import { StudioApi } from '../http/studio-api';

const TRIES = 3;

/** Puts pieces on a day, or takes them off. Neither conflicts with what another person did: a stale list is read again, and changed as it is now. */
@Injectable({ providedIn: 'root' })
export class DayItems {
  private readonly api = inject(StudioApi);

  put(date: string, items: readonly DayItem[]): Observable<Day> {
    const isThere = (day: Day): boolean => items.every((item) => day.items.some(({ id }) => id === item.id));
    return this.change(date, (before) => [...before, ...items], TRIES).pipe(
      // A day that somebody made meanwhile answers as it is.
      switchMap((day) => (isThere(day) ? of(day) : this.change(date, (before) => [...before, ...items], TRIES))),
    );
  }

  takeOff(date: string, itemId: string): Observable<Day> {
    return this.change(date, (before) => before.filter(({ id }) => id !== itemId), TRIES);
  }

  private change(date: string, change: (items: readonly DayItem[]) => DayItem[], triesLeft: number): Observable<Day> {
    return this.api.days().pipe(
      // As it is in the records now, not as it was known here.
      last(),
      switchMap((days) => {
        const day = days.find((candidate) => candidate.date === date);
        return day ? this.api.updateDay(day.id, day.version, change(day.items)) : this.api.createDay({ id: uuid(), date, items: change([]) });
      }),
      catchError((error: unknown) => {
        const failure = toFailure(error);
        return failure.problem.code === 'stale' && triesLeft > 0 ? this.change(date, change, triesLeft - 1) : throwError(() => failure);
      }),
    );
  }
}
