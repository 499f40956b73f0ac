import { Observable } from 'rxjs';

/** Gives a job to a worker of its own and emits its answer; the worker ends with the answer, or when nobody waits for it any more. */
export function workerAnswer<Job, Answer>(make: () => Worker, job: Job): Observable<Answer> {
  return new Observable((subscriber) => {
    const worker = make();
    worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      subscriber.next(data);
      subscriber.complete();
    };
    worker.onerror = () => subscriber.complete();
    worker.postMessage(job);
    return () => worker.terminate();
  });
}
