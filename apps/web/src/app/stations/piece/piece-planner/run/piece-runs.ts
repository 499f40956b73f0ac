import { Injectable } from '@angular/core';
import { joinDraws, type DrawnRuns, type RunMoment, type SafeLine, type SafeLineQuestion } from '@cazuela/core';
import { Observable } from 'rxjs';
import type { RunJob, RunMessage } from './run-protocol';
import { runWorker } from './run.worker-factory';

export interface RunState {
  /** Draws done, of how many. */
  done: number;
  of: number;
  /** By the key of the side. */
  moments: Readonly<Record<string, readonly RunMoment[]>>;
  hangsMm3: number;
  drawn?: Readonly<Record<string, DrawnRuns>>;
  safeLine?: SafeLine;
  failure?: string;
  finished: boolean;
}

const DRAWS = 2_000;
const WORKERS = 2;

/** Runs of a plan in two workers. Unsubscribing stops them. */
@Injectable({ providedIn: 'root' })
export class PieceRuns {
  run(question: SafeLineQuestion): Observable<RunState> {
    return new Observable((subscriber) => {
      let state: RunState = { done: 0, of: DRAWS, moments: {}, hangsMm3: 0, finished: false };
      const done = Array<number>(WORKERS).fill(0);
      const parts = new Map<string, DrawnRuns[]>();
      let left = WORKERS;
      const workers = done.map((_, index) => {
        const worker = runWorker();
        worker.onmessage = ({ data }: MessageEvent<RunMessage>) => {
          state = after(state, data);
          if (data.kind === 'progress') {
            done[index] = data.done;
            state = { ...state, done: done.reduce((sum, one) => sum + one, 0) };
          }
          if (data.kind === 'drawn') {
            const told = [...(parts.get(data.side) ?? []), data.drawn];
            parts.set(data.side, told);
            if (told.length === WORKERS) state = { ...state, drawn: { ...state.drawn, [data.side]: joinDraws(told) } };
          }
          if (data.kind === 'done') left -= 1;
          if (left === 0) state = { ...state, finished: true };
          subscriber.next(state);
          if (left === 0 || data.kind === 'failed') subscriber.complete();
        };
        worker.onerror = () => subscriber.error(new Error('The run could not be worked out here. Load the page again; the plan is kept.'));
        const job: RunJob = { question, draws: DRAWS / WORKERS, seed: index + 1, alone: index === 0 };
        worker.postMessage(job);
        return worker;
      });
      subscriber.next(state);
      return () => workers.forEach((worker) => worker.terminate());
    });
  }
}

function after(state: RunState, message: RunMessage): RunState {
  switch (message.kind) {
    case 'moments':
      return { ...state, moments: { ...state.moments, [message.side]: message.moments }, hangsMm3: state.hangsMm3 + message.hangsMm3 };
    case 'safeLine':
      return { ...state, safeLine: message.line };
    case 'failed':
      return { ...state, failure: message.message, finished: true };
    default:
      return state;
  }
}
