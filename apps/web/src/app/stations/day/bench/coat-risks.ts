import { inject, Injectable } from '@angular/core';
import type { Piece, Result, RunnerTile } from '@cazuela/contract';
import {
  asThinned,
  feetSeen,
  layersOf,
  learnFromRunners,
  shapeOf,
  withFeet,
  type CoatRisk,
  type DayItem,
  type DayStep,
  type PieceRunQuestion,
} from '@cazuela/core';
import { catchError, combineLatest, defer, Observable, of, shareReplay, switchMap } from 'rxjs';
import { StudioApi } from '../../../data/http/studio-api';
import { Glazes, type StudioGlazes } from '../../../data/state/glazes';
import type { CoatRiskJob } from './coat-risk-job';
import { coatRiskWorker } from './coat-risk.worker-factory';

interface Known {
  glazes: StudioGlazes;
  runners: RunnerTile[];
  results: Result[];
  pieces: Piece[];
}

/** What a coat that is not as planned does in the kiln, by the plan of its piece and all that is known of its glazes; worked out in a worker. */
@Injectable()
export class CoatRisks {
  private readonly api = inject(StudioApi);
  private readonly glazes = inject(Glazes);
  /** Fetched once a coat is not as planned: most days do not ask. */
  private readonly known = defer(() =>
    combineLatest({ glazes: this.glazes.all(), runners: this.api.runnerTiles(), results: this.api.results(), pieces: this.api.pieces() }),
  ).pipe(shareReplay({ bufferSize: 1, refCount: true }));

  /** Undefined where the plan is not known any more, or nothing of it runs. */
  of(item: DayItem, { layerIds }: DayStep, ratio: number): Observable<CoatRisk | undefined> {
    if (!layerIds || layerIds.length === 0) return of(undefined);
    return this.known.pipe(
      switchMap((known) => {
        const question = questionOf(item, layerIds, known);
        return question ? this.ask({ question, layerIds, ratio }) : of(undefined);
      }),
      // Without a network the coat is told all the same.
      catchError(() => of(undefined)),
    );
  }

  private ask(job: CoatRiskJob): Observable<CoatRisk | undefined> {
    return new Observable((subscriber) => {
      const worker = coatRiskWorker();
      worker.onmessage = ({ data }: MessageEvent<CoatRisk | undefined>) => {
        subscriber.next(data);
        subscriber.complete();
      };
      worker.onerror = () => subscriber.complete();
      worker.postMessage(job);
      return () => worker.terminate();
    });
  }
}

function questionOf({ pieceId }: DayItem, layerIds: readonly string[], { glazes, runners, results, pieces }: Known): PieceRunQuestion | undefined {
  const body = pieces.find(({ id }) => id === pieceId)?.body;
  const plans = body ? [body.plan, ...(body.parts ?? []).map((part) => part.plan)] : [];
  const plan = plans.find((one) => layerIds.every((id) => layersOf(one).some((layer) => layer.id === id)));
  if (!plan) return undefined;
  const { facts, overlaps } = learnFromRunners({ tiles: runners, facts: glazes.facts, buckets: glazes.buckets });
  const { buckets } = glazes;
  const feet = facts.length > 0 ? feetSeen({ results, pieces, facts, buckets }) : [];
  return { plan, shape: shapeOf(plan), glazes: asThinned(plan, withFeet({ facts, feet, buckets })), overlaps };
}
