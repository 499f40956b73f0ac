import type { KilnToLoad } from './kiln-to-load';
import { SHELF_ROOM_MM, type LoadPiece } from './load-piece';
import { stackShelves, tallestMm, type LoadShelf, type StackedShelf } from './stack-shelves';

/** A swap that gains less than this, °C over all pieces, is none. */
const GAIN_CELSIUS = 1e-6;

/**
 * Returns shelves in an order in which what wants heat stands where the kiln is hot, and runners where it is cool: shelves are swapped as long as
 * that helps and all still fits. As they were where nothing wants it, or no cone has told where it is hot.
 *
 * @param shelves - from the lowest up
 * @param pieces - that stand on them
 * @param kiln - with `warmerUpCelsius`
 * @example
 * warmestOrder([], [], { outline: { kind: 'round', diameterMm: 300 }, heightMm: 400, shelves: 3, shelfThickMm: 18, postsMm: [] }) // []
 */
export function warmestOrder(shelves: readonly LoadShelf[], pieces: readonly LoadPiece[], kiln: KilnToLoad): LoadShelf[] {
  const wishes = new Map(pieces.flatMap(({ id, wants }) => (wants ? [[id, wants === 'hot' ? 1 : -1] as const] : [])));
  if (wishes.size === 0 || !kiln.warmerUpCelsius) return [...shelves];
  const gainOf = (stacked: readonly StackedShelf[]): number =>
    stacked.reduce((sum, shelf) => {
      const wish = shelf.pieces.reduce((all, { pieceId }) => all + (wishes.get(pieceId) ?? 0), 0);
      return sum + (wish * kiln.warmerUpCelsius! * shelf.fromMm) / kiln.heightMm;
    }, 0);
  let order = [...shelves];
  let best = gainOf(stackShelves(order, pieces, kiln));
  for (let isBetter = true; isBetter;) {
    isBetter = false;
    for (let a = 0; a < order.length; a++) {
      for (let b = a + 1; b < order.length; b++) {
        if (order[a]!.side !== order[b]!.side) continue;
        const swapped = order.map((shelf, at) => (at === a ? order[b]! : at === b ? order[a]! : shelf));
        const stacked = stackShelves(swapped, pieces, kiln);
        const gain = gainOf(stacked);
        if (gain <= best + GAIN_CELSIUS || !stacked.every((shelf) => fits(shelf, pieces))) continue;
        [order, best, isBetter] = [swapped, gain, true];
      }
    }
  }
  return order;
}

const fits = ({ lacksPosts, roomMm, pieces: places }: StackedShelf, pieces: readonly LoadPiece[]): boolean => {
  const ids = new Set(places.map(({ pieceId }) => pieceId));
  return !lacksPosts && tallestMm(pieces.filter(({ id }) => ids.has(id))) + SHELF_ROOM_MM <= roomMm;
};
