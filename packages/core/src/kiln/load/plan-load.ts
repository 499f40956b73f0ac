import { PotterError } from '../../checks/potter-error';
import { requirePositive } from '../../checks/require';
import { areaShare, gapBetween, SHELF_ROOM_MM, type LoadPiece, type StandingPiece } from './load-piece';
import type { KilnToLoad } from './kiln-to-load';
import { packShelf, USUAL_EFFORT } from './pack-shelf';
import { ShelfPacking } from './shelf-packing';
import { heightOf, lowestColumn, postSets, withoutColumn } from './post-heights';
import { stackShelves, type LoadShelf, type ShelfSide, type StackedShelf } from './stack-shelves';
import { warmestOrder } from './warmest-order';

export const LEFT_OUT_WHY = ['tooWide', 'tooTall', 'tooHeavy', 'noRoom', 'noPosts'] as const;

export interface KilnLoad {
  /** From the lowest up; of half shelves, both sides mixed. */
  shelves: StackedShelf[];
  leftOut: { pieceId: string; why: (typeof LEFT_OUT_WHY)[number] }[];
}

/** A shelf is first tried with what fills this share of it, gaps and all; then piece after piece is added. */
const FIRST_SHARE = 0.7;
/** So many pieces, each smaller than the one before, may be refused before a shelf is full. */
const MOST_REFUSED = 5;
/** So many of the last shelves are tried as the highest one. */
const TOPS_TRIED = 2;
/** Moves of squeezed pieces for one more. */
const ADDING_MOVES = 10;
/** Nothing more is tried on a shelf that would be filled beyond this share, gaps and all: circles fill no more than 0.91. */
const MOST_SHARE = 0.93;
/** Pieces that differ by less than this in height may share a shelf for another reason, mm. */
const LIKE_HEIGHT_MM = 20;

/**
 * Returns a load: pieces of like height share a shelf, the tallest first, and each shelf is filled as far as pieces find a place. Where the kiln is
 * known to be warmer above or below, shelves with runners stand where it is cool, and what wants heat where it is hot. What stays out is named with
 * its reason. The same pieces give the same load.
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
  let best = fillShelves(able, kiln);
  // Posts come in few heights: another shelf as the highest one may make better use of them.
  if (kiln.postsMm.length > 0 && best.waiting.length > 0) {
    for (let top = best.shelves.length - 1; top >= Math.max(0, best.shelves.length - TOPS_TRIED); top--) {
      const other = fillShelves(able, kiln, top);
      if (other.waiting.length < best.waiting.length) best = other;
    }
  }
  // Posts are missing only for what would stand with posts of any height.
  const outAnyway = best.isShortOfPosts ? new Set(fillShelves(able, { ...kiln, postsMm: [] }).waiting.map(({ id }) => id)) : undefined;
  for (const { id } of best.waiting) leftOut.push({ pieceId: id, why: outAnyway && !outAnyway.has(id) ? 'noPosts' : 'noRoom' });
  return { shelves: stackShelves(warmestOrder(best.shelves, pieces, kiln), pieces, kiln), leftOut };
}

/** Fills shelf after shelf; the one that is filled as number `top` becomes the highest of its stack. */
function fillShelves(
  pieces: readonly LoadPiece[],
  kiln: KilnToLoad,
  top?: number,
): { shelves: LoadShelf[]; waiting: LoadPiece[]; isShortOfPosts: boolean } {
  let waiting = inLoadingOrder(pieces, kiln);
  const stacks = sidesOf(kiln).map((side): Stack => ({ side, shelves: [], fromMm: 0, isFull: false }));
  let sets = postSets(kiln.postsMm);
  let isShortOfPosts = false;
  const count = (): number => stacks.reduce((sum, stack) => sum + stack.shelves.length + (stack.top ? 1 : 0), 0);
  while (waiting.length > 0 && count() < kiln.shelves) {
    const [stack] = stacks.filter(({ isFull }) => !isFull).sort((a, b) => a.fromMm - b.fromMm);
    if (!stack) break;
    const fitting = waiting.filter((piece) => hasHeight(piece, stack, kiln, sets));
    if (fitting.length === 0) {
      stack.isFull = true;
      continue;
    }
    const { pieces: standing, places } = fillShelf(fitting, kiln);
    const ids = new Set(standing.map(({ id }) => id));
    waiting = waiting.filter(({ id }) => !ids.has(id));
    const number = count();
    const shelf: LoadShelf = { id: String(number), ...(stack.side ? { side: stack.side } : {}), pieces: places };
    const roomMm = Math.max(...standing.map(({ heightMm }) => heightMm)) + SHELF_ROOM_MM;
    const column = columnFor(roomMm, kiln, sets);
    if (!column || (number === top && !stack.top)) {
      // Where no posts carry a shelf above it, it becomes the highest, and lower pieces stand below it.
      if (!column) isShortOfPosts = true;
      stack.top = shelf;
      stack.topRoomMm = roomMm;
      continue;
    }
    stack.shelves.push(shelf);
    if (kiln.postsMm.length > 0) sets = withoutColumn(sets, column);
    stack.fromMm += heightOf(column) + kiln.shelfThickMm;
    if (stack.fromMm >= kiln.heightMm) stack.isFull = true;
  }
  const shelves = stacks.flatMap((stack) => [...stack.shelves, ...(stack.top ? [stack.top] : [])]);
  return { shelves, waiting, isShortOfPosts: isShortOfPosts && shelves.length < kiln.shelves };
}

/** Shelves on one another while they are filled. */
interface Stack {
  side: ShelfSide | undefined;
  shelves: LoadShelf[];
  /** Where the next one would stand, mm. */
  fromMm: number;
  /** The highest one, where no posts carry a shelf above it, and the room it needs, mm. */
  top?: LoadShelf;
  topRoomMm?: number;
  isFull: boolean;
}

const columnFor = (roomMm: number, { postsMm }: KilnToLoad, sets: ReadonlyMap<number, number>): number[] | undefined =>
  postsMm.length === 0 ? [roomMm] : lowestColumn(sets, roomMm);

const sidesOf = ({ isHalved }: KilnToLoad): (ShelfSide | undefined)[] => (isHalved ? ['left', 'right'] : [undefined]);

/** Whether a piece can stand on the next shelf of a stack: below the lid, or below the shelf that is to be the highest, on posts there are. */
function hasHeight({ heightMm }: LoadPiece, { fromMm, topRoomMm }: Stack, kiln: KilnToLoad, sets: ReadonlyMap<number, number>): boolean {
  const roomMm = heightMm + SHELF_ROOM_MM;
  if (topRoomMm === undefined) return fromMm + roomMm <= kiln.heightMm;
  const column = columnFor(roomMm, kiln, sets);
  return column !== undefined && fromMm + heightOf(column) + kiln.shelfThickMm + topRoomMm <= kiln.heightMm;
}

/** Of like height together: nothing low stands under much empty room. Of those, what wants the same heat. */
function inLoadingOrder(pieces: readonly LoadPiece[], { warmerUpCelsius = 0 }: KilnToLoad): LoadPiece[] {
  const heightClass = ({ heightMm }: LoadPiece): number => (warmerUpCelsius === 0 ? heightMm : Math.ceil(heightMm / LIKE_HEIGHT_MM));
  const wish = ({ wants }: LoadPiece): string => (warmerUpCelsius === 0 ? '' : (wants ?? 'any'));
  return [...pieces].sort(
    (a, b) =>
      heightClass(b) - heightClass(a) ||
      compare(wish(b), wish(a)) ||
      b.heightMm - a.heightMm ||
      footprintMm(b) - footprintMm(a) ||
      compare(a.id, b.id),
  );
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/**
 * Returns why a piece cannot stand in a kiln at all; undefined where it can.
 *
 * @param piece - the piece
 * @param kiln - the kiln
 * @throws PotterError where a size is not above 0
 * @example
 * whyNever({ id: 'vase', footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 500 }, { outline: { kind: 'round', diameterMm: 300 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] }) // 'tooTall'
 */
export function whyNever(
  piece: LoadPiece,
  { outline, heightMm, shelfCarriesGrams, keptFree }: KilnToLoad,
): (typeof LEFT_OUT_WHY)[number] | undefined {
  requirePositive('heightMm', piece.heightMm);
  requirePositive(
    'widthMm',
    piece.footprint.kind === 'circle' ? piece.footprint.radiusMm : Math.min(piece.footprint.widthMm, piece.footprint.depthMm),
  );
  if (piece.heightMm + SHELF_ROOM_MM > heightMm) return 'tooTall';
  if ((piece.grams ?? 0) > (shelfCarriesGrams ?? Infinity)) return 'tooHeavy';
  return packShelf([piece], outline, { keptFree: keptFree ?? [] }) ? undefined : 'tooWide';
}

/** As many as find a place on one shelf, tried in their order. */
function fillShelf(
  waiting: readonly LoadPiece[],
  { outline, shelfCarriesGrams = Infinity, keptFree = [] }: KilnToLoad,
): { pieces: LoadPiece[]; places: StandingPiece[] } {
  let standing: LoadPiece[] = [];
  for (const piece of waiting) {
    const next = [...standing, piece];
    if (gramsOf(next) > shelfCarriesGrams || areaShare(next.map(withGap), outline) > FIRST_SHARE) break;
    standing = next;
  }
  if (standing.length === 0) standing = [waiting[0]!];
  const packing = new ShelfPacking(outline, keptFree);
  while (!packing.put(standing, USUAL_EFFORT) && standing.length > 1) standing = standing.slice(0, -1);
  let refused = 0;
  let leastRefusedMm = Infinity;
  for (const piece of waiting) {
    if (refused >= MOST_REFUSED) break;
    // Where one of its size found no place, it finds none.
    if (standing.includes(piece) || footprintMm(piece) >= leastRefusedMm) continue;
    const next = [...standing, piece];
    if (gramsOf(next) > shelfCarriesGrams || areaShare(next.map(withGap), outline) > MOST_SHARE) continue;
    if (packing.add(piece, ADDING_MOVES)) standing = next;
    else {
      refused += 1;
      leastRefusedMm = footprintMm(piece);
    }
  }
  return { pieces: standing, places: packing.places() };
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
