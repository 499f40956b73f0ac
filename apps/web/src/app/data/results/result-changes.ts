import { inject, Injectable } from '@angular/core';
import type { Firing, Result, ResultChangeBody, ResultChangeEntry } from '@cazuela/contract';
import { changeOutcome, type ChangeOutcome, type FaultPlace, type FiredFault, type ResultChange, type TriedPiece } from '@cazuela/core';
import { switchMap, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { NOW } from '../state/clock';
import { StudioStore } from '../state/studio-store';
import { StudioApi } from '../http/studio-api';
import { ChangeVersions } from './change-versions';

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

/** Makes a change: a new version of the plan, the window, the recipe, the schedule or the kiln's card, and an entry in the ledger; or only the entry, for a habit. */
@Injectable({ providedIn: 'root' })
export class ResultChanges {
  private readonly api = inject(StudioApi);
  private readonly versions = inject(ChangeVersions);
  private readonly studio = inject(StudioStore);
  private readonly now = inject(NOW);

  make(wanted: ChangeForFault, firing: Firing | undefined): Observable<ResultChangeEntry> {
    const { result, ...change } = wanted;
    return this.versions
      .write({ ...change, pieceId: result.body.pieceId, firing })
      .pipe(switchMap((became) => this.note(wanted, { decision: 'made', reason: '', ...(became ? { became } : {}) })));
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
