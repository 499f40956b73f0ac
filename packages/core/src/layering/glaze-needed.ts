import { solidsByMass } from '../slurry/contents';
import type { PlannedArea } from '../plan/areas';
import type { GlazeFacts } from '../plan/facts';

export interface GlazeNeeded {
  /** Dry powder that stays on the place, and the slurry that carries it, with nothing for what drips off. */
  dryGrams: number;
  slurryMl: number;
}

/** Glaze that one piece takes on a place, all its coats of known buckets together. */
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
