import { PotterError } from '../checks/potter-error';
import { requirePositive } from '../checks/require';
import { MASS_UNITS, VOLUME_UNITS, toCanonical, type Entered } from '../units/units';

/** How a label says it: so much powder to so much water, each in the label's own unit. */
export interface LabelRule {
  powder: Entered;
  water: Entered;
}

/**
 * Water for each gram of powder, mL/g, from a label: mass to mass or mass to volume, in any units. A volume of powder is refused:
 * a scoop holds up to a third more when it is shaken down. Example: 1 lb to 1 US pt → 1.043, not 1.
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
