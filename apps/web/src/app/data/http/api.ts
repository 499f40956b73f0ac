import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { problemSchema, type Problem } from '@cazuela/contract';
import { catchError, from, map, switchMap, throwError, timeout, type Observable } from 'rxjs';
import * as z from 'zod';

/** Longest time for one answer, ms. */
const ANSWER_WAIT_MS = 20_000;

/**
 * A failed request, as a value that screens can show. `problem`: our server refused, and why. `unreadable`: something answered, but not our
 * server, as a proxy that asks for a sign-in. `unreachable`: nothing answered.
 */
export class ApiFailure extends Error {
  override readonly name = 'ApiFailure';
  constructor(
    readonly kind: 'problem' | 'unreadable' | 'unreachable',
    readonly problem: Problem,
  ) {
    super(problem.detail);
  }

  /** True when trying again later may work: the server or its database is away. */
  get isAway(): boolean {
    return this.kind !== 'problem' || ['databaseAway', 'tooMany', 'busy'].includes(this.problem.code);
  }
}

/** JSON over HTTP, every answer checked by the contract. The one place that knows of status codes. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  get<T>(path: string, schema: z.ZodType<T>): Observable<T> {
    return this.checked(this.http.get(`/api${path}`), schema);
  }

  /** The answer as it came, unread: for lists that may be the same as before. */
  getText(path: string): Observable<string> {
    return this.http.get(`/api${path}`, { responseType: 'text' }).pipe(timeout(ANSWER_WAIT_MS));
  }

  post<T>(path: string, body: unknown, schema: z.ZodType<T>): Observable<T> {
    return this.checked(this.http.post(`/api${path}`, body), schema);
  }

  /** A file made from what is sent. A refusal comes as a file too, and is read as a sentence. */
  file(path: string, body: unknown): Observable<Blob> {
    return this.http.post(`/api${path}`, body, { responseType: 'blob' }).pipe(
      timeout(ANSWER_WAIT_MS),
      catchError((error: unknown) => {
        if (!(error instanceof HttpErrorResponse) || !(error.error instanceof Blob)) return throwError(() => toFailure(error));
        return from(error.error.text()).pipe(
          switchMap((text) => throwError(() => toFailure(new HttpErrorResponse({ error: jsonOf(text), status: error.status })))),
        );
      }),
    );
  }

  put<T>(path: string, body: unknown, schema: z.ZodType<T>): Observable<T> {
    return this.checked(this.http.put(`/api${path}`, body), schema);
  }

  delete<T>(path: string, schema: z.ZodType<T>): Observable<T> {
    return this.checked(this.http.delete(`/api${path}`), schema);
  }

  private checked<T>(answer: Observable<unknown>, schema: z.ZodType<T>): Observable<T> {
    return answer.pipe(
      timeout(ANSWER_WAIT_MS),
      map((body) => schema.parse(body)),
      catchError((error: unknown) => throwError(() => toFailure(error))),
    );
  }
}

/** What stands between us and our server, by its status code. */
const UNREADABLE: Readonly<Record<number, string>> = {
  401: 'Something before Cazuela wants to know who you are. Reload the page and sign in.',
  403: 'Something before Cazuela does not let this device in. Reload the page, or ask whoever looks after it.',
  413: 'Something before Cazuela takes only smaller messages.',
  502: 'Cazuela’s server cannot be reached just now.',
  503: 'Cazuela’s server cannot be reached just now.',
  504: 'Cazuela’s server cannot be reached just now.',
};

/** Returns what a text says as JSON, or undefined when it is none. */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

export function toFailure(error: unknown): ApiFailure {
  if (error instanceof ApiFailure) return error;
  if (error instanceof HttpErrorResponse) {
    const problem = problemSchema.safeParse(typeof error.error === 'string' ? jsonOf(error.error) : error.error);
    if (problem.success) return new ApiFailure('problem', problem.data);
  }
  if (error instanceof z.ZodError || (error instanceof HttpErrorResponse && error.status > 0)) {
    const status = error instanceof HttpErrorResponse ? error.status : 200;
    return new ApiFailure('unreadable', {
      ...problemOf('broken', UNREADABLE[status] ?? 'The server gave an answer we cannot read. Reload the page.'),
      status,
    });
  }
  return new ApiFailure(
    'unreachable',
    problemOf('databaseAway', 'Cazuela’s server cannot be reached. Bench work is kept on this device and sent when it is back.'),
  );
}

const problemOf = (code: Problem['code'], detail: string): Problem => ({ type: `about:blank#${code}`, title: detail, status: 0, code, detail });
