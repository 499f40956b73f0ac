import { bisect } from '../../math/bisect';
import { PotterError } from '../../checks/potter-error';
import { requireNotNegative, requirePositive } from '../../checks/require';
import { profileBetween, volumeMl as profileVolumeMl, type ProfilePoint } from '../../geometry/profile';
import type { PieceShape } from '../../geometry/piece-form';
import { insideProfile } from '../../geometry/shapes';
import { brimMl, depthAtVolume, narrowestMm, type BucketShape } from '../../geometry/bucket-shape';

/** Free space kept under and beside a piece, mm: knuckles, tongs, sediment. */
export const CLEARANCE_MM = 10;

export interface DipInBucket {
  bucket: BucketShape;
  glazeMl: number;
  piece: Pick<PieceShape, 'outside' | 'wallMm' | 'floorMm'>;
  /** Rim first, air stays inside and the piece displaces its whole volume; filled, or on its side, only its clay. */
  inside: 'air' | 'full';
}

export type DipReach =
  | { kind: 'tooWide'; acrossMm: number; narrowestMm: number }
  /** All of it goes under. */
  | { kind: 'whole'; heightMm: number; risesMm: number; displacedMl: number }
  /** Only part of it, from the rim: the glaze is not deep enough, or would spill. */
  | { kind: 'part'; heightMm: number; reachMm: number; risesMm: number; spills: boolean; moreMl: number };

/**
 * Returns how deep a piece can be dipped, rim first, counting the level that rises as it goes in. A piece narrower than its bucket lifts the
 * level by less than it sinks, so there is one deepest dip.
 *
 * @param dip - `bucket`, its shape; `glazeMl`, 0 or more; `piece`; `inside`, whether air stays in it or glaze runs in
 * @throws PotterError for a negative volume or a bucket that cannot be
 * @example
 * dipReach({ bucket: { kind: 'cylinder', acrossMm: 300, highMm: 320 }, glazeMl: 14_000, piece: shapeOf({ shapeId: 'cup' }), inside: 'air' }).kind
 * // 'whole'
 */
export function dipReach({ bucket, glazeMl, piece, inside }: DipInBucket): DipReach {
  requireNotNegative('volumeMl', glazeMl);
  const heightMm = heightOf(piece.outside);
  const wide = tooWide(bucket, piece.outside, heightMm);
  if (wide) return wide;
  const displaced = (reachMm: number): number => displacedMl({ piece, reachMm, inside });
  const level = (reachMm: number): number => depthAtVolume({ shape: bucket, volumeMl: glazeMl + displaced(reachMm) }).depthMm;
  const fits = (reachMm: number): boolean => reachMm <= level(reachMm) - CLEARANCE_MM;
  const stays = (reachMm: number): boolean => glazeMl + displaced(reachMm) <= brimMl({ shape: bucket });
  const restMm = level(0);
  if (fits(heightMm) && stays(heightMm)) {
    return { kind: 'whole', heightMm, risesMm: level(heightMm) - restMm, displacedMl: displaced(heightMm) };
  }
  const reachMm = bisect({ low: 0, high: heightMm, isPast: (reach) => !(fits(reach) && stays(reach)) }).low;
  return { kind: 'part', heightMm, reachMm, risesMm: level(reachMm) - restMm, spills: !stays(reachMm + 1), moreMl: moreFor(heightMm) };

  /** Glaze that is missing for the whole piece, mL; 0 when more would only spill. */
  function moreFor(wholeMm: number): number {
    const room = brimMl({ shape: bucket }) - displaced(wholeMm) - glazeMl;
    const deepEnough = (more: number): boolean =>
      wholeMm <= depthAtVolume({ shape: bucket, volumeMl: glazeMl + more + displaced(wholeMm) }).depthMm - CLEARANCE_MM;
    if (room <= 0 || !deepEnough(room)) return 0;
    return room - bisect({ low: 0, high: room, isPast: (less) => !deepEnough(room - less) }).low;
  }
}

/**
 * Returns what a piece displaces when so much of it, from the rim, is under, mL.
 *
 * @param question - `piece`; `reachMm`, 0 or more; `inside`, whether air stays in it or glaze runs in
 * @throws PotterError for a negative reach
 * @example
 * displacedMl({ piece: shapeOf({ shapeId: 'cup' }), reachMm: 0, inside: 'air' }) // 0
 */
export function displacedMl({ piece, reachMm, inside }: { piece: DipInBucket['piece']; reachMm: number; inside: 'air' | 'full' }): number {
  const heightMm = heightOf(piece.outside);
  const fromMm = heightMm - Math.min(heightMm, requireNotNegative('reachMm', reachMm));
  const part = (profile: readonly ProfilePoint[]): number => {
    const cut = profileBetween({ profile, fromMm, toMm: heightMm });
    return cut.length < 2 ? 0 : profileVolumeMl({ profile: cut });
  };
  return part(piece.outside) - (inside === 'full' ? part(insideProfile(piece)) : 0);
}

/** Share of the inside that is poured in to be rolled round, and the least that can be rolled, mL: rules of the bench. */
const ROLLED_SHARE = 1 / 3;
const LEAST_POUR_ML = 100;
/** Over the outside, four times what stays on runs past into the basin. */
const POURED_OVER_TIMES = 4;

/**
 * Returns the glaze that a pour needs in the jug, mL: inside to be rolled and emptied, outside to be poured over while turning. Rules of the
 * bench.
 *
 * @param need - `piece`; `zone`, inside or outside; `coatSlurryMl`, what stays on it, 0 or more
 * @throws PotterError for a negative volume
 * @example
 * pourNeedMl({ piece: shapeOf({ shapeId: 'cup' }), zone: 'outside', coatSlurryMl: 40 }) // 160
 */
export function pourNeedMl(need: { piece: DipInBucket['piece']; zone: 'inside' | 'outside'; coatSlurryMl: number }): number {
  const { piece, zone, coatSlurryMl } = need;
  requireNotNegative('volumeMl', coatSlurryMl);
  if (zone === 'outside') return Math.max(LEAST_POUR_ML, POURED_OVER_TIMES * coatSlurryMl);
  return Math.max(LEAST_POUR_ML, coatSlurryMl + ROLLED_SHARE * profileVolumeMl({ profile: insideProfile(piece) }));
}

/**
 * Returns how many whole pieces a bucket covers: by dry powder, less what has to stay in it.
 *
 * @param question - `dryGrams`, 0 or more; `stayShare`, 0–1; `gramsPerPiece`, above 0
 * @throws PotterError for what lies outside
 * @example
 * piecesCovered({ dryGrams: 1000, stayShare: 0.2, gramsPerPiece: 30 }) // 26
 */
export function piecesCovered(question: { dryGrams: number; stayShare: number; gramsPerPiece: number }): number {
  const { dryGrams, stayShare, gramsPerPiece } = question;
  requireNotNegative('dryGrams', dryGrams);
  if (stayShare < 0 || stayShare > 1) throw new PotterError('tooLarge', 'stayShare', stayShare, 'What stays in the bucket is a share from 0 to 1.');
  return Math.floor((dryGrams * (1 - stayShare)) / requirePositive('dryGrams', gramsPerPiece) + 1e-9);
}

const heightOf = (outside: readonly ProfilePoint[]): number => Math.max(...outside.map((point) => point.heightMm));

/** Upside down in the bucket: each part of the piece against the bucket's width at its height. */
function tooWide(bucket: BucketShape, outside: readonly ProfilePoint[], heightMm: number): DipReach | undefined {
  const widestFirst = [...outside].sort((a, b) => b.radiusMm - a.radiusMm);
  for (const { radiusMm, heightMm: at } of widestFirst) {
    const room = narrowestMm({ shape: bucket, depthMm: Math.min(bucket.highMm, CLEARANCE_MM + heightMm - at) });
    if (2 * radiusMm + 2 * CLEARANCE_MM > room) return { kind: 'tooWide', acrossMm: 2 * radiusMm, narrowestMm: room };
  }
  return undefined;
}
