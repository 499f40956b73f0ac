import { coatDoneMm, coatOfLayer, layersAt, type FaultPlace } from '../fired-coat';
import type { GlazedPiece } from '../piece-record';
import type { ChangeFacts } from './one-change';

/**
 * Returns what the plan of a fired piece says at the place of a fault, beside what was done.
 *
 * @param piece - as it was planned, done and fired
 * @param where - the place of the fault
 * @example
 * factsOfPiece({ plan: { zones: { inside: [], outside: [], rim: [], foot: [] } }, coats: [], glazes: [], ranges: new Map(), windows: new Map(), coneReached: '6' }, 'outside')
 * // {}
 */
export function factsOfPiece({ plan, coats, glazes, ranges, windowSeen, expansionFall }: GlazedPiece, where: FaultPlace): ChangeFacts {
  const [top, below] = [layersAt(plan, where).at(-1), layersAt(plan, where).at(-2)];
  const coat = top && coatOfLayer(coats, top);
  const range = top && ranges.get(top.bucketId);
  const lowerShrinkPercent = below && glazes.find(({ bucketId }) => bucketId === below.bucketId)?.shrinkShare;
  const facts: ChangeFacts = {
    plannedMm: coat?.plannedMm ?? top?.coatMm,
    coatByPlannedSecondsMm: coat && (coatDoneMm({ ...coat, seconds: coat.plannedSeconds }, range) ?? coat.plannedMm),
    coatBySgInRangeMm: coat && (coatDoneMm({ ...coat, sg: undefined }, range) ?? coat.plannedMm),
    windowSeen: top && windowSeen?.(top.bucketId),
    lowerShrinkPercent,
    expansionFall: top && expansionFall && ((wantedFall) => expansionFall(top.bucketId, wantedFall)),
  };
  return Object.fromEntries(Object.entries(facts).filter(([, value]) => value !== undefined));
}

/**
 * Returns how many times as thick as planned the coats of a piece were, by bucket, as far as they were timed or measured.
 *
 * @param piece - its coats, and the SG ranges of its glazes
 * @example
 * coatTimesOf({ coats: [{ bucketId: 'ash', plannedMm: 0.6, plannedSeconds: 2, seconds: 2 }], ranges: new Map() }).get('ash') // 1
 */
export function coatTimesOf({ coats, ranges }: Pick<GlazedPiece, 'coats' | 'ranges'>): Map<string, number> {
  return new Map(
    coats.flatMap((coat): [string, number][] => {
      const doneMm = coatDoneMm(coat, ranges.get(coat.bucketId));
      return doneMm === undefined || !coat.plannedMm ? [] : [[coat.bucketId, doneMm / coat.plannedMm]];
    }),
  );
}

/** Coats of a piece with one thing kept to, and how far off each was. */
export interface CoatCauses {
  /** How many times the planned coat, by bucket, had the planned seconds been kept. */
  inTime: ReadonlyMap<string, number>;
  /** And had its SG been in range. */
  inRange: ReadonlyMap<string, number>;
  /** Of its coats the one furthest off: how many times the planned seconds. Left out where nobody timed one. */
  secondsShare?: number | undefined;
  /** Of its coats the one furthest off: above its range, or below it if negative; 0 in range. Left out where nobody measured one. */
  sgOff?: number | undefined;
}

/**
 * Returns what of the coats of a piece was the hand's and what the bucket's.
 *
 * @param piece - its coats, and the SG ranges of its glazes
 * @example
 * coatCausesOf({ coats: [{ bucketId: 'ash', plannedMm: 0.6, plannedSeconds: 2, seconds: 4 }], ranges: new Map() }).secondsShare // 2
 */
export function coatCausesOf({ coats, ranges }: Pick<GlazedPiece, 'coats' | 'ranges'>): CoatCauses {
  const shares = coats.flatMap(({ seconds, plannedSeconds }) => (seconds === undefined || !plannedSeconds ? [] : [seconds / plannedSeconds]));
  const offs = coats.flatMap(({ bucketId, sg }) => {
    const range = ranges.get(bucketId);
    return sg === undefined || !range ? [] : [sg - Math.min(range.highSg, Math.max(range.lowSg, sg))];
  });
  return {
    inTime: coatTimesOf({ coats: coats.map((coat) => ({ ...coat, seconds: coat.plannedSeconds })), ranges }),
    inRange: coatTimesOf({ coats: coats.map((coat) => ({ ...coat, sg: undefined })), ranges }),
    ...(shares.length > 0 ? { secondsShare: furthestFrom(1, shares) } : {}),
    ...(offs.length > 0 ? { sgOff: furthestFrom(0, offs) } : {}),
  };
}

const furthestFrom = (from: number, figures: readonly number[]): number =>
  figures.reduce((most, one) => (Math.abs(one - from) > Math.abs(most - from) ? one : most));
