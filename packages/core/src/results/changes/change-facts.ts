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
