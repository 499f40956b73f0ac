import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';
import type { DayPlanJob, DayPlanMessage } from './day-plan-protocol';
import { dayPlanWorker } from './day-plan.worker-factory';

/** Searches the order of a day in a worker: better ones as they are found. Unsubscribing stops the search. */
@Injectable({ providedIn: 'root' })
export class DayPlanFinder {
  /** One that ended its search by itself takes the next one: loading it anew costs more than most searches. */
  private idle: Worker | undefined;

  find(job: DayPlanJob): Observable<DayPlanMessage> {
    return new Observable((subscriber) => {
      const worker = this.idle ?? dayPlanWorker();
      this.idle = undefined;
      let isOver = false;
      worker.onmessage = ({ data }: MessageEvent<DayPlanMessage>) => {
        isOver = data.kind !== 'plan' || (data.isLast && !job.wantsQuality);
        subscriber.next(data);
        if (isOver) subscriber.complete();
      };
      worker.onerror = () => subscriber.next({ kind: 'failed', message: 'The day could not be planned here. Load the page again.' });
      worker.postMessage(job);
      return () => {
        if (isOver && !this.idle) this.idle = worker;
        else worker.terminate();
      };
    });
  }
}
