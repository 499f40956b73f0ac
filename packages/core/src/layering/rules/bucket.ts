import { layersOf } from '../../plan/piece-plan';
import type { PieceQuestion } from '../outside-run';
import type { Warning } from '../warnings';

/**
 * Returns C7: a coat out of a bucket that something fell into.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * contaminated({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', contaminated: ['iron'], lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } }).length
 * // 1
 */
export function contaminated({ plan, glazes }: PieceQuestion): Warning[] {
  const used = new Set(layersOf(plan).map((layer) => layer.bucketId));
  return glazes
    .filter((glaze) => used.has(glaze.bucketId) && glaze.contaminated?.length)
    .map((glaze) => ({
      rule: 'C7',
      severity: 'look',
      what: `Something is in the bucket of ${glaze.name}: ${glaze.contaminated!.join('; ')}.`,
      why: 'It goes on every pot that is glazed from it.',
      remedies: ['Sieve it, and dip a test tile first', 'Glaze from another bucket', 'Keep it for pots where it does no harm'],
    }));
}
