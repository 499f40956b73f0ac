import type { EventHead } from '../events/event-head';
import { standingEvents } from '../events/event-order';
import type { WindowVerdict } from '../coat/window/coat-window';
import type { FiredFault } from './fault-record';
import type { FaultPlace } from './fired-coat';

/** How bad a fault is: hardly seen, seen at once, spoils the piece. */
export const FAULT_DEGREES = [1, 2, 3] as const;
export type FaultDegree = (typeof FAULT_DEGREES)[number];

/** A fault as somebody saw it on a fired piece. */
export interface SeenFault {
  fault: FiredFault;
  where: FaultPlace;
  degree?: FaultDegree | undefined;
  /** Where on the drawn piece: across from its middle as a share of its half width, negative to the left, and up as a share of its height. */
  at?: { across: number; up: number } | undefined;
}

/** What somebody says of a fired piece. What is left out was not said. */
export interface Verdict {
  /** 1–5. */
  stars?: number | undefined;
  /** An empty list says that there are none. */
  faults?: SeenFault[] | undefined;
  /** Null takes back that somebody looked. */
  foot?: 'clean' | 'touched' | null | undefined;
  /** How far its lowest edge ran; null takes the figure back. */
  ranMm?: number | null | undefined;
  note?: string | undefined;
}

/** What happens when a kiln is opened. Pieces are called by `loadPieceId`. */
export type OpeningEvent = EventHead &
  (
    | { type: 'piecesRead'; pieceIds: string[]; verdict: Verdict; coneReached: string; shelfId?: string | undefined }
    | { type: 'piecesPhotographed'; pieceIds: string[]; photoId: string }
    /** Of a step tile one strip, of a runner tile how far it ran; null takes a word back. */
    | { type: 'tileRead'; tileId: string; look?: StripLook | undefined; runMm?: number | null | undefined; coneReached: string }
    | { type: 'undone'; eventId: string }
  );

/** How one strip of a step tile looks; null takes the word back. */
export interface StripLook {
  stripId: string;
  verdict: WindowVerdict | null;
}

/** A tile as far as it was read at the opening. */
export interface TileReading {
  tileId: string;
  /** By strip; null where a word was taken back. */
  verdicts: ReadonlyMap<string, WindowVerdict | null>;
  runMm?: number | null | undefined;
  coneReached: string;
}

/** Two people who say different things of one piece. */
export interface OtherVerdict {
  by: string;
  stars: number;
}

/** A fired piece as far as it was read. */
export interface PieceReading {
  pieceId: string;
  verdict: Verdict;
  /** Left out while there is only a photo of it. */
  coneReached?: string | undefined;
  shelfId?: string | undefined;
  photoIds: string[];
  /** Who said something of it last, and when. */
  by: string;
  at: string;
  /** Stars that others gave it, where they are not those that count. */
  others: OtherVerdict[];
}

/** A kiln that is being read. */
export interface OpeningStanding {
  readings: ReadonlyMap<string, PieceReading>;
  tiles: ReadonlyMap<string, TileReading>;
  /** The newest event that counts. */
  lastUndoable?: { id: string; by: string; at: string } | undefined;
}

/**
 * Returns what was read of the pieces of a firing. Of each thing that is said of a piece the last word counts, in the order of the bench; what others
 * said of its stars is kept beside it.
 *
 * @param events - of one firing, in any order; others than those of the opening are passed over
 * @example
 * replayOpening([]).readings.size // 0
 */
export function replayOpening(events: readonly (OpeningEvent | (EventHead & { type: string }))[]): OpeningStanding {
  const readings = new Map<string, PieceReading>();
  const tiles = new Map<string, TileReading>();
  const starsOf = new Map<string, Map<string, number>>();
  let lastUndoable: OpeningStanding['lastUndoable'];
  for (const event of standingEvents(events).filter(isOfOpening)) {
    lastUndoable = event;
    if (event.type === 'tileRead') {
      tiles.set(event.tileId, tileAfter(tiles.get(event.tileId), event));
      continue;
    }
    for (const pieceId of event.pieceIds) {
      const before = readings.get(pieceId) ?? { pieceId, verdict: {}, photoIds: [], by: event.by, at: event.at, others: [] };
      const after = event.type === 'piecesRead' ? read(before, event) : { ...before, photoIds: added(before.photoIds, event.photoId) };
      const stars = starsOf.get(pieceId) ?? new Map<string, number>();
      if (event.type === 'piecesRead' && event.verdict.stars !== undefined) stars.set(event.by, event.verdict.stars);
      starsOf.set(pieceId, stars);
      const others = [...stars].flatMap(([by, given]) => (given === after.verdict.stars ? [] : [{ by, stars: given }]));
      readings.set(pieceId, { ...after, by: event.by, at: event.at, others });
    }
  }
  return { readings, tiles, ...(lastUndoable ? { lastUndoable } : {}) };
}

/**
 * Returns the events of an opening among all that was noted of a firing.
 *
 * @param event - of a firing
 * @example
 * isOfOpening({ id: 'a', at: '2026-03-01T09:00:00Z', by: 'Maia', type: 'kilnRead' }) // false
 */
export const isOfOpening = (event: OpeningEvent | (EventHead & { type: string })): event is Exclude<OpeningEvent, { type: 'undone' }> =>
  event.type === 'piecesRead' || event.type === 'piecesPhotographed' || event.type === 'tileRead';

/** Of each strip, and of the run, the last word counts. */
function tileAfter(before: TileReading | undefined, { tileId, look, runMm, coneReached }: Extract<OpeningEvent, { type: 'tileRead' }>): TileReading {
  const verdicts = new Map(before?.verdicts);
  if (look) verdicts.set(look.stripId, look.verdict);
  return { tileId, verdicts, runMm: runMm === undefined ? before?.runMm : runMm, coneReached };
}

function read(before: PieceReading, { verdict, coneReached, shelfId }: Extract<OpeningEvent, { type: 'piecesRead' }>): PieceReading {
  const said = Object.fromEntries(Object.entries({ ...before.verdict, ...verdict }).filter(([, value]) => value !== undefined && value !== null));
  return { ...before, verdict: said, coneReached, ...(shelfId ? { shelfId } : {}) };
}

const added = (photoIds: readonly string[], photoId: string): string[] => (photoIds.includes(photoId) ? [...photoIds] : [...photoIds, photoId]);
