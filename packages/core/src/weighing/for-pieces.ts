import { dryGramsOfCoat } from '../coat/weight/glaze-in-coat';
import { requireNotNegative, requirePositive } from '../checks/require';
import { STATE_GUESSES } from '../coat/prediction/state-guesses';
import { type ApplicationMethod, WASTE_SHARE } from '../coat/methods/application-method';

export interface PiecesToCoat {
  count: number;
  areaCm2: number;
  coatMm: number;
  method: ApplicationMethod;
}

/** Dry glaze that the coats of these pieces take, g: Σ count × area × coat × 0.1 × c × density, plus waste. */
export function dryGramsForPieces({ pieces, density }: { pieces: readonly PiecesToCoat[]; density: number }): number {
  const packing = STATE_GUESSES.normal.packing;
  return pieces.reduce((sum, { count, areaCm2, coatMm, method }) => {
    const coat = { areaCm2: requirePositive('areaCm2', areaCm2), coatMm: requirePositive('coatMm', coatMm), packing, density };
    return sum + requireNotNegative('count', count) * dryGramsOfCoat(coat) * (1 + WASTE_SHARE[method]);
  }, 0);
}

/** Glaze that must stand in a round bucket for a piece to go under, mL: its height and two fingers more. */
export function stayMl({ tallestMm, bucketAcrossMm }: { tallestMm: number; bucketAcrossMm: number }): number {
  const twoFingersMm = 30;
  return (Math.PI / 4) * requirePositive('bucketAcrossMm', bucketAcrossMm) ** 2 * (requirePositive('tallestMm', tallestMm) + twoFingersMm) * 1e-3;
}
