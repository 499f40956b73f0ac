import { Injectable } from '@angular/core';
import type { KilnToLoad, LoadPiece, LoadShelf, Warning } from '@cazuela/core';
import { map, Observable } from 'rxjs';
import type { LoadAnswer, LoadJob, WarningsAsked } from './load-job';
import { loadWorker } from './load.worker-factory';

export type LoadPlaces = Extract<LoadAnswer, { kind: 'places' | 'failed' }>;

/** Asks a worker for the places of a load. Unsubscribing stops it. */
@Injectable({ providedIn: 'root' })
export class LoadFinder {
  /** Places for all pieces at once. */
  places(pieces: readonly LoadPiece[], kiln: KilnToLoad): Observable<LoadPlaces> {
    return this.ask({ kind: 'places', pieces: [...pieces], kiln }) as Observable<LoadPlaces>;
  }

  /** Places for those that have none; what stands stays. */
  rest(shelves: readonly LoadShelf[], pieces: readonly LoadPiece[], kiln: KilnToLoad): Observable<LoadPlaces> {
    return this.ask({ kind: 'rest', shelves: [...shelves], pieces: [...pieces], kiln }) as Observable<LoadPlaces>;
  }

  /** What speaks against lots at the heat of their shelves, by key. */
  warnings(asked: readonly WarningsAsked[]): Observable<ReadonlyMap<string, Warning[]>> {
    return this.ask({ kind: 'warnings', asked: [...asked] }).pipe(
      map((answer) => new Map(answer.kind === 'warnings' ? answer.warnings.map(({ key, warnings }) => [key, warnings] as const) : [])),
    );
  }

  private ask(job: LoadJob): Observable<LoadAnswer> {
    return new Observable((subscriber) => {
      const worker = loadWorker();
      worker.onmessage = ({ data }: MessageEvent<LoadAnswer>) => {
        subscriber.next(data);
        subscriber.complete();
      };
      worker.onerror = () => {
        subscriber.next({ kind: 'failed', message: 'The load could not be worked out here. Load the page again.' });
        subscriber.complete();
      };
      worker.postMessage(job);
      return () => worker.terminate();
    });
  }
}
