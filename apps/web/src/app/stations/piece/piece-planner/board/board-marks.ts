import { tenth } from '../../../../parts/piece-drawing/tenth';
import type { PlacedHandle } from './board-paper';

/** How far the corners of a mark are from where it stands: right and down, in turn. */
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
 * What a hand takes hold of, by its corners (`x,y x,y …`), in the drawing's units. Where a circle or a path stands is a matter of style to a
 * browser: at every move of a hand it would go through those of the page.
 */
export function markOf({ looks, x, y }: Pick<PlacedHandle, 'looks' | 'x' | 'y'>): string {
  const corners = MARKS[looks];
  let line = '';
  for (let at = 0; at < corners.length; at += 2) line += `${at === 0 ? '' : ' '}${tenth(x + corners[at]!)},${tenth(y + corners[at + 1]!)}`;
  return line;
}
