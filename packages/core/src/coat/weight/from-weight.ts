import { requireDensity, requireNotNegative, requirePositive } from '../../checks/require';
import { solidsByMass } from '../../slurry/contents';

/** Coat from the weight gained while wet, mm: what left the bucket carries the solids fraction s, wherever its water went. */
export function coatFromWetGain(gain: { gainGrams: number; sg: number; density: number; packing: number; areaCm2: number }): number {
  const dry = requireNotNegative('gainGrams', gain.gainGrams) * solidsByMass({ sg: gain.sg, density: gain.density });
  return coatFromDryGain({ gainGrams: dry, density: gain.density, packing: gain.packing, areaCm2: gain.areaCm2 });
}

/** Coat from the weight gained once dry, mm: 10 × dry/(c ρ area). Typical: 0.4–0.8 mm, 0.05–0.11 g/cm². */
export function coatFromDryGain(gain: { gainGrams: number; density: number; packing: number; areaCm2: number }): number {
  requireNotNegative('gainGrams', gain.gainGrams);
  return (
    (10 * gain.gainGrams) /
    (requirePositive('packing', gain.packing) * requireDensity('density', gain.density) * requirePositive('areaCm2', gain.areaCm2))
  );
}

/** Density of a glaze melt, g/mL: a usual silicate glass. */
export const MELT_DENSITY = 2.45;

/** Melted thickness of a dry coat, mm: coat × cρ(1 − LOI/100)/2.45. */
export function meltedMm(coat: { coatMm: number; packing: number; density: number; loiPercent: number }): number {
  requireNotNegative('coatMm', coat.coatMm);
  return (
    (coat.coatMm * requirePositive('packing', coat.packing) * requireDensity('density', coat.density) * (1 - coat.loiPercent / 100)) / MELT_DENSITY
  );
}
