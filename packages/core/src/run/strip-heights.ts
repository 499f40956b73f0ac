import type { WallStrip } from './wall-strip';

type Heights = Pick<WallStrip, 'heightMm' | 'cellMm' | 'count'>;

/** Height of the middle of a cell, mm; beyond the ends the strip goes on in the same direction. */
function middleOf({ heightMm, count }: Heights, cell: number): number {
  if (cell < 0) return 2 * heightMm[0]! - heightMm[1]!;
  if (cell >= count) return 2 * heightMm[count - 1]! - heightMm[count - 2]!;
  return heightMm[cell]!;
}

/**
 * Returns how far down a strip a height is first reached, mm from its top. It lies between the middles of two cells, so that an edge starts
 * where it was drawn and not where a cell ends. 0 above the strip; its whole length where the height is never reached.
 *
 * @param strip - the wall
 * @param heightMm - above the shelf
 * @example
 * alongTo(uprightStrip({ lengthMm: 100, cellMm: 1 }), 60) // 40
 */
export function alongTo(strip: Heights, heightMm: number): number {
  const { count, cellMm } = strip;
  const first = strip.heightMm.findIndex((height) => height < heightMm);
  const cell = first < 0 ? count : first;
  const [above, beneath] = [middleOf(strip, cell - 1), middleOf(strip, cell)];
  if (cell === 0 && above <= heightMm) return 0;
  const share = above > beneath ? (above - heightMm) / (above - beneath) : 1;
  return Math.min(count * cellMm, Math.max(0, (cell - 0.5 + share) * cellMm));
}

/**
 * Returns the height above the shelf so far down a strip, mm; at its end it stands on the shelf.
 *
 * @param strip - the wall
 * @param alongMm - from its top
 * @example
 * heightAlong(uprightStrip({ lengthMm: 100, cellMm: 1 }), 40) // 60
 */
export function heightAlong(strip: Heights, alongMm: number): number {
  const { count, cellMm } = strip;
  if (alongMm >= count * cellMm) return 0;
  const cells = Math.max(0, alongMm / cellMm) - 0.5;
  const before = Math.floor(cells);
  const [above, beneath] = [middleOf(strip, before), middleOf(strip, before + 1)];
  return Math.max(0, above + (cells - before) * (beneath - above));
}
