import { computed, inject, Injectable, signal } from '@angular/core';
import type { PutAway, RecordKind } from '@cazuela/contract';
import { catchError, EMPTY, switchMap, tap, timer, type Observable } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { StudioApi } from '../http/studio-api';
import { NOW } from './clock';
import { StudioStore } from './studio-store';

/** Others put things away too: asked for again after so long, ms. */
const ASKED_AGAIN_MS = 60_000;

export interface RecordAddress {
  kind: RecordKind;
  id: string;
}

const keyOf = ({ kind, id }: RecordAddress): string => `${kind} ${id}`;

/** What is out of the lists. The records stay whole, so that everything which names them still reads as before. */
@Injectable({ providedIn: 'root' })
export class PutAwayStore {
  private readonly api = inject(StudioApi);
  private readonly now = inject(NOW);
  private readonly by = inject(StudioStore).by;
  private readonly list = signal<readonly PutAway[]>([]);
  readonly all = this.list.asReadonly();
  private readonly byKey = computed(() => new Map(this.list().map((one) => [keyOf(one), one])));

  constructor() {
    timer(0, ASKED_AGAIN_MS)
      .pipe(
        // Lists are shown whole where nobody can say what is put away.
        switchMap(() => this.api.putAwayList().pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe((list) => this.list.set(list));
  }

  /** Returns who put it away and when, or undefined where it is in the lists. */
  find(record: RecordAddress): PutAway | undefined {
    return this.byKey().get(keyOf(record));
  }

  /** Returns a list without what is put away. */
  without<T extends { id: string }>(kind: RecordKind, list: readonly T[]): T[] {
    return list.filter(({ id }) => !this.byKey().has(keyOf({ kind, id })));
  }

  count(kind: RecordKind): number {
    return this.list().filter((one) => one.kind === kind).length;
  }

  change({ kind, id }: RecordAddress, away: boolean): Observable<PutAway[]> {
    return this.api.changePutAway(kind, id, { away, at: this.now().toISOString(), by: this.by() }).pipe(tap((list) => this.list.set(list)));
  }

  delete({ kind, id }: RecordAddress): Observable<unknown> {
    return this.api.deleteRecord(kind, id).pipe(tap(() => this.list.update((list) => list.filter((one) => keyOf(one) !== keyOf({ kind, id })))));
  }
}
