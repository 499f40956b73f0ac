import { gapBetween, SHELF_ROOM_MM, type KeptFree, type LoadPiece, type StandingPiece } from './load-piece';
import type { KilnToLoad } from './kiln-to-load';
import { apartMm, halfSizeMm, offSpotMm, withinEdgeMm, type PlacedPiece } from './shelf-geometry';
import { tallestMm, type StackedShelf } from './stack-shelves';

/** What is wrong with a load, at the piece or the shelf it is about. */
export type LoadFault =
  | { kind: 'tooNear'; shelfId: string; pieceId: string; otherId: string; apartMm: number; wantedMm: number }
  | { kind: 'overEdge'; shelfId: string; pieceId: string; byMm: number }
  | { kind: 'onPost' | 'onThermocouple'; shelfId: string; pieceId: string; byMm: number }
  | { kind: 'outOfSight'; shelfId: string; pieceId: string; behindId: string }
  | { kind: 'tooHeavy'; shelfId: string; grams: number; carriesGrams: number }
  | { kind: 'lacksPosts'; shelfId: string; roomMm: number }
  | { kind: 'underLid'; shelfId: string; byMm: number }
  | { kind: 'tooManyShelves'; shelfId: string; shelves: number };

/** Less than this is rounding, mm. */
const WITHIN_MM = 1e-3;

/**
 * Returns what is wrong with a load: gaps, edges, posts, the thermocouple, heights, weights, tiles out of sight of the door.
 *
 * @param shelves - from `stackShelves`
 * @param pieces - all that stand on them
 * @param kiln - the kiln
 * @example
 * checkLoad([], [], { outline: { kind: 'round', diameterMm: 300 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] }) // []
 */
export function checkLoad(shelves: readonly StackedShelf[], pieces: readonly LoadPiece[], kiln: KilnToLoad): LoadFault[] {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  return shelves.flatMap((shelf, at) => [
    ...(at >= kiln.shelves ? [{ kind: 'tooManyShelves' as const, shelfId: shelf.id, shelves: kiln.shelves }] : []),
    ...heightFaults(shelf, byId),
    ...(shelf.grams > (kiln.shelfCarriesGrams ?? Infinity)
      ? [{ kind: 'tooHeavy' as const, shelfId: shelf.id, grams: shelf.grams, carriesGrams: kiln.shelfCarriesGrams! }]
      : []),
    ...placeFaults(shelf, byId, kiln),
  ]);
}

function heightFaults(shelf: StackedShelf, byId: ReadonlyMap<string, LoadPiece>): LoadFault[] {
  const wantedMm = tallestMm(standingOn(shelf, byId)) + SHELF_ROOM_MM;
  if (shelf.lacksPosts) return [{ kind: 'lacksPosts', shelfId: shelf.id, roomMm: wantedMm }];
  const byMm = wantedMm - shelf.roomMm;
  return shelf.isTop && byMm > WITHIN_MM && shelf.pieces.length > 0 ? [{ kind: 'underLid', shelfId: shelf.id, byMm }] : [];
}

const standingOn = ({ pieces }: StackedShelf, byId: ReadonlyMap<string, LoadPiece>): LoadPiece[] =>
  pieces.flatMap(({ pieceId }) => byId.get(pieceId) ?? []);

interface Standing extends PlacedPiece {
  piece: LoadPiece;
}

function placeFaults(shelf: StackedShelf, byId: ReadonlyMap<string, LoadPiece>, kiln: KilnToLoad): LoadFault[] {
  const shelfId = shelf.id;
  const spots = keptFreeOn(shelf, kiln);
  const standing = shelf.pieces.flatMap((place): Standing[] => {
    const piece = byId.get(place.pieceId);
    return piece ? [{ piece, footprint: piece.footprint, ...place }] : [];
  });
  const faults: LoadFault[] = [];
  for (const [at, one] of standing.entries()) {
    const pieceId = one.piece.id;
    const within = withinEdgeMm(one, kiln.outline);
    if (within < -WITHIN_MM) faults.push({ kind: 'overEdge', shelfId, pieceId, byMm: -within });
    for (const spot of spots) {
      const off = offSpotMm(one, spot);
      if (off < -WITHIN_MM) faults.push({ kind: spot.what === 'post' ? 'onPost' : 'onThermocouple', shelfId, pieceId, byMm: -off });
    }
    for (const other of standing.slice(at + 1)) {
      const [apart, wantedMm] = [apartMm(one, other), gapBetween(one.piece, other.piece)];
      if (apart < wantedMm - WITHIN_MM) faults.push({ kind: 'tooNear', shelfId, pieceId, otherId: other.piece.id, apartMm: apart, wantedMm });
    }
    const behind = one.piece.isAtDoor ? standing.find((other) => hides(other, one)) : undefined;
    if (behind) faults.push({ kind: 'outOfSight', shelfId, pieceId, behindId: behind.piece.id });
  }
  return faults;
}

/**
 * Returns where nothing may stand on a shelf: posts where it carries a shelf, the thermocouple where it reaches into its room.
 *
 * @param shelf - with its height
 * @param kiln - the kiln
 * @example
 * keptFreeOn({ fromMm: 0, roomMm: 400, isTop: true }, { outline: { kind: 'round', diameterMm: 300 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] }) // []
 */
export function keptFreeOn({ fromMm, roomMm, isTop }: Pick<StackedShelf, 'fromMm' | 'roomMm' | 'isTop'>, kiln: KilnToLoad): KeptFree[] {
  const probeMm = kiln.thermocoupleMm;
  return (kiln.keptFree ?? []).filter(({ what }) =>
    what === 'post' ? !isTop : probeMm === undefined || (probeMm >= fromMm && probeMm <= fromMm + roomMm),
  );
}

/** It stands between the other one and the door, and is as wide there. */
function hides(other: Standing, tile: Standing): boolean {
  if (other === tile || other.piece.isAtDoor || other.yMm <= tile.yMm) return false;
  return Math.abs(other.xMm - tile.xMm) < halfSizeMm(other)[0] && other.piece.heightMm >= tile.piece.heightMm / 2;
}

/**
 * Returns whether a piece can stand at a place of a shelf, beside all that stand there.
 *
 * @param place - of the piece
 * @param piece - the piece
 * @param on - the shelf, all pieces, and the kiln
 * @example
 * fitsAt({ pieceId: 'cup', xMm: 0, yMm: 0, isTurned: false }, { id: 'cup', footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 90 }, { shelf: { id: 'a', pieces: [], fromMm: 0, roomMm: 400, columnMm: [], lacksPosts: false, isTop: true, grams: 0, areaShare: 0 }, pieces: [], kiln: { outline: { kind: 'round', diameterMm: 300 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] } })
 * // true
 */
export function fitsAt(
  place: StandingPiece,
  piece: LoadPiece,
  { shelf, pieces, kiln }: { shelf: StackedShelf; pieces: readonly LoadPiece[]; kiln: KilnToLoad },
): boolean {
  const one = { footprint: piece.footprint, ...place };
  if (withinEdgeMm(one, kiln.outline) < 0 || keptFreeOn(shelf, kiln).some((spot) => offSpotMm(one, spot) < 0)) return false;
  return shelf.pieces.every((other) => {
    const standing = pieces.find(({ id }) => id === other.pieceId);
    return other.pieceId === place.pieceId || !standing || apartMm(one, { footprint: standing.footprint, ...other }) >= gapBetween(piece, standing);
  });
}
