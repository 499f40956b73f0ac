import { areaShare, SHELF_ROOM_MM, type LoadPiece, type StandingPiece } from './load-piece';
import type { KilnToLoad } from './kiln-to-load';
import { heightOf, lowestColumn, postSets, withoutColumn } from './post-heights';

export const SHELF_SIDES = ['left', 'right'] as const;
export type ShelfSide = (typeof SHELF_SIDES)[number];

/** One shelf of a load, with what stands on it. */
export interface LoadShelf {
  id: string;
  /** Of half shelves: which stack it is in. */
  side?: ShelfSide | undefined;
  pieces: StandingPiece[];
}

/** A shelf with the height at which it comes to stand. */
export interface StackedShelf extends LoadShelf {
  /** Its upper face above that of the lowest one, mm. */
  fromMm: number;
  /** Room up to the next one, or to the lid, mm; 0 or less where it stands too high. */
  roomMm: number;
  /** Posts that carry the next shelf, of one column; empty for the highest, and where no posts that are left do. */
  columnMm: number[];
  /** No posts that are left are high enough for the shelf above it. */
  lacksPosts: boolean;
  /** The highest of its stack. */
  isTop: boolean;
  grams: number;
  /** Of its area, without gaps. */
  areaShare: number;
}

/**
 * Returns shelves with the heights at which they stand: each as high as its tallest piece and 10 mm, on the lowest posts that do it.
 *
 * @param shelves - from the lowest up; of half shelves, both sides mixed
 * @param pieces - all that stand on them
 * @param kiln - its height, posts and shelves
 * @example
 * stackShelves([{ id: 'a', pieces: [] }], [], { outline: { kind: 'round', diameterMm: 300 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] })[0].roomMm // 400
 */
export function stackShelves(shelves: readonly LoadShelf[], pieces: readonly LoadPiece[], kiln: KilnToLoad): StackedShelf[] {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const nextMm = new Map<ShelfSide | undefined, number>();
  const topOf = new Map(shelves.map((shelf) => [shelf.side, shelf.id]));
  let sets = postSets(kiln.postsMm);
  return shelves.map((shelf): StackedShelf => {
    const standing = shelf.pieces.flatMap(({ pieceId }) => byId.get(pieceId) ?? []);
    const fromMm = nextMm.get(shelf.side) ?? 0;
    const isTop = topOf.get(shelf.side) === shelf.id;
    const wantedMm = tallestMm(standing) + SHELF_ROOM_MM;
    const column = isTop ? [] : kiln.postsMm.length === 0 ? [wantedMm] : lowestColumn(sets, wantedMm);
    if (!isTop && column && kiln.postsMm.length > 0) sets = withoutColumn(sets, column);
    const roomMm = isTop ? kiln.heightMm - fromMm : column ? heightOf(column) : wantedMm;
    nextMm.set(shelf.side, fromMm + roomMm + kiln.shelfThickMm);
    return {
      ...shelf,
      fromMm,
      roomMm,
      columnMm: column ?? [],
      lacksPosts: column === undefined,
      isTop,
      grams: standing.reduce((sum, { grams = 0 }) => sum + grams, 0),
      areaShare: areaShare(standing, kiln.outline),
    };
  });
}

/**
 * Returns the height of the tallest of some pieces, mm; 0 for none.
 *
 * @param pieces - of one shelf
 * @example
 * tallestMm([]) // 0
 */
export const tallestMm = (pieces: readonly LoadPiece[]): number => pieces.reduce((tallest, { heightMm }) => Math.max(tallest, heightMm), 0);
