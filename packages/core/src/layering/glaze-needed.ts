import { solidsByMass } from '../slurry/contents';
import type { PlannedArea } from '../plan/areas';
import type { GlazeFacts } from '../plan/facts';

export interface GlazeNeeded {
  /** Dry powder that stays on the place, and the slurry that carries it, without drips. */
  dryGrams: number;
  slurryMl: number;
}

/**
 * Returns the glaze that one piece takes on a place, all its coats of known buckets together.
 *
 * @param question - `area`, in cm² with its layers; `glazes` of the buckets
 * @example
 * glazeNeeded({ area: { areaCm2: 100, layers: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }] }, glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }).dryGrams
 * // 6.5
 */
export function glazeNeeded({ area, glazes }: { area: Pick<PlannedArea, 'areaCm2' | 'layers'>; glazes: readonly GlazeFacts[] }): GlazeNeeded {
  let dryGrams = 0;
  let slurryMl = 0;
  for (const layer of area.layers) {
    const glaze = glazes.find((facts) => facts.bucketId === layer.bucketId);
    if (!glaze) continue;
    const dry = (area.areaCm2 * layer.coatMm * glaze.packing * glaze.density) / 10;
    dryGrams += dry;
    slurryMl += dry / (solidsByMass({ sg: glaze.sg, density: glaze.density }) * glaze.sg);
  }
  return { dryGrams, slurryMl };
}
