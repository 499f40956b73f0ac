import { inject, Injectable } from '@angular/core';
import type { ClayBody, CoatWindowDocument, Firing, Piece, Result } from '@cazuela/contract';
import { firedCoats, firingRates, glazeIdOf, recordOfPiece, unreadBounds, type FaultPlace, type FaultRecord, type GlazedPiece } from '@cazuela/core';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';
import { clayFactsOf } from './clay-facts';
import { firingRead } from './firing-read';
import { Glazes, type StudioGlazes } from './glazes';

interface Known {
  glazes: StudioGlazes;
  pieces: Piece[];
  bodies: ClayBody[];
  windows: CoatWindowDocument[];
  firings: Firing[];
  results: Result[];
}

/** All that was recorded of fired pieces. */
export interface FiredPieces {
  results: Result[];
  firings: Firing[];
  /** As it was planned, done and fired; undefined where its plan is gone. */
  pieceOf: (result: Result) => GlazedPiece | undefined;
}

/** What was recorded of a fired piece, at each place of it. */
export type RecordOf = (result: Result, where: FaultPlace) => FaultRecord | undefined;

/** A firing of which more than this is not read says nothing of its rates, hours. */
const MOST_UNREAD_HOURS = 1;

/** All that the studio recorded of its fired pieces, as the causes of faults need it. */
@Injectable({ providedIn: 'root' })
export class FaultRecords {
  private readonly api = inject(StudioApi);
  private readonly glazes = inject(Glazes);

  all(): Observable<FiredPieces> {
    return combineLatest({
      glazes: this.glazes.all(),
      pieces: this.api.pieces(),
      bodies: this.api.bodies(),
      windows: this.api.coatWindows(),
      firings: this.api.firings(),
      results: this.api.results(),
    }).pipe(map((known) => ({ pieceOf: finder(known), results: known.results, firings: known.firings })));
  }
}

function finder(known: Known): FiredPieces['pieceOf'] {
  const asFired = new Map<string, GlazedPiece | undefined>();
  return (result) => {
    if (!asFired.has(result.id)) asFired.set(result.id, pieceAsFired(result, known));
    return asFired.get(result.id);
  };
}

/** What finds the record of a result at a place; undefined where the plan of the piece is gone. */
export const recorderOf =
  ({ pieceOf }: Pick<FiredPieces, 'pieceOf'>): RecordOf =>
  (result, where) => {
    const piece = pieceOf(result);
    return piece && recordOfPiece(piece, where);
  };

function pieceAsFired(result: Result, known: Known): GlazedPiece | undefined {
  const piece = known.pieces.find(({ id }) => id === result.body.pieceId)?.body;
  if (!piece) return undefined;
  const { buckets, facts } = known.glazes;
  const clay = known.bodies.find(({ id }) => id === piece.bodyId);
  const firing = known.firings.find(({ id }) => id === result.body.firingId);
  const read = firing && firingRead(firing);
  const isRead = read?.readUntilHours !== undefined && unreadBounds(read.log).unreadHours <= MOST_UNREAD_HOURS;
  const windows = buckets.flatMap((bucket) => {
    const window = known.windows.find(({ glazeId, bodyId }) => glazeId === glazeIdOf(bucket) && bodyId === piece.bodyId)?.changes.at(-1)?.window;
    return window ? [[bucket.id, window] as const] : [];
  });
  return {
    plan: piece.plan,
    coats: firedCoats(result.glazedWith),
    glazes: facts,
    ranges: new Map(buckets.map(({ id, body }) => [id, { lowSg: body.sgLow, highSg: body.sgHigh }])),
    windows: new Map(windows),
    ...(clay ? { clay: clayFactsOf(clay, piece.lotId, false) } : {}),
    coneReached: result.body.coneReached,
    ...(isRead ? { rates: firingRates(read.log) } : {}),
    isRefired: wasFiredBefore(result, known.results),
  };
}

/** Undefined where nobody knows which lot it was. */
function wasFiredBefore({ body, firedAt }: Result, results: readonly Result[]): boolean | undefined {
  if (!body.lotId) return undefined;
  return results.some((other) => other.body.lotId === body.lotId && other.body.firingId !== body.firingId && other.firedAt < firedAt);
}
