import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';
import type { AlternativesAnswer, AlternativesJob } from './alternatives-job';
import { alternativesWorker } from './alternatives.worker-factory';

/** Searches alternatives to a plan in a worker. Unsubscribing stops the search. */
@Injectable({ providedIn: 'root' })
export class AlternativesFinder {
  find(job: AlternativesJob): Observable<AlternativesAnswer> {
    return new Observable((subscriber) => {
      const worker = alternativesWorker();
      worker.onmessage = ({ data }: MessageEvent<AlternativesAnswer>) => {
        subscriber.next(data);
        subscriber.complete();
      };
      worker.onerror = () => subscriber.error(new Error('The ways could not be worked out here. Load the page again; the plan is kept.'));
      worker.postMessage(job);
      return () => worker.terminate();
    });
  }
}
