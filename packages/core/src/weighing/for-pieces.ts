import { requireNotNegative, requirePositive } from '../checks/require';
import { STATE_GUESSES } from '../coat/predict';
import type { ApplicationMethod } from '../layering/piece-plan';

/** Share of the glaze that never stays on a pot, by the way it is put on. Starting guesses. */
export const WASTE_SHARE: Readonly<Record<ApplicationMethod, number>> = { dip: 0.1, pour: 0.15, brush: 0.15, spray: 0.4, sponge: 0.15, rub: 0.3 };

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
    const coatGrams =
      requireNotNegative('count', count) * requirePositive('areaCm2', areaCm2) * requirePositive('coatMm', coatMm) * 0.1 * packing * density;
    return sum + coatGrams * (1 + WASTE_SHARE[method]);
  }, 0);
}

/** Glaze that must stand in a round bucket for a piece to go under, mL: its height and two fingers more. */
export function stayMl({ tallestMm, bucketAcrossMm }: { tallestMm: number; bucketAcrossMm: number }): number {
  const twoFingersMm = 30;
  return (Math.PI / 4) * requirePositive('bucketAcrossMm', bucketAcrossMm) ** 2 * (requirePositive('tallestMm', tallestMm) + twoFingersMm) * 1e-3;
}
