import { inject, Injectable } from '@angular/core';
import type { Day } from '@cazuela/contract';
import { NO_PLANNING, type DayItem, type DayPlanning } from '@cazuela/core';
import { catchError, last, of, switchMap, throwError, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { toFailure } from '../http/api';
import { StudioApi } from '../http/studio-api';

const TRIES = 3;

/** What a change makes of a day; nothing, when it has come to nothing meanwhile. */
type DayChange = (day: Pick<Day, 'items' | 'planning'>) => { items?: DayItem[]; planning?: DayPlanning } | undefined;

/**
 * Puts pots on a day, takes them off, and keeps how the day is planned. None of it conflicts with what another person did: a stale day is read
 * again, and changed as it is now.
 */
@Injectable({ providedIn: 'root' })
export class DayItems {
  private readonly api = inject(StudioApi);

  /** Pots of a piece that are on the day already are not put on a second time, unless `again` says so: nothing is sent then. */
  put(date: string, items: readonly DayItem[], { again = false } = {}): Observable<Day | undefined> {
    const isThere = (day: Day | undefined): boolean => items.every((item) => day?.items.some(({ id }) => id === item.id));
    const isTwice = (before: readonly DayItem[]): boolean =>
      items.some((item) => before.some(({ id, pieceId, name }) => id !== item.id && pieceId === item.pieceId && name === item.name));
    const change: DayChange = ({ items: before }) => (!again && isTwice(before) ? undefined : { items: withCodes(before, items) });
    return this.change(date, change, TRIES).pipe(
      // A day that somebody made meanwhile answers as it is.
      switchMap((day) => (isThere(day) || (day && isTwice(day.items) && !again) ? of(day) : this.change(date, change, TRIES))),
    );
  }

  takeOff(date: string, itemId: string): Observable<Day | undefined> {
    return this.change(date, ({ items }) => ({ items: items.filter(({ id }) => id !== itemId) }), TRIES);
  }

  /** Keeps what `change` makes of the planning as it is in the records now; nothing is written when it gives nothing. */
  plan(date: string, change: (planning: DayPlanning) => DayPlanning | undefined): Observable<Day | undefined> {
    return this.change(
      date,
      ({ planning }) => {
        const changed = change(planning);
        return changed && { planning: changed };
      },
      TRIES,
    );
  }

  private change(date: string, change: DayChange, triesLeft: number): Observable<Day | undefined> {
    return this.api.days().pipe(
      // As it is in the records now, not as it was known here.
      last(),
      switchMap((days): Observable<Day | undefined> => {
        const day = days.find((candidate) => candidate.date === date);
        const made = change(day ?? { items: [], planning: NO_PLANNING });
        if (!made) return of(day);
        if (day) return this.api.updateDay(day.id, day.version, made);
        const planning = made.planning ?? { ...NO_PLANNING, people: peopleBefore(days, date) };
        return this.api.createDay({ id: uuid(), date, items: made.items ?? [], planning });
      }),
      catchError((error: unknown) => {
        const failure = toFailure(error);
        return failure.problem.code === 'stale' && triesLeft > 0 ? this.change(date, change, triesLeft - 1) : throwError(() => failure);
      }),
    );
  }
}

/** Who glazed on the last day that was planned, with their hours. */
function peopleBefore(days: readonly Day[], date: string): DayPlanning['people'] {
  const planned = days.filter((day) => day.date < date && day.planning.people.length > 0).sort((a, b) => (a.date < b.date ? 1 : -1));
  return planned[0]?.planning.people ?? [];
}

const LETTERS = 26;

/** Each lot has a letter for its tag: A to Z, then AA. */
function withCodes(before: readonly DayItem[], added: readonly DayItem[]): DayItem[] {
  const taken = new Set(before.map(({ code }) => code));
  const next = (): string => {
    for (let at = 0; ; at++) {
      const letter = String.fromCharCode(65 + (at % LETTERS));
      const code = at < LETTERS ? letter : `${String.fromCharCode(64 + Math.floor(at / LETTERS))}${letter}`;
      if (taken.has(code)) continue;
      taken.add(code);
      return code;
    }
  };
  return [...before, ...added.map((item) => (item.code ? item : { ...item, code: next() }))];
}
