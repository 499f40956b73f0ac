import type { LoadFault, LoadLot, LoadPiece, ReadyForKiln, StackedShelf } from '@cazuela/core';
import type { Day } from '@cazuela/contract';
import { formatDayTime } from '../../../data/units/times';
import type { Units } from '../../../data/units/units';

/** "B3": the tag of its lot, and its number; a tile by its code alone. */
export const pieceCode = (lot: LoadLot, lotCode: string, pieceId: string): string =>
  lot.tileId || lot.count === 1 ? lotCode : `${lotCode}${pieceId.slice(pieceId.lastIndexOf(':') + 1)}`;

/** The codes of lots, by lot: tags are letters of their day, so where two days share one, the day of the month goes before it: "28A". */
export function lotCodes(lots: readonly LoadLot[], days: readonly Day[]): ReadonlyMap<string, string> {
  const codeOf = ({ code, name }: LoadLot): string => code ?? name.slice(0, 2);
  return new Map(
    lots.map((lot) => {
      const isShared = lots.some((other) => other.dayId !== lot.dayId && codeOf(other) === codeOf(lot));
      const date = days.find(({ id }) => id === lot.dayId)?.date;
      return [lot.id, isShared && date ? `${Number(date.slice(8))}${codeOf(lot)}` : codeOf(lot)];
    }),
  );
}

export const pieceName = (lot: LoadLot, pieceId: string): string =>
  lot.count === 1 ? lot.name : `${lot.name} ${pieceId.slice(pieceId.lastIndexOf(':') + 1)} of ${lot.count}`;

export const SETTING_WORDS = {
  shelf: 'bare on the shelf',
  plate: 'on a plate',
  stilts: 'on stilts',
  upsideDown: 'upside down on a post',
  onRim: 'on its rim',
} as const;

/** Whether a lot may go in now: said at the piece, because damp pots burst. */
export function readyWords(ready: ReadyForKiln | undefined, nowAt: string): { words: string; tone: 'good' | 'look' | 'stop' | 'quiet' } {
  switch (ready?.kind) {
    case 'dry':
      return { words: `Dry: its last coat was at ${formatDayTime(ready.sinceAt, nowAt)}.`, tone: 'good' };
    case 'drying':
      return {
        words: `Drying since ${formatDayTime(ready.sinceAt, nowAt)}, wants 12 h: not before ${formatDayTime(ready.dryAt, nowAt)}. Damp pots burst and lift their glaze.`,
        tone: 'stop',
      };
    case 'notGlazed':
      return { words: 'Not glazed yet: its place is kept.', tone: 'look' };
    default:
      return { words: 'When it was glazed is not noted: feel it before it goes in.', tone: 'quiet' };
  }
}

/** What is wrong, with what to do. */
export function faultWords(fault: LoadFault, { nameOf, units }: { nameOf: (pieceId: string) => string; units: Units }): string {
  const length = (mm: number): string => units.length(Math.max(0, mm));
  switch (fault.kind) {
    case 'tooNear':
      return fault.apartMm < 0
        ? `${nameOf(fault.pieceId)} and ${nameOf(fault.otherId)} stand in one another: move one ${length(fault.wantedMm - fault.apartMm)}`
        : `${nameOf(fault.pieceId)} and ${nameOf(fault.otherId)} are ${length(fault.apartMm)} apart and want ${length(fault.wantedMm)}`;
    case 'overEdge':
      return `${nameOf(fault.pieceId)} stands ${length(fault.byMm)} too near to the elements: 20 mm stay free`;
    case 'onPost':
      return `${nameOf(fault.pieceId)} stands where a post comes, by ${length(fault.byMm)}`;
    case 'onThermocouple':
      return `${nameOf(fault.pieceId)} stands ${length(fault.byMm)} too near to the thermocouple`;
    case 'outOfSight':
      return `${nameOf(fault.pieceId)} is not seen from the door: ${nameOf(fault.behindId)} stands before it`;
    case 'tooHeavy':
      return `${units.sack(fault.grams)} on a shelf that carries ${units.sack(fault.carriesGrams)} at heat`;
    case 'lacksPosts':
      return `No posts are left for ${length(fault.roomMm)} of room: lower pieces here, or other posts`;
    case 'underLid':
      return `Its tallest piece stands ${length(fault.byMm)} too high under the lid`;
    case 'tooManyShelves':
      return `There are ${fault.shelves} shelves: this is one more`;
  }
}

/** What stands in a load, in one line. */
export function loadSummary(placed: readonly LoadPiece[], shelves: number, units: Units): string {
  const known = placed.every(({ grams }) => grams !== undefined);
  const grams = placed.reduce((sum, piece) => sum + (piece.grams ?? 0), 0);
  const weight = grams > 0 ? `, about ${units.sack(grams)} of clay${known ? '' : ' as far as known'}` : '';
  return `${placed.length} ${placed.length === 1 ? 'piece' : 'pieces'} on ${shelves} ${shelves === 1 ? 'shelf' : 'shelves'}${weight}.`;
}

/** Shelves are counted from the lowest up, each stack of half shelves by itself. */
export function shelfName({ id, side }: StackedShelf, shelves: readonly StackedShelf[]): string {
  const stack = shelves.filter((one) => one.side === side);
  const number = stack.findIndex((one) => one.id === id) + 1;
  return side ? `${side === 'left' ? 'Left' : 'Right'} shelf ${number}` : `Shelf ${number}`;
}
