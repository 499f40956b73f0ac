import { PotterError } from '../checks/potter-error';
import { requireDensity, requireNotNegative, requirePositive } from '../checks/require';

/**
 * SG of powder stirred into water: mass over volume, nothing dissolves (Brongniart, 1844).
 * Example: 9366 g of 2.71 in 10206 g of water → 1.4326.
 */
export function sgOfMix({ dryGrams, waterGrams, density }: { dryGrams: number; waterGrams: number; density: number }): number {
  requireNotNegative('dryGrams', dryGrams);
  requireNotNegative('waterGrams', waterGrams);
  requireDensity('density', density);
  requirePositive('dryGrams', dryGrams + waterGrams);
  return (dryGrams + waterGrams) / (dryGrams / density + waterGrams);
}

/**
 * Density of the dry powder learnt from a weighed mix and its SG: ρ = m/((m + w)/d − w).
 * Far from the recipe's own density the measurement is wrong, not the powder.
 */
export function densityFromMix({ dryGrams, waterGrams, sg }: { dryGrams: number; waterGrams: number; sg: number }): number {
  requirePositive('dryGrams', dryGrams);
  requireNotNegative('waterGrams', waterGrams);
  requirePositive('sg', sg);
  const powderMl = (dryGrams + waterGrams) / sg - waterGrams;
  if (powderMl <= 0) {
    throw new PotterError('impossible', 'sg', sg, `An SG of ${sg} leaves no room for the powder: measure again, or check the water.`);
  }
  return dryGrams / powderMl;
}

/** Density of powders weighed together: total mass over total particle volume, g/mL. */
export function densityOfPowders({ parts }: { parts: readonly { grams: number; density: number }[] }): number {
  let grams = 0;
  let millilitres = 0;
  for (const part of parts) {
    grams += requireNotNegative('dryGrams', part.grams);
    millilitres += part.grams / requireDensity('density', part.density);
  }
  if (grams <= 0) throw new PotterError('emptyList', 'parts', parts.length, 'There is no powder yet: give at least one line a weight.');
  return grams / millilitres;
}
