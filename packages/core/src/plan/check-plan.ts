import { formFault } from '../geometry/check-form';
import { tallMm } from '../geometry/piece-form';
import { formOf, shapeOf } from '../geometry/shapes';
import { edgeDipMm } from './edge-line';
import { handleMask, isBand } from './mask';
import { coatingKindOf } from './layer';
import type { PiecePlan } from './piece-plan';
import type { Turn } from './strip';

/** A narrower zone counts as none, mm. */
export const NARROWEST_ZONE_MM = 1;

/** A narrower part of the turn counts as none. From 0 to 1 is all of it. */
const NARROWEST_SHARE = 0.01;
const isNoPart = ({ from, to }: Turn): boolean => Math.abs(to - from) < 0.5 && (to - from + 1) % 1 < NARROWEST_SHARE - 1e-9;

/**
 * Returns a sentence why a plan cannot stand as it is drawn; undefined when it can.
 *
 * @param plan - the plan
 * @example
 * planFault({ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] })
 * // undefined
 */
export function planFault(plan: PiecePlan): string | undefined {
  const form = formFault(formOf(plan));
  if (form) return form.message;
  const topMm = tallMm(shapeOf(plan));
  const { waxFootMm, rimBandMm, zones, strips = [], masks = [], edges } = plan;
  if (waxFootMm > topMm - NARROWEST_ZONE_MM && zones.outside.length > 0)
    return `The bare foot reaches ${Math.round(waxFootMm)} mm up a piece of ${Math.round(topMm)} mm: no height is left for the outside.`;
  if (zones.rim.length > 0 && rimBandMm < NARROWEST_ZONE_MM) return 'The rim band has no height: give it one, or take its coats off.';
  if (edgeDipMm(edges?.wax) > waxFootMm && waxFootMm > 0) return 'The edge of the foot waves below the shelf: less wave, or start higher.';
  for (const layers of [...Object.values(zones), ...strips.map((strip) => strip.layers)]) {
    const lustreAt = layers.findIndex((layer) => coatingKindOf(layer) === 'lustre');
    if (lustreAt >= 0 && layers.slice(lustreAt).some((layer) => coatingKindOf(layer) !== 'lustre'))
      return 'Nothing goes over lustre: it is painted on fired glaze and fired again, last of all.';
  }
  for (const { fromMm, toMm, turn, edge, on } of strips) {
    if (on === 'handle' && !formOf(plan).grip) return 'There is no handle to glaze apart on this form.';
    const name = turn ? 'A panel' : 'A strip';
    if (toMm - fromMm < NARROWEST_ZONE_MM) return `${name} has no height: its upper edge must lie above its lower one.`;
    if (turn && isNoPart(turn)) return 'A panel has no width: its sides lie on one another.';
    if (fromMm - edgeDipMm(edge) < 0 || toMm - edgeDipMm(edge) > topMm) return `${name} lies off the piece, which is ${Math.round(topMm)} mm high.`;
  }
  for (const mask of masks) {
    const { fromMm, toMm, kind, turn } = mask;
    if (!isBand(mask)) continue;
    if (turn && isNoPart(turn)) return 'A mask has no width: its sides lie on one another.';
    const name = { wax: 'The wax', tape: 'The tape', scrape: 'What is scraped', sponge: 'What is sponged off' }[kind];
    if (toMm <= fromMm) return `${name} has no height: its upper edge must lie above its lower one.`;
    if (fromMm < 0 || fromMm >= topMm) return `${name} lies off the piece, which is ${Math.round(topMm)} mm high.`;
  }
  if (shapeOf(plan).slabMm !== undefined && [...strips, ...masks].some(({ face }) => face === 'inside')) return 'A tile has no inside.';
  if (masks.some((mask) => mask.where === 'hole') && !formOf(plan).holeMm) return 'There is no drain hole to close on this form.';
  if (handleMask({ masks }) && !formOf(plan).grip) return 'There is no handle to leave out on this form.';
  return undefined;
}
