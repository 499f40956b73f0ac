import { PotterError } from '../checks/potter-error';
import { requirePositive } from '../checks/require';
import { MASS_UNITS, VOLUME_UNITS, toCanonical, type Entered } from '../units/units';

/** The ratio on a label: so much powder to so much water, each in the label's own unit. */
export interface LabelRule {
  powder: Entered;
  water: Entered;
}

/**
 * Returns the water for each gram of powder that a label asks for, mL/g: mass to mass or mass to volume, in any units.
 *
 * @param rule - `powder`, a mass above 0; `water`, a mass or a volume above 0
 * @throws PotterError for a volume of powder (a scoop holds up to a third more when it is shaken down), and for 0 or less
 * @example
 * labelWaterPerGram({ powder: { value: 1, unit: 'lb' }, water: { value: 1, unit: 'US pt' } }) // 1.0431756
 */
export function labelWaterPerGram({ powder, water }: LabelRule): number {
  if (!(powder.unit in MASS_UNITS)) {
    throw new PotterError(
      'impossible',
      'powder',
      powder.unit,
      'A volume of powder weighs more or less as it is shaken down, up to a third: weigh one scoop as the label means it, and type that weight.',
    );
  }
  if (!(water.unit in MASS_UNITS) && !(water.unit in VOLUME_UNITS)) {
    throw new PotterError('impossible', 'water', water.unit, 'Water is told by weight or by volume: choose such a unit.');
  }
  requirePositive('powder', powder.value);
  requirePositive('water', water.value);
  return toCanonical(water) / toCanonical(powder);
}
