import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';
import type { WaysAnswer, WaysJob } from './ways-job';
import { waysWorker } from './ways.worker-factory';

/** Ways to a piece, searched apart from the page. Unsubscribing stops the search. */
@Injectable({ providedIn: 'root' })
export class PieceWays {
  find(job: WaysJob): Observable<WaysAnswer> {
    return new Observable((subscriber) => {
      const worker = waysWorker();
      worker.onmessage = ({ data }: MessageEvent<WaysAnswer>) => {
        subscriber.next(data);
        subscriber.complete();
      };
      worker.onerror = () => subscriber.error(new Error('The ways could not be worked out here. Load the page again; the plan is kept.'));
      worker.postMessage(job);
      return () => worker.terminate();
    });
  }
}
