import { PotterError } from '../../checks/potter-error';
import { requirePositive } from '../../checks/require';
import { areaShare, gapBetween, SHELF_ROOM_MM, type LoadPiece, type ShelfOutline, type StandingPiece } from './load-piece';
import { packShelf, USUAL_EFFORT } from './pack-shelf';
import { ShelfPacking } from './shelf-packing';
import { heightOf, lowestColumn, postSets, withoutColumn } from './post-heights';

/** A kiln as it is loaded. */
export interface KilnToLoad {
  /** Of one shelf, within what must stay free of elements and thermocouple. */
  outline: ShelfOutline;
  /** From the upper face of the lowest shelf to what must stay free under the lid, mm. */
  heightMm: number;
  /** How many shelves there are. */
  shelves: number;
  shelfThickMm: number;
  /** Heights of the posts there are, mm; any height when empty. */
  postsMm: readonly number[];
  /** What one shelf carries at heat, g; left out where its maker did not say. */
  shelfCarriesGrams?: number | undefined;
}

export const LEFT_OUT_WHY = ['tooWide', 'tooTall', 'tooHeavy', 'noRoom'] as const;

/** One shelf of a load. */
export interface LoadedShelf {
  /** Its upper face above that of the lowest one, mm. */
  fromMm: number;
  /** Room up to the next one, or to the lid, mm. */
  roomMm: number;
  /** Posts that carry the next shelf, of one column; empty for the highest. */
  columnMm: number[];
  pieces: StandingPiece[];
  grams: number;
  /** Of its area, without gaps. */
  areaShare: number;
}

export interface KilnLoad {
  /** From the lowest up. */
  shelves: LoadedShelf[];
  leftOut: { pieceId: string; why: (typeof LEFT_OUT_WHY)[number] }[];
}

/** A shelf is first tried with what fills this share of it, gaps and all; then piece after piece is added. */
const FIRST_SHARE = 0.7;
/** So many pieces may be refused before a shelf is full. */
const MOST_REFUSED = 5;
/** Moves of squeezed pieces for one more. */
const ADDING_MOVES = 10;
/** Nothing more is tried on a shelf that would be filled beyond this share, gaps and all: circles fill no more than 0.91. */
const MOST_SHARE = 0.93;

/**
 * Returns a load: pieces of like height share a shelf, the tallest first, and each shelf is filled as far as pieces find a place; what stays out is
 * named with its reason. The same pieces give the same load.
 *
 * @param pieces - glazed and dry
 * @param kiln - the kiln
 * @throws PotterError where a size is not above 0, or two pieces have one id
 * @example
 * planLoad([{ id: 'cup', footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 90 }], { outline: { kind: 'round', diameterMm: 300 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] }).shelves.length
 * // 1
 */
export function planLoad(pieces: readonly LoadPiece[], kiln: KilnToLoad): KilnLoad {
  requirePositive('heightMm', kiln.heightMm);
  if (new Set(pieces.map(({ id }) => id)).size < pieces.length)
    throw new PotterError('unknownName', 'pieces', pieces.length, 'A piece is in the load twice.');
  const leftOut: KilnLoad['leftOut'] = [];
  const able = pieces.filter((piece) => {
    const why = whyNever(piece, kiln);
    if (why) leftOut.push({ pieceId: piece.id, why });
    return why === undefined;
  });
  // Of like height together: nothing low stands under much empty room.
  let waiting = [...able].sort((a, b) => b.heightMm - a.heightMm || footprintMm(b) - footprintMm(a) || (a.id < b.id ? -1 : 1));
  const shelves: LoadedShelf[] = [];
  let sets = postSets(kiln.postsMm);
  let fromMm = 0;
  while (waiting.length > 0 && shelves.length < kiln.shelves) {
    const freeMm = kiln.heightMm - fromMm;
    const fitting = waiting.filter(({ heightMm }) => heightMm + SHELF_ROOM_MM <= freeMm);
    if (fitting.length === 0) break;
    const { pieces: standing, places } = fillShelf(fitting, kiln);
    const roomMm = Math.max(...standing.map(({ heightMm }) => heightMm)) + SHELF_ROOM_MM;
    const column = kiln.postsMm.length === 0 ? [roomMm] : lowestColumn(sets, roomMm);
    const ids = new Set(standing.map(({ id }) => id));
    waiting = waiting.filter(({ id }) => !ids.has(id));
    // Without posts for a shelf above it, or a shelf, or room for one, it is the last.
    const nextMm = column && fromMm + heightOf(column) + kiln.shelfThickMm;
    const isLast = nextMm === undefined || shelves.length + 1 === kiln.shelves || waiting.length === 0 || nextMm >= kiln.heightMm;
    shelves.push({
      fromMm,
      roomMm: isLast ? freeMm : heightOf(column!),
      columnMm: isLast ? [] : column!,
      pieces: places,
      grams: gramsOf(standing),
      areaShare: areaShare(standing, kiln.outline),
    });
    if (isLast) break;
    if (kiln.postsMm.length > 0) sets = withoutColumn(sets, column!);
    fromMm = nextMm!;
  }
  for (const { id } of waiting) leftOut.push({ pieceId: id, why: 'noRoom' });
  // Posts were chosen for the shelf above: nothing stands on it when the rest did not fit.
  return { shelves: withoutEmptyTop(shelves, kiln), leftOut };
}

/** Why a piece cannot stand in this kiln at all; undefined where it can. */
function whyNever(piece: LoadPiece, { outline, heightMm, shelfCarriesGrams }: KilnToLoad): (typeof LEFT_OUT_WHY)[number] | undefined {
  requirePositive('heightMm', piece.heightMm);
  requirePositive(
    'widthMm',
    piece.footprint.kind === 'circle' ? piece.footprint.radiusMm : Math.min(piece.footprint.widthMm, piece.footprint.depthMm),
  );
  if (piece.heightMm + SHELF_ROOM_MM > heightMm) return 'tooTall';
  if ((piece.grams ?? 0) > (shelfCarriesGrams ?? Infinity)) return 'tooHeavy';
  return packShelf([piece], outline) ? undefined : 'tooWide';
}

/** As many as find a place on one shelf, tried in their order. */
function fillShelf(
  waiting: readonly LoadPiece[],
  { outline, shelfCarriesGrams = Infinity }: KilnToLoad,
): { pieces: LoadPiece[]; places: StandingPiece[] } {
  let standing: LoadPiece[] = [];
  for (const piece of waiting) {
    const next = [...standing, piece];
    if (gramsOf(next) > shelfCarriesGrams || areaShare(next.map(withGap), outline) > FIRST_SHARE) break;
    standing = next;
  }
  if (standing.length === 0) standing = [waiting[0]!];
  const packing = new ShelfPacking(outline);
  while (!packing.put(standing, USUAL_EFFORT)) standing = standing.slice(0, -1);
  let refused = 0;
  for (const piece of waiting) {
    if (refused >= MOST_REFUSED) break;
    if (standing.includes(piece)) continue;
    const next = [...standing, piece];
    if (gramsOf(next) > shelfCarriesGrams || areaShare(next.map(withGap), outline) > MOST_SHARE) continue;
    if (packing.add(piece, ADDING_MOVES)) standing = next;
    else refused += 1;
  }
  return { pieces: standing, places: packing.places() };
}

function withoutEmptyTop(shelves: readonly LoadedShelf[], { heightMm }: KilnToLoad): LoadedShelf[] {
  const top = shelves.at(-1);
  if (!top || top.columnMm.length === 0) return [...shelves];
  return [...shelves.slice(0, -1), { ...top, columnMm: [], roomMm: heightMm - top.fromMm }];
}

/** A piece with half the gap to its neighbours, as it counts for room. */
function withGap(piece: LoadPiece): Pick<LoadPiece, 'footprint'> {
  const half = gapBetween(piece, piece) / 2;
  const { footprint } = piece;
  return footprint.kind === 'circle'
    ? { footprint: { kind: 'circle', radiusMm: footprint.radiusMm + half } }
    : { footprint: { kind: 'box', widthMm: footprint.widthMm + 2 * half, depthMm: footprint.depthMm + 2 * half } };
}

const footprintMm = ({ footprint }: LoadPiece): number =>
  footprint.kind === 'circle' ? 2 * footprint.radiusMm : Math.max(footprint.widthMm, footprint.depthMm);

const gramsOf = (pieces: readonly LoadPiece[]): number => pieces.reduce((sum, { grams = 0 }) => sum + grams, 0);
