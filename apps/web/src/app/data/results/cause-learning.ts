import { Injectable } from '@angular/core';
import type { Result } from '@cazuela/contract';
import { FIRED_FAULTS, learntStrengths, type CauseStrengths, type FiredFault, type JudgedPiece } from '@cazuela/core';
import { defaultIfEmpty, defer, map, shareReplay, type Observable } from 'rxjs';
import { recorderOf, type FiredPieces, type RecordOf } from '../state/fault-records';
import { workerAnswer } from '../worker-answer';
import type { LearnStrengthsJob } from './learn-strengths-job';
import { learnStrengthsWorker } from './learn-strengths.worker-factory';

/** What the fired pieces of a studio taught of the causes of faults. */
export interface LearntCauses {
  strengths: CauseStrengths;
  /** How many pieces they were learnt from. */
  pieces: number;
}

/** Learns from all fired pieces, beside the page; once, as long as nothing changed. */
@Injectable({ providedIn: 'root' })
export class CauseLearning {
  private readonly learnt = new WeakMap<FiredPieces, Observable<LearntCauses>>();

  from(fired: FiredPieces): Observable<LearntCauses> {
    const before = this.learnt.get(fired);
    if (before) return before;
    const now = defer(() => {
      const pieces = fired.results.flatMap((result) => judgedPiece(result, recorderOf(fired)));
      return workerAnswer<LearnStrengthsJob, CauseStrengths>(learnStrengthsWorker, { pieces }).pipe(
        map((strengths) => ({ strengths, pieces: pieces.length })),
        // The worker failed: the usual strengths, and no piece is said to have taught them.
        defaultIfEmpty({ strengths: learntStrengths([]), pieces: 0 }),
      );
    }).pipe(shareReplay(1));
    this.learnt.set(fired, now);
    return now;
  }
}

const isFired = (fault: string): fault is FiredFault => (FIRED_FAULTS as readonly string[]).includes(fault);

/** A piece with what is wrong with it; at the place of its first fault, outside where it has none. */
function judgedPiece(result: Result, recordOf: RecordOf): JudgedPiece[] {
  const record = recordOf(result, result.body.faults[0]?.where ?? 'outside');
  return record ? [{ record, faults: result.body.faults.map(({ fault }) => fault).filter(isFired) }] : [];
}
