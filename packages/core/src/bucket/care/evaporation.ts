import { DAY_MS } from '../../units/time';
import { waterLost } from '../../slurry/into-range';
import type { BucketContents } from '../events/bucket-contents';
import { depthAtVolume, surfaceCm2AtDepth, type BucketShape } from '../../geometry/bucket-shape';
import { daysInRange, type DaysInRange } from '../sg/drift';
import { EVAPORATION_GUESS, exposureOf, type StandingDays } from './lid';
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
  /** Water that the error of the last reading is worth, mL: less than that is not worth pouring. */
  readingErrorMl: number;
}

export interface StandingBucket {
  contents: BucketContents;
  capacityMl: number;
  shape?: BucketShape | undefined;
  nowAt: string;
}

/**
 * Returns the water that has left since the last reading, without measuring, day by day as its lid was told: from the drift of the bucket's own
 * readings where they say something of such days; else from its surface, where somebody said how its lid stands; else undefined.
 *
 * @param bucket - `contents`, `capacityMl`, `shape`, and `nowAt` (UTC, ISO 8601)
 * @example
 * evaporatedSince({ contents: { volumeMl: 1000, sg: 1.45 }, capacityMl: 10_000, nowAt: '2026-03-01T09:00:00.000Z' }) // undefined
 */
export function evaporatedSince(bucket: StandingBucket): Evaporated | undefined {
  const { contents } = bucket;
  const days = daysSinceMeasured(bucket);
  if (!days) return undefined;
  const rises = driftTells(contents) && contents.drift!.perDay > 0 ? contents.drift! : undefined;
  // Untold days say something only beside a drift, which holds for days as the bucket always stood.
  const learntDays = rises ? (rises.byLid ? days.open + days.closed * exposureOf('closed') + days.untold : days.untold) : 0;
  const guessedMl = rises?.byLid ? 0 : (EVAPORATION_GUESS.open * days.open + EVAPORATION_GUESS.closed * days.closed) * surfaceCm2(bucket);
  if (!rises && !contents.lid) return undefined;
  const most = 0.6 * contents.waterGrams;
  const { volumeMl, sg } = contents;
  const lost = (perDay: number, guessShare: number): number => {
    const laterSg = Math.min(sg + Math.max(0, perDay) * learntDays, 2);
    return Math.min(most, (laterSg > sg ? waterLost({ volumeMl, sg, laterSg }) : 0) + guessShare * guessedMl);
  };
  const [perDay, off] = [rises?.perDay ?? 0, EIGHTY_PERCENT_Z * (rises?.perDaySd ?? 0)];
  const waterMl = lost(perDay, 1);
  return {
    basis: guessedMl > 0 || learntDays === 0 ? 'guess' : 'learnt',
    sgNow: sgWithout(contents, waterMl),
    waterMl,
    lowMl: lost(perDay - off, 1 / GUESS_SPREAD),
    highMl: lost(perDay + off, GUESS_SPREAD),
    readingErrorMl: waterLost({ volumeMl, sg, laterSg: Math.min(sg + (contents.sgSd ?? 0), 2) }),
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
  const { sgLow: lowSg, sgHigh: highSg, nowAt } = bucket;
  if (!bucket.contents.measuredAt) return undefined;
  const contents = asTheLidWasPut(bucket);
  const ageDays = (Date.parse(nowAt) - Date.parse(contents.measuredAt!)) / DAY_MS;
  if (contents.drift && (contents.drift.byLid || !contents.lid)) {
    const left = daysInRange({ drift: contents.drift, sg: contents.sg, ageDays, lowSg, highSg, lid: contents.lid });
    if (left) return { ...left, basis: 'learnt' };
  }
  if (!contents.lid || contents.sg < lowSg || contents.sg > highSg) return undefined;
  const perDayMl = EVAPORATION_GUESS[contents.lid] * surfaceCm2(bucket);
  const roomMl = contents.volumeMl - (contents.volumeMl * (contents.sg - 1)) / (highSg - 1);
  const days = Math.max(0, roomMl / perDayMl - ageDays);
  return { days, leastDays: days / GUESS_SPREAD, mostDays: days * GUESS_SPREAD, basis: 'guess' };
}

/** The bucket as it stood when its lid was put as it is now, if that was after the last reading. */
function asTheLidWasPut(bucket: StandingBucket): BucketContents {
  const { contents } = bucket;
  const { lidAt } = contents;
  if (!contents.stoodBefore || !lidAt) return contents;
  const gone = evaporatedSince({ ...bucket, nowAt: lidAt });
  return { ...contents, measuredAt: lidAt, sg: gone?.sgNow ?? contents.sg, volumeMl: contents.volumeMl - (gone?.waterMl ?? 0) };
}

/** How long it stood since the last reading, by its lid; undefined when it was never measured, or a moment ago. */
function daysSinceMeasured({ contents, nowAt }: StandingBucket): StandingDays | undefined {
  const { measuredAt, lid, lidAt, stoodBefore = { untold: 0, open: 0, closed: 0 } } = contents;
  const fromMs = Math.max(Date.parse(measuredAt ?? ''), contents.stoodBefore && lidAt ? Date.parse(lidAt) : 0);
  const days = (Date.parse(nowAt) - fromMs) / DAY_MS;
  if (!(days >= 0)) return undefined;
  const how = lid ?? 'untold';
  const stood = { ...stoodBefore, [how]: stoodBefore[how] + days };
  return stood.untold + stood.open + stood.closed > 0 ? stood : undefined;
}

const driftTells = ({ drift }: BucketContents): boolean => drift !== undefined && Math.abs(drift.perDay) > 2 * drift.perDaySd;

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
