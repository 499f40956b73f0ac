import type { Footprint, KeptFree, LoadPiece, ShelfOutline, StandingPiece } from './load-piece';

/** Half the width and half the depth of a piece as it stands, mm. */
const halvesOf = (footprint: Footprint, isTurned: boolean): readonly [number, number] => {
  if (footprint.kind === 'circle') return [footprint.radiusMm, footprint.radiusMm];
  const [wide, deep] = [footprint.widthMm / 2, footprint.depthMm / 2];
  return isTurned ? [deep, wide] : [wide, deep];
};

/** A piece with its place. */
export type PlacedPiece = Pick<LoadPiece, 'footprint'> & Pick<StandingPiece, 'xMm' | 'yMm' | 'isTurned'>;

/**
 * Returns how far two pieces on one shelf stand apart, mm; below 0 where they stand in one another.
 *
 * @param a - one of them
 * @param b - the other one
 * @example
 * apartMm({ footprint: { kind: 'circle', radiusMm: 40 }, xMm: 0, yMm: 0, isTurned: false }, { footprint: { kind: 'circle', radiusMm: 40 }, xMm: 90, yMm: 0, isTurned: false })
 * // 10
 */
export function apartMm(a: PlacedPiece, b: PlacedPiece): number {
  const [dx, dy] = [Math.abs(a.xMm - b.xMm), Math.abs(a.yMm - b.yMm)];
  // A circle is a point with a rim round it, a box has sides.
  const [aX, aY] = a.footprint.kind === 'box' ? halvesOf(a.footprint, a.isTurned) : [0, 0];
  const [bX, bY] = b.footprint.kind === 'box' ? halvesOf(b.footprint, b.isTurned) : [0, 0];
  const areCircles = a.footprint.kind === 'circle' && b.footprint.kind === 'circle';
  return (areCircles ? Math.hypot(dx, dy) : outsideBox(dx - aX - bX, dy - aY - bY)) - rimOf(a) - rimOf(b);
}

/**
 * Returns how far a piece stands within the edge of its shelf, mm; below 0 where it stands over it.
 *
 * @param piece - with its place
 * @param outline - of the shelf
 * @example
 * withinEdgeMm({ footprint: { kind: 'circle', radiusMm: 40 }, xMm: 50, yMm: 0, isTurned: false }, { kind: 'round', diameterMm: 200 }) // 10
 */
export function withinEdgeMm({ footprint, xMm, yMm, isTurned }: PlacedPiece, outline: ShelfOutline): number {
  const [halfX, halfY] = halvesOf(footprint, isTurned);
  const [x, y] = [Math.abs(xMm), Math.abs(yMm)];
  if (outline.kind === 'rectangular') return Math.min(outline.widthMm / 2 - x - halfX, outline.depthMm / 2 - y - halfY);
  const reach = footprint.kind === 'box' ? Math.hypot(x + halfX, y + halfY) : Math.hypot(x, y) + halfX;
  const round = outline.diameterMm / 2 - reach;
  return outline.kind === 'round' ? round : Math.min(round, xMm - halfX);
}

/**
 * Returns how far a piece stands off a spot that is kept free, mm; below 0 where it stands on it.
 *
 * @param piece - with its place
 * @param spot - of a post or the thermocouple, with the gap round it
 * @example
 * offSpotMm({ footprint: { kind: 'circle', radiusMm: 40 }, xMm: 0, yMm: 0, isTurned: false }, { xMm: 100, yMm: 0, radiusMm: 25, what: 'post' }) // 35
 */
export function offSpotMm(piece: PlacedPiece, { xMm, yMm, radiusMm }: KeptFree): number {
  return apartMm(piece, { footprint: { kind: 'circle', radiusMm }, xMm, yMm, isTurned: false });
}

/** How far apart two boxes are from their overlaps along both axes; below 0 by the smaller one where they overlap. */
const outsideBox = (apartX: number, apartY: number): number => (apartX > 0 && apartY > 0 ? Math.hypot(apartX, apartY) : Math.max(apartX, apartY));

const rimOf = ({ footprint }: PlacedPiece): number => (footprint.kind === 'circle' ? footprint.radiusMm : 0);

/**
 * Returns half the width and half the depth of a piece as it stands, mm.
 *
 * @param piece - its footprint, and whether it is turned by a quarter
 * @example
 * halfSizeMm({ footprint: { kind: 'box', widthMm: 100, depthMm: 40 }, isTurned: true }) // [20, 50]
 */
export const halfSizeMm = ({ footprint, isTurned }: Pick<PlacedPiece, 'footprint' | 'isTurned'>): readonly [number, number] =>
  halvesOf(footprint, isTurned);
