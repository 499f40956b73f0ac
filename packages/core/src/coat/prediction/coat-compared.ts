import { requirePositive } from '../../checks/require';
import { fromCanonical } from '../../units/units';
import type { SlurryState } from '../../slurry/slurry-state';
import { STATE_GUESSES } from './state-guesses';

/** A usual business card, mm: 300 g/m² board. For the eye and the thumb, not for a caliper. */
export const BUSINESS_CARD_MM = 0.3;

export interface CoatCompared {
  thou: number;
  /** Dry glaze on a square centimetre. */
  gramsPerCm2: number;
  cards: number;
}

/**
 * Returns a dry coat in other people's measures: thousandths of an inch, g/cm², and business cards.
 *
 * @param coat - `coatMm`, above 0; `density` of the powder, g/mL; `state` of the slurry it was dipped in
 * @throws PotterError for a coat of 0 or less
 * @example
 * coatCompared({ coatMm: 0.6, density: 2.6, state: 'normal' }) // { thou: 23.622047, gramsPerCm2: 0.078, cards: 2 }
 */
export function coatCompared({ coatMm, density, state }: { coatMm: number; density: number; state: SlurryState }): CoatCompared {
  requirePositive('coatMm', coatMm);
  return {
    thou: fromCanonical(coatMm, 'thou'),
    gramsPerCm2: 0.1 * coatMm * STATE_GUESSES[state].packing * requirePositive('density', density),
    cards: coatMm / BUSINESS_CARD_MM,
  };
}
