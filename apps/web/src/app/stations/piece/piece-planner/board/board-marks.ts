import { tenth } from '../../../../parts/piece-drawing/tenth';
import type { PlacedHandle } from './board-paper';

/** Corners of a mark, relative to its place: right and down, in turn. */
type Corners = readonly number[];

const DOT_RADIUS = 6.5;
const DOT_CORNERS = 18;
const DOT: Corners = Array.from({ length: DOT_CORNERS }, (_, at) => (2 * Math.PI * at) / DOT_CORNERS).flatMap((angle) => [
  DOT_RADIUS * Math.cos(angle),
  DOT_RADIUS * Math.sin(angle),
]);
const SQUARE: Corners = [-6, -6, 6, -6, 6, 6, -6, 6];
/** Beside the outline, its tip away from it. */
const KNOB: Corners = [0, -7, 14, -7, 21, 0, 14, 7, 0, 7];
const MARKS = { point: DOT, grip: DOT, side: DOT, corner: SQUARE, edge: KNOB } as const;

/**
 * A handle by its corners (`x,y x,y …`), in drawing units. A browser treats the place of a circle or a path as a style, and would go through the
 * styles of the page on every move of a drag.
 */
export function markOf({ looks, x, y }: Pick<PlacedHandle, 'looks' | 'x' | 'y'>): string {
  const corners = MARKS[looks];
  let line = '';
  for (let at = 0; at < corners.length; at += 2) line += `${at === 0 ? '' : ' '}${tenth(x + corners[at]!)},${tenth(y + corners[at + 1]!)}`;
  return line;
}
