import { computed, Injectable, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { coverageOf, learnCoats, type CoatLearning, type Coverage } from '@cazuela/core';
import { filter, Observable, scan, switchMap } from 'rxjs';
import { answerCoatLearning, NEWEST_DIPS, type CoatLearningAnswer, type CoatLearningQuestion } from './coat-learning-protocol';
import { coatLearningWorker } from './coat-learning.worker-factory';

/** So many dips take less time than a worker takes to start. */
export const MOST_AT_ONCE = 300;

export interface CoatLessons {
  /** While many dips are being read: what the last reading taught. */
  learning: Signal<CoatLearning>;
  coverage: Signal<Coverage>;
  /** How many dips are still being read. */
  reading: Signal<number>;
}

interface FromWorker {
  question: CoatLearningQuestion;
  learning?: CoatLearning;
  coverage?: Coverage;
}

/** What the studio's measured dips teach: at once where they are few, in a worker where they are many. */
@Injectable({ providedIn: 'root' })
export class CoatLearner {
  /** Kept from page to page, so that a screen that opens has an answer before the worker has. */
  private last: CoatLearning = learnCoats({ observations: [] });

  /** Call it where fields are initialised. */
  learn(question: Signal<CoatLearningQuestion>): CoatLessons {
    const isMany = computed(() => question().observations.length > MOST_AT_ONCE);
    const fromWorker = toSignal(
      toObservable(question).pipe(
        filter(() => isMany()),
        switchMap((asked) => askWorker(asked).pipe(scan((before: FromWorker, answer) => after(before, answer), { question: asked }))),
      ),
    );
    const newest = computed(() => (fromWorker()?.question === question() ? fromWorker() : undefined));
    return {
      learning: computed(() => {
        const learning = isMany() ? newest()?.learning : learnCoats(question());
        if (learning) this.last = learning;
        return this.last;
      }),
      coverage: computed(() => (isMany() ? newest()?.coverage : coverageOf({ ...question(), newest: NEWEST_DIPS })) ?? { inside: 0, of: 0 }),
      reading: computed(() => (isMany() && !newest()?.learning ? question().observations.length : 0)),
    };
  }
}

const after = (before: FromWorker, answer: CoatLearningAnswer): FromWorker =>
  answer.kind === 'learnt' ? { ...before, learning: answer.learning } : { ...before, coverage: answer.coverage };

/** Asks a worker. Where none can be had the page does it itself: slower, and the same numbers. */
function askWorker(question: CoatLearningQuestion): Observable<CoatLearningAnswer> {
  return new Observable((subscriber) => {
    const worker = coatLearningWorker();
    worker.onmessage = ({ data }: MessageEvent<CoatLearningAnswer>) => {
      subscriber.next(data);
      if (data.kind === 'coverage') subscriber.complete();
    };
    worker.onerror = () => {
      answerCoatLearning(question, (answer) => subscriber.next(answer));
      subscriber.complete();
    };
    worker.postMessage(question);
    return () => worker.terminate();
  });
}
