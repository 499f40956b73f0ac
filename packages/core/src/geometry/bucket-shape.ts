import { bisect } from '../math/bisect';
import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';

/** Inner sizes, mm. A cone is the usual tapered pail. */
export type BucketShape =
  | { kind: 'cylinder'; acrossMm: number; highMm: number }
  | { kind: 'cone'; bottomMm: number; topMm: number; highMm: number }
  | { kind: 'box'; longMm: number; wideMm: number; highMm: number };

/**
 * Returns the glaze that stands so deep, mL.
 *
 * @param question - `shape`, inner sizes in mm, above 0; `depthMm`, from 0 to the height of the bucket
 * @throws PotterError for what lies outside
 * @example
 * volumeAtDepth({ shape: { kind: 'cylinder', acrossMm: 300, highMm: 320 }, depthMm: 200 }) // 14137.167
 */
export function volumeAtDepth({ shape, depthMm }: { shape: BucketShape; depthMm: number }): number {
  checkShape(shape);
  requireNotNegative('depthMm', depthMm);
  if (depthMm > shape.highMm) {
    throw new PotterError(
      'tooLarge',
      'depthMm',
      depthMm,
      `The bucket is ${shape.highMm} mm high inside: glaze cannot stand ${depthMm} mm deep in it.`,
    );
  }
  return belowMl(shape, depthMm);
}

/**
 * Returns what fits into a bucket up to its brim, mL.
 *
 * @param question - `shape`, inner sizes in mm, above 0
 * @throws PotterError for what lies outside
 * @example
 * brimMl({ shape: { kind: 'box', longMm: 200, wideMm: 100, highMm: 200 } }) // 4000
 */
export const brimMl = ({ shape }: { shape: BucketShape }): number => volumeAtDepth({ shape, depthMm: shape.highMm });

/**
 * Returns how deep a volume stands, mm, and whether it is more than the bucket holds. Found by halving, to the precision of a double.
 *
 * @param question - `shape`, inner sizes in mm, above 0; `volumeMl`, 0 or more
 * @throws PotterError for what lies outside
 * @example
 * depthAtVolume({ shape: { kind: 'box', longMm: 200, wideMm: 100, highMm: 200 }, volumeMl: 1000 }) // { depthMm: 50, overflows: false }
 */
export function depthAtVolume({ shape, volumeMl }: { shape: BucketShape; volumeMl: number }): { depthMm: number; overflows: boolean } {
  checkShape(shape);
  requireNotNegative('volumeMl', volumeMl);
  if (volumeMl >= belowMl(shape, shape.highMm)) return { depthMm: shape.highMm, overflows: volumeMl > belowMl(shape, shape.highMm) + 1e-6 };
  const { middle } = bisect({ low: 0, high: shape.highMm, isPast: (depthMm) => belowMl(shape, depthMm) >= volumeMl });
  return { depthMm: middle, overflows: false };
}

/**
 * Returns the surface of glaze that stands so deep, cm².
 *
 * @param question - `shape`, inner sizes in mm, above 0; `depthMm`, 0 or more
 * @throws PotterError for what lies outside
 * @example
 * surfaceCm2AtDepth({ shape: { kind: 'box', longMm: 200, wideMm: 100, highMm: 200 }, depthMm: 50 }) // 200
 */
export function surfaceCm2AtDepth({ shape, depthMm }: { shape: BucketShape; depthMm: number }): number {
  checkShape(shape);
  if (shape.kind === 'box') return (shape.longMm * shape.wideMm) / 100;
  return ((Math.PI / 4) * acrossAt(shape, Math.min(shape.highMm, requireNotNegative('depthMm', depthMm))) ** 2) / 100;
}

/**
 * Returns the narrowest width at a height, mm: what decides whether a piece goes in.
 *
 * @param question - `shape`, inner sizes in mm; `depthMm`, height above the bottom
 * @example
 * narrowestMm({ shape: { kind: 'box', longMm: 200, wideMm: 100, highMm: 200 }, depthMm: 50 }) // 100
 */
export function narrowestMm({ shape, depthMm }: { shape: BucketShape; depthMm: number }): number {
  return shape.kind === 'box' ? Math.min(shape.longMm, shape.wideMm) : acrossAt(shape, depthMm);
}

/** Round from top to bottom: frustum; π/12·h(D² + Dd + d²). */
function belowMl(shape: BucketShape, depthMm: number): number {
  if (shape.kind === 'box') return (shape.longMm * shape.wideMm * depthMm) / 1000;
  const bottom = acrossAt(shape, 0);
  const top = acrossAt(shape, depthMm);
  return ((Math.PI / 12) * depthMm * (bottom ** 2 + bottom * top + top ** 2)) / 1000;
}

function acrossAt(shape: Extract<BucketShape, { kind: 'cylinder' | 'cone' }>, depthMm: number): number {
  return shape.kind === 'cylinder' ? shape.acrossMm : shape.bottomMm + ((shape.topMm - shape.bottomMm) * depthMm) / shape.highMm;
}

function checkShape(shape: BucketShape): void {
  requirePositive('highMm', shape.highMm);
  if (shape.kind === 'box') {
    requirePositive('longMm', shape.longMm);
    requirePositive('wideMm', shape.wideMm);
  } else if (shape.kind === 'cone') {
    requirePositive('bottomMm', shape.bottomMm);
    requirePositive('topMm', shape.topMm);
  } else requirePositive('acrossMm', shape.acrossMm);
}
