import { tallMm, type Grip, type PieceShape } from '../geometry/piece-form';
import { profileBetween, type ProfilePoint } from '../geometry/profile';
import { insideProfile } from '../geometry/shapes';
import type { PathPoint } from './wall-strip';

/** Outside, inside, down a handle or lug and the wall below it, and down a panel. */
export type RunSide = 'outside' | 'inside' | 'grip' | 'panel';

const BOW_POINTS = 16;

/**
 * Returns the path that melted glaze takes on one side of a piece, from its top; undefined where the piece has no such side. A piece that is
 * fired upside down has its foot on top, and its rim lowest.
 *
 * @param shape - of the piece
 * @param side - which side
 * @param isUpsideDown - as it stands in the kiln
 * @example
 * runPath(shapeOf({ shapeId: 'cup' }), 'outside').length > 1 // true
 */
export function runPath(shape: PieceShape, side: RunSide, isUpsideDown = false): PathPoint[] | undefined {
  const downhill = (footToRim: readonly ProfilePoint[]): ProfilePoint[] =>
    isUpsideDown ? turned(footToRim, tallMm(shape)) : [...footToRim].reverse();
  if (side === 'inside') return shape.slabMm === undefined ? downhill(insideProfile(shape)) : undefined;
  if (side !== 'grip') return downhill(shape.outside);
  if (!shape.grip) return undefined;
  if (!isUpsideDown) return downTheGrip(shape, shape.grip);
  const topMm = tallMm(shape);
  const { upperMm, lowerMm } = shape.grip;
  const grip = { ...shape.grip, upperMm: topMm - lowerMm, lowerMm: topMm - upperMm };
  return downTheGrip({ ...shape, outside: turned(shape.outside, topMm).reverse() }, grip);
}

/** Points with their heights as they are once the piece stands on its rim. */
const turned = (points: readonly ProfilePoint[], topMm: number): ProfilePoint[] =>
  points.map(({ radiusMm, heightMm }) => ({ radiusMm, heightMm: topMm - heightMm }));

/** A handle leads glaze down: what lies on all its sides comes to one joint and goes on from there on a strip of wall as wide as the handle. */
function downTheGrip(shape: PieceShape, grip: Grip): PathPoint[] {
  const { upperMm, lowerMm, outMm, widthMm, thickMm } = grip;
  const radiusAt = (heightMm: number): number =>
    profileBetween({ profile: shape.outside, fromMm: Math.max(0, heightMm - 0.5), toMm: Math.min(tallMm(shape), heightMm + 0.5) })[0]?.radiusMm ?? 0;
  const [above, below] = [radiusAt(upperMm), radiusAt(lowerMm)];
  const middle = (upperMm + lowerMm) / 2;
  const girthMm = 2 * (widthMm + thickMm);
  const reach = (above + below) / 2 + outMm;
  // A quarter of an ellipse out and down, then straight back in: a handle comes to its lower joint slanting, not flat.
  const out = Array.from({ length: BOW_POINTS + 1 }, (_, at): PathPoint => {
    const angle = (Math.PI / 2) * (at / BOW_POINTS);
    return { radiusMm: above + (reach - above) * Math.sin(angle), heightMm: middle + (upperMm - middle) * Math.cos(angle), girthMm };
  });
  const bow = [...out, { radiusMm: below, heightMm: lowerMm, girthMm }];
  const wall = profileBetween({ profile: shape.outside, fromMm: 0, toMm: lowerMm }).reverse();
  return [...bow, ...wall.map((point): PathPoint => ({ ...point, girthMm: widthMm }))];
}
