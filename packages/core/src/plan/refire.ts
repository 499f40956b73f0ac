import type { PiecePlan } from './piece-plan';
import type { Layer } from './layer';

/**
 * Returns the change that makes a plan one for the same piece fired again: its coats are what was fired on it, and new ones are planned over
 * them. Wax, tape and what was scraped stay as they are.
 *
 * @param plan - as it was fired
 * @example
 * refired({ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }).fired
 * // { outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }] }
 */
export function refired({ zones, fired = {} }: PiecePlan): Pick<PiecePlan, 'refire' | 'fired' | 'zones' | 'order'> {
  const both = (before: Layer[] | undefined, now: readonly Layer[]): Layer[] => [...(before ?? []), ...now];
  const [inside, outside, rim] = [both(fired.inside, zones.inside), both(fired.outside, zones.outside), both(fired.rim, zones.rim)];
  return {
    refire: true,
    fired: { ...(inside.length > 0 ? { inside } : {}), ...(outside.length > 0 ? { outside } : {}), ...(rim.length > 0 ? { rim } : {}) },
    zones: { inside: [], outside: [], rim: [], foot: [] },
    order: [],
  };
}

/**
 * Returns the change that takes `refired` back: what was fired is planned again, where nothing new was planned.
 *
 * @param plan - of a piece fired before
 * @example
 * notRefired({ shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [], refire: true }).refire
 * // undefined
 */
export function notRefired({ zones, fired = {} }: PiecePlan): Pick<PiecePlan, 'refire' | 'fired' | 'zones' | 'order'> {
  const or = (now: Layer[], before: Layer[] | undefined): Layer[] => (now.length > 0 ? now : (before ?? []));
  return {
    refire: undefined,
    fired: undefined,
    zones: { ...zones, inside: or(zones.inside, fired.inside), outside: or(zones.outside, fired.outside), rim: or(zones.rim, fired.rim) },
    order: [],
  };
}
