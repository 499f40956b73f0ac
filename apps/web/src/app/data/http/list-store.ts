import { inject, Injectable } from '@angular/core';
import { catchError, concat, defer, distinctUntilChanged, EMPTY, finalize, map, of, shareReplay, throwError, type Observable } from 'rxjs';
import * as z from 'zod';
import { jsonOf, toFailure } from './api';
import { UnreadableRows } from './unreadable-rows';

const rowsSchema = z.array(z.unknown());

interface KnownList {
  /** The answer as it came: the same text again needs no reading, and gives the same rows. */
  text: string;
  rows: readonly unknown[];
  /** Each row as it came. A row that comes again is not checked again, and stays the same object: what was computed from it, and a form on it, stay. */
  byText: ReadonlyMap<string, unknown>;
}

/**
 * Every list of the records, kept once for the whole app. A screen that opens sees what is known at once; the list is asked for again meanwhile,
 * and its rows come anew only if they changed.
 */
@Injectable({ providedIn: 'root' })
export class ListStore {
  private readonly unreadable = inject(UnreadableRows);
  private readonly known = new Map<string, KnownList>();
  private readonly pending = new Map<string, Observable<KnownList>>();

  /** Emits what is known, then what the records say now if that differs, and completes. Fails when they cannot be asked. */
  read<T>(path: string, ask: () => Observable<string>, schema: z.ZodType<T>): Observable<T[]> {
    return defer(() => {
      const known = this.known.get(path);
      return concat(known ? of(known) : EMPTY, this.asked(path, ask, schema)).pipe(
        map(({ rows }) => rows as T[]),
        distinctUntilChanged(),
      );
    });
  }

  /** Something was written: an answer that is still on its way may be older than that, and serves nobody who asks from now on. */
  forgetPending(): void {
    this.pending.clear();
  }

  /** Screens and panels that ask at the same moment share one request. */
  private asked<T>(path: string, ask: () => Observable<string>, schema: z.ZodType<T>): Observable<KnownList> {
    const before = this.pending.get(path);
    if (before) return before;
    const request: Observable<KnownList> = ask().pipe(
      map((text) => this.take(path, text, schema)),
      catchError((error: unknown) => throwError(() => toFailure(error))),
      finalize(() => this.pending.get(path) === request && this.pending.delete(path)),
      shareReplay({ bufferSize: 1, refCount: true }),
    );
    this.pending.set(path, request);
    return request;
  }

  private take<T>(path: string, text: string, schema: z.ZodType<T>): KnownList {
    const before = this.known.get(path);
    if (before?.text === text) return before;
    const came = rowsSchema.parse(jsonOf(text));
    const texts = came.map((row) => JSON.stringify(row));
    const read = this.unreadable.sort(
      path,
      came.map((row, at) => ({ row, known: before?.byText.get(texts[at]!) })),
      schema,
    );
    const byText = new Map(read.flatMap((row, at) => (row === undefined ? [] : [[texts[at]!, row] as const])));
    const now = { text, rows: read.filter((row) => row !== undefined), byText };
    this.known.set(path, now);
    return now;
  }
}
