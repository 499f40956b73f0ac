import { Injectable } from '@angular/core';
import type { RunCauses } from '@cazuela/core';
import { Observable } from 'rxjs';
import type { RunCausesJob } from './run-causes-job';
import { runCausesWorker } from './run-causes.worker-factory';

/** Why a piece ran, worked out in a worker of its own. */
@Injectable({ providedIn: 'root' })
export class RunCausesFinder {
  /** Emits once; undefined where the plan cannot be run. */
  find(job: RunCausesJob): Observable<RunCauses | undefined> {
    return new Observable((subscriber) => {
      const worker = runCausesWorker();
      worker.onmessage = ({ data }: MessageEvent<RunCauses | undefined>) => {
        subscriber.next(data);
        subscriber.complete();
      };
      worker.onerror = () => subscriber.complete();
      worker.postMessage(job);
      return () => worker.terminate();
    });
  }
}
