import { glazeIdOf, lookOfResult, looksOfTile, type CoatLook } from '@cazuela/core';
import { inject, Injectable } from '@angular/core';
import type { BucketSummary, Piece, Result, StepTile } from '@cazuela/contract';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';

export interface FiredLook {
  looks: CoatLook[];
  fromTiles: number;
  fromResults: number;
  /** Where they come from, as the reason of the window. */
  message: string;
}

/** A glaze on a clay. */
export interface GlazeOnClay {
  glazeId: string;
  bodyId: string;
}

export interface Fired {
  tiles: readonly StepTile[];
  results: readonly Result[];
  pieces: readonly Piece[];
}

/** How coats of one glaze on one body looked after the fire: strips of its tiles, and pots whose result is kept. */
@Injectable({ providedIn: 'root' })
export class FiredLooks {
  private readonly api = inject(StudioApi);

  of(pair: GlazeOnClay, buckets: readonly BucketSummary[]): Observable<FiredLook> {
    return combineLatest({ tiles: this.api.tiles(), results: this.api.results(), pieces: this.api.pieces() }).pipe(
      map((fired) => firedLook(pair, buckets, fired)),
    );
  }
}

export function firedLook({ glazeId, bodyId }: GlazeOnClay, buckets: readonly BucketSummary[], { tiles, results, pieces }: Fired): FiredLook {
  const read = tiles.filter(({ body }) => body.glazeId === glazeId && body.bodyId === bodyId && isRead(body.strips));
  const strips = read.flatMap((tile) => looksOfTile(tile.body.strips));
  const ranges = new Map(
    buckets.filter((bucket) => glazeIdOf(bucket) === glazeId).map(({ id, body }) => [id, { lowSg: body.sgLow, highSg: body.sgHigh }] as const),
  );
  const ofBody = new Set(pieces.filter((piece) => piece.body.bodyId === bodyId).map((piece) => piece.id));
  const resultLooks = results.filter((result) => ofBody.has(result.body.pieceId)).flatMap((result) => lookOfResult(result, ranges) ?? []);
  const from = [
    ...(read.length > 0 ? [`tiles ${read.map((tile) => tile.code).join(', ')}`] : []),
    ...(resultLooks.length > 0 ? [`${resultLooks.length} results`] : []),
  ];
  return {
    looks: [...strips, ...resultLooks],
    fromTiles: strips.length,
    fromResults: resultLooks.length,
    message: `from ${from.join(' and ')}`,
  };
}

const isRead = (strips: StepTile['body']['strips']): boolean => strips.some((strip) => strip.verdict !== undefined);
