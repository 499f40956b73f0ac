import { dryGramsOfCoat } from '../coat/weight/glaze-in-coat';
import { requireNotNegative, requirePositive } from '../checks/require';
import { STATE_GUESSES } from '../coat/prediction/state-guesses';
import type { SlurryState } from '../slurry/slurry-state';
import { type ApplicationMethod, WASTE_SHARE } from '../coat/methods/application-method';

export interface PiecesToCoat {
  count: number;
  areaCm2: number;
  coatMm: number;
  method: ApplicationMethod;
}

/**
 * Returns the dry glaze that the coats of these pieces take, g, with the waste of each method.
 *
 * @param question - `pieces`, their count, area, coat and method; `density` of the powder, g/mL; `state` of the slurry, which decides how
 * closely its coat packs, normal when left out
 * @throws PotterError for a negative count, or an area or coat of 0 or less
 * @example
 * dryGramsForPieces({ pieces: [{ count: 10, areaCm2: 100, coatMm: 0.5, method: 'dip' }], density: 2.6 }) // 71.5
 */
export function dryGramsForPieces({
  pieces,
  density,
  state = 'normal',
}: {
  pieces: readonly PiecesToCoat[];
  density: number;
  state?: SlurryState | undefined;
}): number {
  const { packing } = STATE_GUESSES[state];
  return pieces.reduce((sum, { count, areaCm2, coatMm, method }) => {
    const coat = { areaCm2: requirePositive('areaCm2', areaCm2), coatMm: requirePositive('coatMm', coatMm), packing, density };
    return sum + requireNotNegative('count', count) * dryGramsOfCoat(coat) * (1 + WASTE_SHARE[method]);
  }, 0);
}

/**
 * Returns the glaze that must stand in a round bucket for a piece to go under, mL: its height and two fingers more.
 *
 * @param question - `tallestMm` and `bucketAcrossMm`, above 0
 * @throws PotterError for 0 or less
 * @example
 * stayMl({ tallestMm: 90, bucketAcrossMm: 300 }) // 8482.3002
 */
export function stayMl({ tallestMm, bucketAcrossMm }: { tallestMm: number; bucketAcrossMm: number }): number {
  const twoFingersMm = 30;
  return (Math.PI / 4) * requirePositive('bucketAcrossMm', bucketAcrossMm) ** 2 * (requirePositive('tallestMm', tallestMm) + twoFingersMm) * 1e-3;
}
