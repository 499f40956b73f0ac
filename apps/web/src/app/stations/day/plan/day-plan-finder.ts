import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';
import type { DayPlanJob, DayPlanMessage } from './day-plan-protocol';
import { dayPlanWorker } from './day-plan.worker-factory';

/** Searches the order of a day in a worker: better ones as they are found. Unsubscribing stops the search. */
@Injectable({ providedIn: 'root' })
export class DayPlanFinder {
  find(job: DayPlanJob): Observable<DayPlanMessage> {
    return new Observable((subscriber) => {
      const worker = dayPlanWorker();
      worker.onmessage = ({ data }: MessageEvent<DayPlanMessage>) => {
        subscriber.next(data);
        if (data.kind !== 'plan' || (data.isLast && !job.wantsQuality)) subscriber.complete();
      };
      worker.onerror = () => subscriber.next({ kind: 'failed', message: 'The day could not be planned here. Load the page again.' });
      worker.postMessage(job);
      return () => worker.terminate();
    });
  }
}
