import type { EventHead } from '../../events/event-head';
import { standingEvents } from '../../events/event-order';
import type { StandingPiece } from './load-piece';
import { loadPieceId, type LoadLot } from './load-lot';
import type { LoadShelf, ShelfSide } from './stack-shelves';

/** What can change of a lot once it is on the load. */
export type LoadLotChange = Partial<Pick<LoadLot, 'count' | 'setting' | 'isDry' | 'grams'>> & {
  /** Null takes them away. */
  onLotId?: string | null | undefined;
  wants?: LoadLot['wants'] | null;
};

export type LoadEvent = EventHead &
  (
    | { type: 'lotAdded'; lot: LoadLot }
    | { type: 'lotRemoved'; lotId: string }
    | { type: 'lotChanged'; lotId: string; change: LoadLotChange }
    /** All places at once, as they were computed. */
    | { type: 'placesSet'; shelves: LoadShelf[] }
    | ({ type: 'pieceMoved'; shelfId: string } & StandingPiece)
    | { type: 'pieceTakenOut'; pieceId: string }
    | { type: 'shelfAdded'; shelfId: string; side?: ShelfSide | undefined }
    | { type: 'shelfRemoved'; shelfId: string }
    /** Shelves in another order, from the lowest up. */
    | { type: 'shelvesOrdered'; shelfIds: string[] }
    /** It was fired: the load stands as it was. */
    | { type: 'fired'; firingId: string }
    | { type: 'undone'; eventId: string }
  );

/** A load as it stands. */
export interface LoadStanding {
  lots: LoadLot[];
  /** From the lowest up, with pieces of lots that are there. */
  shelves: LoadShelf[];
  firingId?: string | undefined;
  lastUndoable?: { id: string; by: string; at: string } | undefined;
}

/**
 * Returns a load after its events. What two people do at once counts in the order of the bench: of one piece, the last place.
 *
 * @param events - in any order
 * @example
 * replayLoad([]).shelves // []
 */
export function replayLoad(events: readonly LoadEvent[]): LoadStanding {
  let lots: LoadLot[] = [];
  let shelves: LoadShelf[] = [];
  let firingId: string | undefined;
  let lastUndoable: LoadStanding['lastUndoable'];
  for (const event of standingEvents(events)) {
    lastUndoable = { id: event.id, by: event.by, at: event.at };
    switch (event.type) {
      case 'lotAdded':
        if (!lots.some(({ id }) => id === event.lot.id)) lots = [...lots, event.lot];
        break;
      case 'lotRemoved':
        lots = lots.filter(({ id }) => id !== event.lotId);
        break;
      case 'lotChanged':
        lots = lots.map((lot) => (lot.id === event.lotId ? changed(lot, event.change) : lot));
        break;
      case 'placesSet':
        shelves = event.shelves.map((shelf) => ({ ...shelf }));
        break;
      case 'pieceMoved':
        shelves = moved(shelves, event);
        break;
      case 'pieceTakenOut':
        shelves = without(shelves, event.pieceId);
        break;
      case 'shelfAdded':
        if (!shelves.some(({ id }) => id === event.shelfId))
          shelves = [...shelves, { id: event.shelfId, ...(event.side ? { side: event.side } : {}), pieces: [] }];
        break;
      case 'shelfRemoved':
        shelves = shelves.filter(({ id }) => id !== event.shelfId);
        break;
      case 'shelvesOrdered':
        shelves = ordered(shelves, event.shelfIds);
        break;
      case 'fired':
        firingId = event.firingId;
        break;
    }
  }
  const there = new Set(
    lots.filter(({ onLotId }) => !onLotId).flatMap(({ id, count }) => Array.from({ length: count }, (_, at) => loadPieceId(id, at))),
  );
  return {
    lots,
    shelves: shelves.map((shelf) => ({ ...shelf, pieces: shelf.pieces.filter(({ pieceId }) => there.has(pieceId)) })),
    ...(firingId ? { firingId } : {}),
    ...(lastUndoable ? { lastUndoable } : {}),
  };
}

function changed(lot: LoadLot, { onLotId, wants, ...change }: LoadLotChange): LoadLot {
  const { onLotId: onBefore, wants: wantsBefore, ...rest } = lot;
  const on = onLotId === undefined ? onBefore : onLotId;
  const wish = wants === undefined ? wantsBefore : wants;
  return { ...rest, ...change, ...(on ? { onLotId: on } : {}), ...(wish ? { wants: wish } : {}) };
}

const without = (shelves: readonly LoadShelf[], pieceId: string): LoadShelf[] =>
  shelves.map((shelf) => ({ ...shelf, pieces: shelf.pieces.filter((place) => place.pieceId !== pieceId) }));

function moved(shelves: readonly LoadShelf[], { shelfId, pieceId, xMm, yMm, isTurned }: { shelfId: string } & StandingPiece): LoadShelf[] {
  const place = { pieceId, xMm, yMm, isTurned };
  const isThere = shelves.some((shelf) => shelf.id === shelfId && shelf.pieces.some((one) => one.pieceId === pieceId));
  // On its own shelf it keeps its turn: a screen need not draw the others anew.
  if (isThere) return shelves.map((shelf) => ({ ...shelf, pieces: shelf.pieces.map((one) => (one.pieceId === pieceId ? place : one)) }));
  // A shelf that somebody took away meanwhile: the piece stands nowhere, and is told as left out.
  return without(shelves, pieceId).map((shelf) => (shelf.id === shelfId ? { ...shelf, pieces: [...shelf.pieces, place] } : shelf));
}

function ordered(shelves: readonly LoadShelf[], shelfIds: readonly string[]): LoadShelf[] {
  const at = (id: string): number => (shelfIds.includes(id) ? shelfIds.indexOf(id) : shelfIds.length);
  return [...shelves].sort((a, b) => at(a.id) - at(b.id));
}
