import type { KilnBody } from '@cazuela/contract';
import { kilnToLoad, loadPieces, lotIdOf, lowestShelfMm, stackShelves, type LoadStanding } from '@cazuela/core';

/** Of each lot that stood on one shelf of a load: the usual shelf of the kiln that is nearest to it in height. */
export function shelvesOfLots({ lots, shelves }: LoadStanding, kiln: KilnBody): [lotId: string, { shelfId: string }][] {
  const stacked = stackShelves(shelves, loadPieces(lots), kilnToLoad(kiln));
  return lots.flatMap(({ id, itemId }) => {
    const on = stacked.filter(({ pieces }) => pieces.some(({ pieceId }) => lotIdOf(pieceId) === id));
    if (on.length !== 1 || kiln.shelves.length === 0) return [];
    const heightMm = lowestShelfMm(kiln) + on[0]!.fromMm;
    const nearest = kiln.shelves.reduce((best, shelf) => (Math.abs(shelf.heightMm - heightMm) < Math.abs(best.heightMm - heightMm) ? shelf : best));
    return [[itemId ?? id, { shelfId: nearest.id }]];
  });
}
