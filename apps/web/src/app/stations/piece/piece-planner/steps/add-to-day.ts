import { inject, Injectable } from '@angular/core';
import type { Day } from '@cazuela/contract';
import type { DayItem } from '@cazuela/core';
import { catchError, last, switchMap, throwError, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { toFailure } from '../../../../data/http/api';
import { StudioApi } from '../../../../data/http/studio-api';

/** Adds pieces to a day. Adding never conflicts with what another person did: a stale list is read again and added to. */
@Injectable({ providedIn: 'root' })
export class AddToDay {
  private readonly api = inject(StudioApi);

  put(date: string, items: readonly DayItem[], triesLeft = 3): Observable<Day> {
    return this.api.days().pipe(
      // Added to as it is in the records now, not as it was known here.
      last(),
      switchMap((days) => {
        const day = days.find((candidate) => candidate.date === date);
        if (!day) return this.api.createDay({ id: uuid(), date, items: [...items] });
        return this.api.updateDay(day.id, day.version, [...day.items, ...items]);
      }),
      switchMap((day) => (items.every((item) => day.items.some((there) => there.id === item.id)) ? [day] : this.put(date, items, triesLeft - 1))),
      catchError((error: unknown) => {
        const failure = toFailure(error);
        return failure.problem.code === 'stale' && triesLeft > 0 ? this.put(date, items, triesLeft - 1) : throwError(() => failure);
      }),
    );
  }
}
