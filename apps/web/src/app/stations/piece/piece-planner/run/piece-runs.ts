import { Injectable } from '@angular/core';
import {
  FILMS,
  forecastFrom,
  isHarmful,
  joinDraws,
  KILNS_PER_FILM,
  poolDepthMm,
  sideKey,
  sidesToRun,
  type DrawnRuns,
  type PieceRunQuestion,
  type RunForecast,
  type RunMoment,
  type SafeLine,
  type SideToRun,
} from '@cazuela/core';
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
  /** From all draws, as soon as they are there; the safe line follows. */
  forecast?: RunForecast;
  safeLine?: SafeLine;
  failure?: string;
  finished: boolean;
}

const WORKERS = 2;

/** Runs of a plan in two workers. Unsubscribing stops them. */
@Injectable({ providedIn: 'root' })
export class PieceRuns {
  run(question: PieceRunQuestion): Observable<RunState> {
    return new Observable((subscriber) => {
      const sides = sidesToRun(question);
      const harmful = sides.filter(isHarmful);
      let state: RunState = { done: 0, of: harmful.length * FILMS * KILNS_PER_FILM, moments: {}, hangsMm3: 0, finished: false };
      subscriber.next(state);
      const films = Array<number>(WORKERS).fill(0);
      const parts = films.map(() => new Map<string, DrawnRuns>());
      const busy = new Set(films.keys());
      const told = (index: number, message: RunMessage): void => {
        state = after(state, message);
        if (message.kind === 'progress') {
          films[index] = message.films;
          state = { ...state, done: KILNS_PER_FILM * films.reduce((sum, one) => sum + one, 0) };
        }
        if (message.kind === 'drawn') parts[index]!.set(message.side, message.drawn);
        if (message.kind === 'done') busy.delete(index);
        if (busy.size === 0 && !state.drawn) {
          const drawn = Object.fromEntries(harmful.map((side) => [sideKey(side), joinDraws(parts.map((part) => part.get(sideKey(side))!))]));
          state = { ...state, drawn, forecast: forecastFrom(sides, drawn, poolIn(sides, state)) };
          if (harmful.length > 0) {
            busy.add(0);
            workers[0]!.postMessage({ kind: 'line', question, drawn } satisfies RunJob);
          }
        }
        if (busy.size === 0) state = { ...state, finished: true };
        subscriber.next(state);
        if (state.finished) subscriber.complete();
      };
      const workers = films.map((_, index) => {
        const worker = runWorker();
        worker.onmessage = ({ data }: MessageEvent<RunMessage>) => told(index, data);
        worker.onerror = () => subscriber.error(new Error('The run could not be worked out here. Load the page again; the plan is kept.'));
        return worker;
      });
      const share = FILMS / WORKERS;
      workers.forEach((worker, index) =>
        worker.postMessage({ kind: 'draw', question, fromFilm: index * share, untilFilm: (index + 1) * share, alone: index === 0 } satisfies RunJob),
      );
      return () => workers.forEach((worker) => worker.terminate());
    });
  }
}

/** Depth of the pool inside at the end of the firing, mm. */
function poolIn(sides: readonly SideToRun[], { moments }: RunState): number | undefined {
  const inside = sides.find(({ endsAt }) => endsAt === 'floor');
  const last = inside && moments[sideKey(inside)]?.at(-1);
  return last && poolDepthMm(inside.strip, last.heightMm);
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
