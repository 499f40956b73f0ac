import { NINETY_FIVE_PERCENT_Z } from '../math/normal';
import { withLayers, type PiecePlan } from '../plan/piece-plan';
import { SHELF_MARGIN_MM } from './draw-runs';
import { lnToReach, type QuickRun } from './quick-run';

/** No coat is planned thinner than this, mm. */
const THINNEST_MM = 0.1;
/** The quick look is near the draws, not on them: a little thinner, so that the draws find it safe too. */
const SPARE = 0.95;

/**
 * Returns the share of all coats of a side at which it comes within 2 mm of the shelf about once in twenty from where it starts now, 0–1; undefined
 * where it is safe as it is, or no thinner coat keeps it off.
 *
 * @param quick - the quick run of a side
 * @example
 * safeCoatShare(quickRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside' })) // undefined
 */
export function safeCoatShare(quick: QuickRun): number | undefined {
  const ln = lnToReach(quick, quick.side.endMm - (quick.side.endsAt === 'shelf' ? SHELF_MARGIN_MM : 0));
  if (ln === undefined) return undefined;
  // A film k times as thick runs as one of k² the flow.
  const share = SPARE * Math.exp((ln - NINETY_FIVE_PERCENT_Z * quick.lnSd) / 2);
  return share < SPARE && quick.side.startMm < quick.side.endMm - SHELF_MARGIN_MM ? share : undefined;
}

/**
 * Returns a plan with the coats that run on a side so thin that they are safe, to a hundredth of a mm; undefined where no coat of 0.1 mm or more
 * is.
 *
 * @param plan - the plan
 * @param quick - the quick run of a side of it
 * @example
 * withSafeCoats({ shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, quickRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside' }))
 * // undefined
 */
export function withSafeCoats(plan: PiecePlan, quick: QuickRun): PiecePlan | undefined {
  const share = safeCoatShare(quick);
  if (share === undefined) return undefined;
  const ids = new Set(quick.side.layers.map(({ layer }) => layer.id));
  const thinner = (coatMm: number): number => Math.floor(100 * coatMm * share) / 100;
  if (quick.side.layers.some(({ layer }) => thinner(layer.coatMm) < THINNEST_MM)) return undefined;
  return withLayers(plan, (layer) => (ids.has(layer.id) ? { ...layer, coatMm: thinner(layer.coatMm) } : layer));
}
