import { seededUniform } from '../../math/seeded-uniform';
import { fitsAt } from './check-load';
import type { KilnToLoad } from './kiln-to-load';
import { gapBetween, SHELF_ROOM_MM, type LoadPiece, type StandingPiece } from './load-piece';
import { halfSizeMm } from './shelf-geometry';
import { stackShelves, type LoadShelf, type StackedShelf } from './stack-shelves';

/** Places that are looked at on one shelf. */
const LOOKS = 400;
const SEED = 20_260_302;
/** Round each piece that stands, a new one is tried in so many directions. */
const DIRECTIONS = 24;
/** A hair further than it must, mm. */
const HAIR_MM = 0.02;

/**
 * Returns a place for a piece on a shelf on which nothing else moves: beside what stands there or at the edge, as far from the middle as possible;
 * undefined where none was found.
 *
 * @param piece - to be put there
 * @param on - the shelf, all pieces, and the kiln
 * @example
 * placeOn({ id: 'cup', footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 90 }, { shelf: { id: 'a', pieces: [], fromMm: 0, roomMm: 400, columnMm: [], lacksPosts: false, isTop: true, grams: 0, areaShare: 0 }, pieces: [], kiln: { outline: { kind: 'round', diameterMm: 80 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] } })
 * // { pieceId: 'cup', xMm: 0, yMm: 0, isTurned: false }
 */
export function placeOn(piece: LoadPiece, on: { shelf: StackedShelf; pieces: readonly LoadPiece[]; kiln: KilnToLoad }): StandingPiece | undefined {
  let best: StandingPiece | undefined;
  let bestRank = -Infinity;
  for (const isTurned of piece.footprint.kind === 'box' ? [false, true] : [false]) {
    for (const [xMm, yMm] of candidates(piece, isTurned, on)) {
      const rank = piece.isAtDoor ? yMm : Math.hypot(xMm, yMm);
      const place = { pieceId: piece.id, xMm, yMm, isTurned };
      if (rank > bestRank && fitsAt(place, piece, on)) [best, bestRank] = [place, rank];
    }
  }
  return best;
}

/**
 * Returns the place nearest to the wanted one where a piece may stand, so that a hand need not be exact; undefined where none is near.
 *
 * @param wanted - where it was put
 * @param piece - the piece
 * @param on - the shelf, all pieces, and the kiln; `withinMm`, how far it may be moved
 * @example
 * nearestPlace({ pieceId: 'cup', xMm: 20, yMm: 0, isTurned: false }, { id: 'cup', footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 90 }, { shelf: { id: 'a', pieces: [], fromMm: 0, roomMm: 400, columnMm: [], lacksPosts: false, isTop: true, grams: 0, areaShare: 0 }, pieces: [], kiln: { outline: { kind: 'round', diameterMm: 100 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] }, withinMm: 20 })?.xMm
 * // 10
 */
export function nearestPlace(
  wanted: StandingPiece,
  piece: LoadPiece,
  { withinMm, ...on }: { shelf: StackedShelf; pieces: readonly LoadPiece[]; kiln: KilnToLoad; withinMm: number },
): StandingPiece | undefined {
  for (let reach = 0; reach <= withinMm; reach++) {
    for (let at = 0; at < (reach === 0 ? 1 : DIRECTIONS); at++) {
      const angle = (2 * Math.PI * at) / DIRECTIONS;
      const place = { ...wanted, xMm: rounded(wanted.xMm + reach * Math.cos(angle)), yMm: rounded(wanted.yMm + reach * Math.sin(angle)) };
      if (fitsAt(place, piece, on)) return place;
    }
  }
  return undefined;
}

/** To a tenth of a mm: no hand is finer. */
const rounded = (mm: number): number => Math.round(10 * mm) / 10;

/** The middle, places touching what stands there, and places anywhere. */
function candidates(
  piece: LoadPiece,
  isTurned: boolean,
  { shelf, pieces, kiln: { outline } }: { shelf: StackedShelf; pieces: readonly LoadPiece[]; kiln: KilnToLoad },
): (readonly [number, number])[] {
  const [halfX, halfY] = halfSizeMm({ footprint: piece.footprint, isTurned });
  const [edgeX, edgeY] =
    outline.kind === 'rectangular'
      ? [outline.widthMm / 2 - halfX, outline.depthMm / 2 - halfY]
      : [outline.diameterMm / 2 - halfX, outline.diameterMm / 2 - halfY];
  const found: (readonly [number, number])[] = [[outline.kind === 'halfRound' ? halfX : 0, 0]];
  for (const place of shelf.pieces) {
    const other = pieces.find(({ id }) => id === place.pieceId);
    if (!other || place.pieceId === piece.id) continue;
    const [otherX, otherY] = halfSizeMm({ footprint: other.footprint, isTurned: place.isTurned });
    const gap = gapBetween(piece, other) + HAIR_MM;
    for (let at = 0; at < DIRECTIONS; at++) {
      const angle = (2 * Math.PI * at) / DIRECTIONS;
      found.push([place.xMm + (halfX + otherX + gap) * Math.cos(angle), place.yMm + (halfY + otherY + gap) * Math.sin(angle)]);
    }
  }
  const random = seededUniform(SEED);
  for (let look = 0; look < LOOKS; look++) {
    const [x, y] = [2 * random() - 1, 2 * random() - 1];
    // Every other one lies at an edge.
    const [toEdgeX, toEdgeY] = look % 4 === 0 ? [Math.sign(x), y] : look % 4 === 1 ? [x, Math.sign(y)] : [x, y];
    found.push([toEdgeX * Math.max(0, edgeX), toEdgeY * Math.max(0, edgeY)]);
  }
  return found;
}

/** Shelves with more pieces on them, and what found no place. */
export interface RestPlaced {
  shelves: LoadShelf[];
  leftOutIds: string[];
}

/**
 * Returns shelves on which pieces that have no place yet were put beside those that stand there, none of which moves; a new shelf on top where there
 * is one. The tallest first.
 *
 * @param shelves - as they stand
 * @param pieces - all of the load
 * @param how - the kiln, and ids for new shelves
 * @example
 * placeRest([], [{ id: 'cup', footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 90 }], { kiln: { outline: { kind: 'round', diameterMm: 300 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] }, newId: () => 'a' }).shelves.length
 * // 1
 */
export function placeRest(
  shelves: readonly LoadShelf[],
  pieces: readonly LoadPiece[],
  { kiln, newId }: { kiln: KilnToLoad; newId: () => string },
): RestPlaced {
  const standing = new Set(shelves.flatMap((shelf) => shelf.pieces.map(({ pieceId }) => pieceId)));
  const waiting = pieces.filter(({ id }) => !standing.has(id)).sort((a, b) => b.heightMm - a.heightMm || (a.id < b.id ? -1 : 1));
  let placed: LoadShelf[] = [...shelves];
  const leftOutIds: string[] = [];
  for (const piece of waiting) {
    const next = withPiece(placed, piece, pieces, kiln) ?? onNewShelf(placed, piece, pieces, { kiln, newId });
    if (next) placed = next;
    else leftOutIds.push(piece.id);
  }
  return { shelves: placed, leftOutIds };
}

function withPiece(shelves: readonly LoadShelf[], piece: LoadPiece, pieces: readonly LoadPiece[], kiln: KilnToLoad): LoadShelf[] | undefined {
  const stacked = stackShelves(shelves, pieces, kiln);
  // Where it needs no higher posts first.
  const order = [...stacked].sort((a, b) => Number(piece.heightMm + SHELF_ROOM_MM > a.roomMm) - Number(piece.heightMm + SHELF_ROOM_MM > b.roomMm));
  for (const shelf of order) {
    if (shelf.grams + (piece.grams ?? 0) > (kiln.shelfCarriesGrams ?? Infinity)) continue;
    const place = placeOn(piece, { shelf, pieces, kiln });
    if (!place) continue;
    const next = shelves.map((one) => (one.id === shelf.id ? { ...one, pieces: [...one.pieces, place] } : one));
    if (areHighEnough(next, pieces, kiln)) return next;
  }
  return undefined;
}

function onNewShelf(
  shelves: readonly LoadShelf[],
  piece: LoadPiece,
  pieces: readonly LoadPiece[],
  { kiln, newId }: { kiln: KilnToLoad; newId: () => string },
): LoadShelf[] | undefined {
  if (shelves.length >= kiln.shelves || (piece.grams ?? 0) > (kiln.shelfCarriesGrams ?? Infinity)) return undefined;
  for (const side of kiln.isHalved ? (['left', 'right'] as const) : [undefined]) {
    const empty: LoadShelf = { id: newId(), ...(side ? { side } : {}), pieces: [] };
    const shelf = stackShelves([...shelves, empty], pieces, kiln).at(-1)!;
    const place = placeOn(piece, { shelf, pieces, kiln });
    const next = place && [...shelves, { ...empty, pieces: [place] }];
    if (next && areHighEnough(next, pieces, kiln)) return next;
  }
  return undefined;
}

function areHighEnough(shelves: readonly LoadShelf[], pieces: readonly LoadPiece[], kiln: KilnToLoad): boolean {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  return stackShelves(shelves, pieces, kiln).every(({ lacksPosts, roomMm, pieces: places }) => {
    const tallest = places.reduce((most, { pieceId }) => Math.max(most, byId.get(pieceId)?.heightMm ?? 0), 0);
    return !lacksPosts && (places.length === 0 || tallest + SHELF_ROOM_MM <= roomMm);
  });
}
