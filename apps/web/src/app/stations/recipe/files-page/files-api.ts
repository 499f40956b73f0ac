import { inject, Injectable } from '@angular/core';
import {
  importOutcomeSchema,
  importParts,
  importProgressSchema,
  type CheckedFile,
  type ImportChoice,
  type ImportOutcome,
  type ImportPart,
  type ImportRow,
} from '@cazuela/formats';
import { concat, concatMap, defer, finalize, from, map, Observable, of, tap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { StudioApi } from '../../../data/http/studio-api';
import type { ReadAnswer, ReadQuestion } from './read-file-protocol';
import { readFileWorker } from './read-file.worker-factory';

export type ImportStep = { kind: 'sending'; sent: number; of: number } | { kind: 'taking' } | { kind: 'done'; outcome: ImportOutcome };

/** Import and export of files. */
@Injectable({ providedIn: 'root' })
export class FilesApi {
  private readonly api = inject(StudioApi);

  /** Reads and checks a file in a worker. Unsubscribing stops it. */
  read(question: ReadQuestion): Observable<CheckedFile> {
    return new Observable((subscriber) => {
      const worker = readFileWorker();
      worker.onmessage = ({ data }: MessageEvent<ReadAnswer>) => {
        if (data.kind === 'failed') return subscriber.error(new Error(data.message));
        subscriber.next(data.file);
        subscriber.complete();
      };
      worker.onerror = () => subscriber.error(new Error('The file cannot be read.'));
      worker.postMessage(question);
      return () => worker.terminate();
    });
  }

  /** Sends the rows some hundred kilobytes at a time, then imports them at once. Unsubscribing before that leaves nothing behind. */
  importFile(rows: readonly ImportRow[], choice: ImportChoice): Observable<ImportStep> {
    return defer(() => {
      const id = uuid();
      const send = (part: ImportPart): Observable<ImportStep> =>
        this.api
          .post(`/imports/${id}/rows`, part, importProgressSchema)
          .pipe(map((): ImportStep => ({ kind: 'sending', sent: part.from + part.rows.length, of: rows.length })));
      const commit = this.api
        .post(`/imports/${id}/commit`, { rows: rows.length, choice }, importOutcomeSchema)
        .pipe(map((outcome): ImportStep => ({ kind: 'done', outcome })));
      // From here on it can no longer be stopped: it is one transaction.
      const taking: ImportStep = { kind: 'taking' };
      let done = false;
      const begin: ImportStep = { kind: 'sending', sent: 0, of: rows.length };
      return concat(of(begin), from(importParts(rows)).pipe(concatMap(send)), of(taking), commit).pipe(
        tap((step) => (done = step.kind === 'done')),
        // Stopped or failed before the end: what waits on the server is deleted at once.
        finalize(() => !done && this.api.post(`/imports/${id}/stop`, {}, importProgressSchema).subscribe({ error: () => undefined })),
      );
    });
  }
}
