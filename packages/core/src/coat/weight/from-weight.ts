import { requireDensity, requireNotNegative, requirePositive } from '../../checks/require';
import { solidsByMass } from '../../slurry/contents';

/**
 * Returns the dry coat from the weight gained while wet, mm. What left the bucket carries its share of powder, wherever its water went.
 *
 * @param gain - `gainGrams`, 0 or more; `sg` and `density` of the slurry; `packing`, 0–1; `areaCm2`, above 0
 * @throws PotterError for what lies outside
 * @example
 * coatFromWetGain({ gainGrams: 12.888889, sg: 1.45, density: 2.6, packing: 0.5, areaCm2: 100 }) // 0.5
 */
export function coatFromWetGain(gain: { gainGrams: number; sg: number; density: number; packing: number; areaCm2: number }): number {
  const dry = requireNotNegative('gainGrams', gain.gainGrams) * solidsByMass({ sg: gain.sg, density: gain.density });
  return coatFromDryGain({ gainGrams: dry, density: gain.density, packing: gain.packing, areaCm2: gain.areaCm2 });
}

/**
 * Returns the dry coat from the weight gained once dry, mm: 10 × dry/(c ρ area). Usual are 0.4–0.8 mm, 0.05–0.11 g/cm².
 *
 * @param gain - `gainGrams`, 0 or more; `density`, g/mL; `packing`, 0–1; `areaCm2`, above 0
 * @throws PotterError for what lies outside
 * @example
 * coatFromDryGain({ gainGrams: 6.5, density: 2.6, packing: 0.5, areaCm2: 100 }) // 0.5
 */
export function coatFromDryGain(gain: { gainGrams: number; density: number; packing: number; areaCm2: number }): number {
  requireNotNegative('gainGrams', gain.gainGrams);
  return (
    (10 * gain.gainGrams) /
    (requirePositive('packing', gain.packing) * requireDensity('density', gain.density) * requirePositive('areaCm2', gain.areaCm2))
  );
}

/** Density of a glaze melt, g/mL: a usual silicate glass. */
export const MELT_DENSITY = 2.45;

/**
 * Returns the melted thickness of a dry coat, mm: coat × cρ(1 − LOI/100)/2.45.
 *
 * @param coat - `coatMm`, 0 or more; `packing`, 0–1; `density`, g/mL; `loiPercent`, loss on ignition
 * @throws PotterError for what lies outside
 * @example
 * meltedMm({ coatMm: 0.6, packing: 0.5, density: 2.6, loiPercent: 8 }) // 0.29289796
 */
export function meltedMm(coat: { coatMm: number; packing: number; density: number; loiPercent: number }): number {
  requireNotNegative('coatMm', coat.coatMm);
  return (
    (coat.coatMm * requirePositive('packing', coat.packing) * requireDensity('density', coat.density) * (1 - coat.loiPercent / 100)) / MELT_DENSITY
  );
}
