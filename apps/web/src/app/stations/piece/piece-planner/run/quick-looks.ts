import { DestroyRef, inject, Injectable } from '@angular/core';
import type { PieceRunQuestion, RunForecast } from '@cazuela/core';
import type { RunJob, RunMessage } from './run-protocol';
import { runWorker } from './run.worker-factory';

/** Quick looks at a run while a hand moves, in a worker of their own: the newest question waits for the one under way, those between are left out. */
@Injectable()
export class QuickLooks {
  private worker: Worker | undefined;
  private asked: PieceRunQuestion | undefined;
  private waiting: PieceRunQuestion | undefined;
  /** The newest answer. */
  private forecast: RunForecast | undefined;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker?.terminate());
  }

  /** The newest look there is; the one at this question follows. */
  at(question: PieceRunQuestion): RunForecast | undefined {
    if (this.asked) this.waiting = question;
    else this.ask(question);
    return this.forecast;
  }

  private ask(question: PieceRunQuestion): void {
    this.asked = question;
    this.worker ??= this.open();
    this.worker.postMessage({ kind: 'look', question } satisfies RunJob);
  }

  private open(): Worker {
    const worker = runWorker();
    worker.onmessage = ({ data }: MessageEvent<RunMessage>) => {
      if (data.kind === 'looked') this.forecast = data.forecast;
      if (data.kind !== 'done' && data.kind !== 'failed') return;
      const next = this.waiting;
      [this.asked, this.waiting] = [undefined, undefined];
      if (next) this.ask(next);
    };
    // The next look asks a new one.
    worker.onerror = () => {
      worker.terminate();
      [this.worker, this.asked, this.waiting] = [undefined, undefined, undefined];
    };
    return worker;
  }
}
