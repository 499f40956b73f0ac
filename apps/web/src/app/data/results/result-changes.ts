import { inject, Injectable } from '@angular/core';
import type { Firing, Problem, Result, ResultChangeBody, ResultChangeEntry } from '@cazuela/contract';
import {
  changeOutcome,
  CHANGES,
  planWithChange,
  scheduleWithChange,
  type ChangeOutcome,
  type FaultPlace,
  type FiredFault,
  type ResultChange,
  type TriedPiece,
} from '@cazuela/core';
import { last, map, of, switchMap, throwError, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { NOW } from '../state/clock';
import { StudioStore } from '../state/studio-store';
import { ApiFailure } from '../http/api';
import { StudioApi } from '../http/studio-api';

/** A fault of a result, and one thing to do otherwise. */
export interface ChangeForFault {
  result: Result;
  fault: FiredFault;
  where: FaultPlace;
  change: ResultChange;
}

/** An entry of the ledger with what became of it. */
export interface LedgerEntry {
  entry: ResultChangeEntry;
  outcome: ChangeOutcome;
}

const NOT_AS_IT_WAS: Problem = {
  type: 'about:blank#conflict',
  title: 'No',
  status: 409,
  code: 'conflict',
  detail: 'Its plan is not as it was: look at it, and change it there.',
};
/** Below this a kiln is opened from then on, °C. */
const OPEN_BELOW_CELSIUS = 100;

/** Makes a change: a new version of the plan, the schedule or the kiln's card, and an entry in the ledger; or only the entry, for a habit. */
@Injectable({ providedIn: 'root' })
export class ResultChanges {
  private readonly api = inject(StudioApi);
  private readonly studio = inject(StudioStore);
  private readonly now = inject(NOW);

  make(wanted: ChangeForFault, firing: Firing | undefined): Observable<ResultChangeEntry> {
    return this.becomes(wanted, firing).pipe(
      switchMap((became) => this.note(wanted, { decision: 'made', reason: '', ...(became ? { became } : {}) })),
    );
  }

  /** Not wanted: why is kept, and nothing is changed. */
  refuse(wanted: ChangeForFault, reason: string): Observable<ResultChangeEntry> {
    return this.note(wanted, { decision: 'refused', reason });
  }

  private note(
    { result, fault, where, change }: ChangeForFault,
    decided: Pick<ResultChangeBody, 'decision' | 'reason' | 'became'>,
  ): Observable<ResultChangeEntry> {
    const { kind, from, to, chanceBefore, chanceAfter } = change;
    return this.api.createResultChange(uuid(), {
      resultId: result.id,
      pieceId: result.body.pieceId,
      fault,
      where,
      kind,
      ...(from === undefined ? {} : { from }),
      ...(to === undefined ? {} : { to }),
      chanceBefore,
      chanceAfter,
      ...decided,
      at: this.now().toISOString(),
      by: this.studio.by(),
    });
  }

  /** The new version that it becomes, from what the records hold now. */
  private becomes({ result, change, where }: ChangeForFault, firing: Firing | undefined): Observable<ResultChangeBody['became']> {
    switch (CHANGES[change.kind].changes) {
      case 'plan':
        return this.api.pieces().pipe(
          last(),
          switchMap((pieces) => {
            const piece = pieces.find(({ id }) => id === result.body.pieceId);
            const plan = piece && planWithChange(piece.body.plan, change, where);
            if (!plan) return throwError(() => new ApiFailure('problem', NOT_AS_IT_WAS));
            return this.api.updatePiece(piece.id, piece.version, { ...piece.body, plan });
          }),
          map(({ id, version }) => ({ what: 'plan' as const, id, version })),
        );
      case 'schedule':
        return this.api.schedules().pipe(
          last(),
          switchMap((schedules) => {
            const schedule = schedules.find(({ id }) => id === firing?.body.schedule?.id);
            const body = schedule && scheduleWithChange(schedule.body, change);
            if (!body) return of(undefined);
            return this.api
              .updateSchedule(schedule.id, schedule.version, body)
              .pipe(map(({ id, version }) => ({ what: 'schedule' as const, id, version })));
          }),
        );
      case 'kiln':
        return this.api.kilns().pipe(
          last(),
          switchMap((kilns) => {
            const kiln = kilns.find(({ id }) => id === firing?.body.kilnId);
            if (!kiln) return of(undefined);
            const body = { ...kiln.body, openBelowCelsius: Math.min(kiln.body.openBelowCelsius ?? OPEN_BELOW_CELSIUS, OPEN_BELOW_CELSIUS) };
            return this.api.updateKiln(kiln.id, kiln.version, body).pipe(map(({ id, version }) => ({ what: 'kiln' as const, id, version })));
          }),
        );
      default:
        return of(undefined);
    }
  }
}

/** The ledger with what became of each entry; what was refused was never tried. */
export function ledgerOf(entries: readonly ResultChangeEntry[], results: readonly Result[]): LedgerEntry[] {
  const pieces = results.map(triedPiece);
  return entries.map((entry) => ({
    entry,
    outcome: entry.body.decision === 'made' ? changeOutcome({ ...entry.body, madeAt: entry.body.at }, pieces) : { kind: 'notTried' },
  }));
}

/** When a piece was glazed is when its last step was done; when it was fired where nobody knows. */
function triedPiece({ id, body, glazedWith, firedAt }: Result): TriedPiece {
  const done = glazedWith.flatMap(({ doneAt }) => doneAt ?? []).sort();
  return { resultId: id, pieceId: body.pieceId, doneAt: done.at(-1) ?? firedAt, faults: body.faults.map(({ fault }) => fault) };
}
