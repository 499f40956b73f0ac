import { requireNotNegative, requirePositive } from '../../checks/require';
import { solidsByMass } from '../../slurry/contents';

/** A dry coat on an area. */
export interface CoatOnArea {
  /** Dry thickness, mm. */
  coatMm: number;
  areaCm2: number;
  /** Share of the dry coat that is powder, by volume, 0–1. */
  packing: number;
  /** Of the powder, g/mL. */
  density: number;
}

/**
 * Returns the dry powder in a coat, g: area × thickness × packing × density.
 *
 * @param coat - mm, cm², 0–1 and g/mL
 * @throws PotterError for a negative thickness or area, or a packing or density of 0 or less
 * @example
 * dryGramsOfCoat({ coatMm: 0.5, areaCm2: 100, packing: 0.5, density: 2.6 }) // 6.5
 */
export const dryGramsOfCoat = ({ coatMm, areaCm2, packing, density }: CoatOnArea): number =>
  requireNotNegative('areaCm2', areaCm2) * requireNotNegative('coatMm', coatMm) * 0.1 * requirePositive('packing', packing) * density;

/**
 * Returns the wet glaze that a coat takes out of a bucket, g.
 *
 * @param coat - as for `dryGramsOfCoat`, with the `sg` of the slurry
 * @throws PotterError as `dryGramsOfCoat`, and for an SG that no slurry of this powder has
 * @example
 * wetGramsOfCoat({ coatMm: 0.5, areaCm2: 100, packing: 0.5, density: 2.6, sg: 1.45 }) // 12.8888889
 */
export const wetGramsOfCoat = ({ sg, ...coat }: CoatOnArea & { sg: number }): number =>
  dryGramsOfCoat(coat) / solidsByMass({ sg, density: coat.density });
