import { glazeIdOf, type CoatLook } from '@cazuela/core';
import { inject, Injectable } from '@angular/core';
import type { BucketSummary, Piece, Result, StepTile } from '@cazuela/contract';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../../../data/http/studio-api';

export interface FiredLook {
  looks: CoatLook[];
  fromTiles: number;
  fromResults: number;
  /** Where they come from, as the reason of the window. */
  message: string;
}

/** Stars of five from which a result counts as right. */
const RIGHT_STARS = 4;

/** How coats of one glaze on one body looked after the fire: strips of its tiles, and pots whose result is kept. */
@Injectable({ providedIn: 'root' })
export class FiredLooks {
  private readonly api = inject(StudioApi);

  of(pair: { glazeId: string; bodyId: string }, buckets: readonly BucketSummary[]): Observable<FiredLook> {
    return combineLatest({ tiles: this.api.tiles(), results: this.api.results(), pieces: this.api.pieces() }).pipe(
      map(({ tiles, results, pieces }) => {
        const read = tiles.filter(({ body }) => body.glazeId === pair.glazeId && body.bodyId === pair.bodyId && isRead(body.strips));
        const strips = read.flatMap(looksOfTile);
        const bucketIds = new Set(buckets.filter((bucket) => glazeIdOf(bucket) === pair.glazeId).map((bucket) => bucket.id));
        const pots = looksOfResults(results, pieces, pair.bodyId, bucketIds);
        const from = [
          ...(read.length > 0 ? [`tiles ${read.map((tile) => tile.code).join(', ')}`] : []),
          ...(pots.length > 0 ? [`${pots.length} results`] : []),
        ];
        return { looks: [...strips, ...pots], fromTiles: strips.length, fromResults: pots.length, message: `from ${from.join(' and ')}` };
      }),
    );
  }
}

const isRead = (strips: StepTile['body']['strips']): boolean => strips.some((strip) => strip.verdict !== undefined);

function looksOfTile({ body }: StepTile): CoatLook[] {
  return body.strips.flatMap(({ verdict, measuredMm, expectedMm, words }): CoatLook[] => {
    const coatMm = measuredMm ?? expectedMm;
    return verdict && coatMm ? [{ coatMm, verdict, words: words ?? '' }] : [];
  });
}

/** A pot with this glaze alone: its planned coat, and whether it was too thin, too thick or good. */
function looksOfResults(results: readonly Result[], pieces: readonly Piece[], bodyId: string, bucketIds: ReadonlySet<string>): CoatLook[] {
  const ofBody = new Set(pieces.filter((piece) => piece.body.bodyId === bodyId).map((piece) => piece.id));
  return results.flatMap(({ body, glazedWith }): CoatLook[] => {
    const coats = glazedWith.filter((one) => one.bucketId !== null);
    const [only, ...more] = coats;
    if (!ofBody.has(body.pieceId) || !only || more.length > 0 || !bucketIds.has(only.bucketId!) || only.coatMm === null) return [];
    const faults = new Set(body.faults.map((one) => one.fault));
    const verdict = faults.has('thin')
      ? 'thin'
      : faults.has('thick') || faults.has('ran')
        ? 'thick'
        : body.stars >= RIGHT_STARS
          ? 'right'
          : undefined;
    return verdict ? [{ coatMm: only.coatMm, verdict, words: body.note.slice(0, 100) }] : [];
  });
}
