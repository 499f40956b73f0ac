import { PotterError } from '../checks/potter-error';
import { requireDensity, requireNotNegative, requirePositive } from '../checks/require';

/**
 * Returns the SG of powder stirred into water: mass over volume. Nothing dissolves.
 *
 * Source: Brongniart, 1844.
 *
 * @param mix - `dryGrams` and `waterGrams`, 0 or more, not both 0; `density` of the powder, g/mL
 * @throws PotterError for what lies outside
 * @example
 * sgOfMix({ dryGrams: 9366, waterGrams: 10_206, density: 2.71 }) // 1.4325775
 */
export function sgOfMix({ dryGrams, waterGrams, density }: { dryGrams: number; waterGrams: number; density: number }): number {
  requireNotNegative('dryGrams', dryGrams);
  requireNotNegative('waterGrams', waterGrams);
  requireDensity('density', density);
  requirePositive('dryGrams', dryGrams + waterGrams);
  return (dryGrams + waterGrams) / (dryGrams / density + waterGrams);
}

/**
 * Returns the density of the dry powder from a weighed mix and its SG, g/mL: ρ = m/((m + w)/d − w). Far from the recipe's own density the
 * measurement is wrong, not the powder.
 *
 * @param mix - `dryGrams`, above 0; `waterGrams`, 0 or more; `sg` as measured
 * @throws PotterError for figures that no powder gives
 * @example
 * densityFromMix({ dryGrams: 700, waterGrams: 700, sg: 1.45 }) // 2.6363636
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

/**
 * Returns the density of powders weighed together, g/mL: total mass over total volume of the particles.
 *
 * @param question - `parts`, grams 0 or more and density in g/mL; the sum of grams above 0
 * @throws PotterError for what lies outside
 * @example
 * densityOfPowders({ parts: [{ grams: 50, density: 2.6 }, { grams: 50, density: 5.2 }] }) // 3.4666667
 */
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
