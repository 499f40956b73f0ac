import { inject, Injectable } from '@angular/core';
import type { CoatRisk, DayItem, DayStep } from '@cazuela/core';
import { catchError, defer, of, shareReplay, switchMap, type Observable } from 'rxjs';
import { workerAnswer } from '../../../data/worker-answer';
import { PieceQuestions } from '../../../data/state/piece-questions';
import type { CoatRiskJob } from './coat-risk-job';
import { coatRiskWorker } from './coat-risk.worker-factory';

/** What a coat that is not as planned does in the kiln, by the plan of its piece and all that is known of its glazes; worked out in a worker. */
@Injectable()
export class CoatRisks {
  private readonly questions = inject(PieceQuestions);
  /** Fetched once a coat is not as planned: most days do not ask. */
  private readonly known = defer(() => this.questions.all()).pipe(shareReplay({ bufferSize: 1, refCount: true }));

  /** Undefined where the plan is not known any more, or nothing of it runs. */
  of({ pieceId }: DayItem, { layerIds }: DayStep, ratio: number): Observable<CoatRisk | undefined> {
    if (!layerIds || layerIds.length === 0) return of(undefined);
    return this.known.pipe(
      switchMap((questionOf) => {
        const question = questionOf({ pieceId, layerIds });
        return question ? this.ask({ question, layerIds, ratio }) : of(undefined);
      }),
      // Without a network the coat is told all the same.
      catchError(() => of(undefined)),
    );
  }

  private ask(job: CoatRiskJob): Observable<CoatRisk | undefined> {
    return workerAnswer(coatRiskWorker, job);
  }
}
