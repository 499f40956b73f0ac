import type { CellPicture } from './wall-picture';
import type { Sight } from './wall-view';

/** A cell that is drawn and read out. */
export interface Cell extends CellPicture {
  label: string;
}

interface Named {
  id: string;
  name: string;
}

export interface WallPartRead {
  part: Sight;
  lowers: readonly Named[];
  uppers: readonly Named[];
  cellAt: (row: number, column: number) => Cell;
  cellPx: number;
  namesPx: number;
  headsPx: number;
}

export interface ReadingRow extends Named {
  index: number;
  topPx: number;
  cells: (Cell & { index: number; leftPx: number })[];
}

/** What of the wall can be read out and walked to, and where it lies, px. */
export interface WallReading {
  cellPx: number;
  heads: (Named & { index: number; leftPx: number })[];
  rows: ReadingRow[];
}

/** Returns heads, rows and cells of a part of the wall, each where it is drawn. */
export function readingOf({ part, lowers, uppers, cellAt, cellPx, namesPx, headsPx }: WallPartRead): WallReading {
  const { top, bottom, left, right } = part;
  const heads = uppers.slice(left, right).map(({ id, name }, at) => ({ id, name, index: left + at, leftPx: namesPx + (left + at) * cellPx }));
  const rows = lowers.slice(top, bottom).map(({ id, name }, at) => ({
    id,
    name,
    index: top + at,
    topPx: headsPx + (top + at) * cellPx,
    cells: heads.map(({ index, leftPx }) => ({ index, leftPx, ...cellAt(top + at, index) })),
  }));
  return { cellPx, heads, rows };
}
