/** Smallest and largest side of a cell, px: sixty glazes fit in one look; a photo fills a palm. */
export const LEAST_CELL_PX = 9;
export const MOST_CELL_PX = 128;
export const USUAL_CELL_PX = 64;

/** What of the wall is looked at: how far it is scrolled, how large the window is, and its cells, px. */
export interface WallView {
  left: number;
  top: number;
  wide: number;
  high: number;
  cellPx: number;
  /** The names of the lower glazes on the left, and of the upper ones on top, stay where they are. */
  namesPx: number;
  headsPx: number;
}

/** First and last row and column, in cells; the last ones do not belong to it. */
export interface Sight {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

export interface Place {
  row: number;
  column: number;
}

/** Returns the cells that are seen, if only in part. */
export function sightOf({ left, top, wide, high, cellPx, namesPx, headsPx }: WallView, rows: number, columns: number): Sight {
  return {
    top: Math.min(rows, Math.floor(top / cellPx)),
    bottom: Math.min(rows, Math.ceil((top + high - headsPx) / cellPx)),
    left: Math.min(columns, Math.floor(left / cellPx)),
    right: Math.min(columns, Math.ceil((left + wide - namesPx) / cellPx)),
  };
}

/** Returns what of a sight still has at most `most` cells, with the rows around `row`; narrower where one row has more. */
export function closeTo(sight: Sight, row: number, most: number): Sight {
  const right = Math.min(sight.right, sight.left + most);
  const rows = Math.max(1, Math.floor(most / Math.max(1, right - sight.left)));
  const top = Math.max(sight.top, Math.min(row - Math.floor(rows / 2), sight.bottom - rows));
  return { ...sight, right, top, bottom: Math.min(sight.bottom, top + rows) };
}

/** Returns the place under a point of the window, px from its corner; undefined on the names. */
export function placeAt({ left, top, cellPx, namesPx, headsPx }: WallView, x: number, y: number): Place | undefined {
  if (x < namesPx || y < headsPx) return undefined;
  return { row: Math.floor((top + y - headsPx) / cellPx), column: Math.floor((left + x - namesPx) / cellPx) };
}

/** Returns how far the wall is to be scrolled for cells of another size, so that what is under a point stays there. */
export function scrolledTo(view: WallView, cellPx: number, x: number, y: number): { left: number; top: number } {
  const by = cellPx / view.cellPx;
  const [acrossPx, downPx] = [Math.max(0, x - view.namesPx), Math.max(0, y - view.headsPx)];
  return { left: (view.left + acrossPx) * by - acrossPx, top: (view.top + downPx) * by - downPx };
}

/** Returns how far the wall is to be scrolled until a place is in sight; as little as that takes. */
export function scrolledInto({ left, top, wide, high, cellPx, namesPx, headsPx }: WallView, { row, column }: Place): { left: number; top: number } {
  const [y, x] = [row * cellPx, column * cellPx];
  return {
    left: Math.min(x, Math.max(left, x - (wide - namesPx - cellPx))),
    top: Math.min(y, Math.max(top, y - (high - headsPx - cellPx))),
  };
}

/** Returns the side of a cell, px, within what a hand can hit and a screen can hold. */
export const cellSize = (px: number): number => Math.max(LEAST_CELL_PX, Math.min(MOST_CELL_PX, Math.round(px) || USUAL_CELL_PX));

/** Of a sheet without its margins. */
const PAPER_PX = 680;

/** Returns the view of a whole wall, with cells so large that it is as wide as paper at most. */
export function viewOnPaper(wall: { rows: number; columns: number; namesPx: number; headsPx: number }): WallView {
  const { rows, columns, namesPx, headsPx } = wall;
  const cellPx = cellSize(Math.min(USUAL_CELL_PX, Math.floor((PAPER_PX - namesPx) / columns)));
  return { left: 0, top: 0, wide: namesPx + columns * cellPx, high: headsPx + rows * cellPx, cellPx, namesPx, headsPx };
}

const ARROWS: Readonly<Record<string, readonly [row: number, column: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** Returns where a key leads: arrows to the next cell, Home and End to the ends of the row; undefined of any other key. It may lie beyond the edge. */
export function walkedTo(key: string, { row, column }: Place, columns: number): Place | undefined {
  if (key === 'Home' || key === 'End') return { row, column: key === 'Home' ? 0 : columns - 1 };
  const by = ARROWS[key];
  return by && { row: row + by[0], column: column + by[1] };
}
