import { gripMl, type PieceShape } from './piece-form';
import { areaCm2 } from './profile';

/** Bisque, g per mL of wall, pores and all: a usual stoneware. */
const BISQUE_DENSITY = 1.85;

/**
 * Returns about how much a bisque piece weighs, g: its wall along the outside, its floor and its handles. Good to a fifth or so: walls are never as
 * drawn.
 *
 * @param shape - outside, wall, floor and grip, mm
 * @example
 * clayGrams({ outside: [{ radiusMm: 40, heightMm: 0 }, { radiusMm: 40, heightMm: 90 }], wallMm: 5, floorMm: 6 }) // 265
 */
export function clayGrams({
  outside,
  wallMm,
  floorMm,
  grip,
  slabMm,
}: Pick<PieceShape, 'outside' | 'wallMm' | 'floorMm' | 'grip' | 'slabMm'>): number {
  const wallMl = (areaCm2({ profile: outside }) * wallMm) / 10;
  const footMm = outside[0]?.radiusMm ?? 0;
  // A flat tile has no floor: its face is its wall.
  const floorMl = slabMm === undefined ? (Math.PI * footMm ** 2 * floorMm) / 1000 : 0;
  return Math.round((wallMl + floorMl + (grip ? gripMl(grip) : 0)) * BISQUE_DENSITY);
}
