import { DAY_MS } from '../../units/time';
import { waterLost } from '../../slurry/into-range';
import type { BucketContents } from '../events/bucket-contents';
import { depthAtVolume, surfaceCm2AtDepth, type BucketShape } from '../inside/bucket-shape';
import { daysInRange, type DaysInRange } from '../sg/drift';
import { EVAPORATION_GUESS, exposureOf } from './lid';
import { EIGHTY_PERCENT_Z } from '../../math/normal';

/** A guess for a lid and a room may be half or double the truth. */
const GUESS_SPREAD = 2;

/** What an estimate of lost water rests on: the bucket's own readings, or the starting guess for its surface and lid. */
export type EvaporationBasis = 'learnt' | 'guess';

export interface Evaporated {
  basis: EvaporationBasis;
  /** Estimated SG today. */
  sgNow: number;
  /** Water that brings it back to its last reading, mL, with an 80 % range. */
  waterMl: number;
  lowMl: number;
  highMl: number;
}

export interface StandingBucket {
  contents: BucketContents;
  capacityMl: number;
  shape?: BucketShape | undefined;
  nowAt: string;
}

/**
 * Returns the water that has left since the last reading, without measuring: from the drift of the bucket's own readings where they tell one;
 * else from its surface, where somebody said how its lid stands; else undefined.
 *
 * @param bucket - `contents`, `capacityMl`, `shape`, and `nowAt` (UTC, ISO 8601)
 * @example
 * evaporatedSince({ contents: { volumeMl: 1000, sg: 1.45 }, capacityMl: 10_000, nowAt: '2026-03-01T09:00:00.000Z' }) // undefined
 */
export function evaporatedSince({ contents, capacityMl, shape, nowAt }: StandingBucket): Evaporated | undefined {
  const { measuredAt, volumeMl, sg, drift, lid } = contents;
  const ageDays = (Date.parse(nowAt) - Date.parse(measuredAt ?? '')) / DAY_MS;
  if (!(ageDays > 0)) return undefined;
  if (drift && drift.perDay > 2 * drift.perDaySd) {
    const lost = (perDay: number): number => {
      const laterSg = sg + Math.max(0, perDay) * ageDays * exposureOf(lid);
      return laterSg > sg ? waterLost({ volumeMl, sg, laterSg: Math.min(laterSg, 2) }) : 0;
    };
    const waterMl = lost(drift.perDay);
    const off = EIGHTY_PERCENT_Z * drift.perDaySd;
    return { basis: 'learnt', sgNow: sgWithout(contents, waterMl), waterMl, lowMl: lost(drift.perDay - off), highMl: lost(drift.perDay + off) };
  }
  if (!lid) return undefined;
  const most = 0.6 * contents.waterGrams;
  const waterMl = Math.min(most, EVAPORATION_GUESS[lid] * surfaceCm2({ contents, capacityMl, shape }) * ageDays);
  return {
    basis: 'guess',
    sgNow: sgWithout(contents, waterMl),
    waterMl,
    lowMl: waterMl / GUESS_SPREAD,
    highMl: Math.min(most, waterMl * GUESS_SPREAD),
  };
}

/**
 * Returns the days until a bucket leaves its range by itself, and what that rests on; undefined when nothing says so.
 *
 * @param bucket - as for `evaporatedSince`, with its range `sgLow`–`sgHigh`
 * @example
 * daysLeft({ contents: { volumeMl: 1000, sg: 1.45 }, capacityMl: 10_000, nowAt: '2026-03-01T09:00:00.000Z', sgLow: 1.43, sgHigh: 1.47 })
 * // undefined
 */
export function daysLeft(bucket: StandingBucket & { sgLow: number; sgHigh: number }): (DaysInRange & { basis: EvaporationBasis }) | undefined {
  const { contents, sgLow: lowSg, sgHigh: highSg, nowAt } = bucket;
  if (!contents.measuredAt) return undefined;
  const ageDays = (Date.parse(nowAt) - Date.parse(contents.measuredAt)) / DAY_MS;
  if (contents.drift) {
    const left = daysInRange({ drift: contents.drift, sg: contents.sg, ageDays, lowSg, highSg, lid: contents.lid });
    if (left) return { ...left, basis: 'learnt' };
  }
  if (!contents.lid || contents.sg < lowSg || contents.sg > highSg) return undefined;
  const perDayMl = EVAPORATION_GUESS[contents.lid] * surfaceCm2(bucket);
  const roomMl = contents.volumeMl - (contents.volumeMl * (contents.sg - 1)) / (highSg - 1);
  const days = Math.max(0, roomMl / perDayMl - ageDays);
  return { days, leastDays: days / GUESS_SPREAD, mostDays: days * GUESS_SPREAD, basis: 'guess' };
}

/**
 * Returns the surface of the glaze, cm²: from the shape of the bucket, else as of a round bucket as high as it is wide.
 *
 * @param bucket - `contents`, `capacityMl` and `shape`
 * @example
 * surfaceCm2({ contents: { volumeMl: 1000 }, capacityMl: 5000, shape: { kind: 'box', longMm: 200, wideMm: 100, highMm: 200 } }) // 200
 */
export function surfaceCm2({ contents, capacityMl, shape }: Pick<StandingBucket, 'contents' | 'capacityMl' | 'shape'>): number {
  if (shape) return surfaceCm2AtDepth({ shape, depthMm: depthAtVolume({ shape, volumeMl: contents.volumeMl }).depthMm });
  const acrossCm = Math.cbrt((4 * capacityMl) / Math.PI);
  return (Math.PI / 4) * acrossCm ** 2;
}

/** (V d − lost)/(V − lost). */
const sgWithout = ({ volumeMl, sg }: BucketContents, lostMl: number): number => (volumeMl * sg - lostMl) / (volumeMl - lostMl);
