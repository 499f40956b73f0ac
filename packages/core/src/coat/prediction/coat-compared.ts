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

/** A dry coat in other people's measures. Example: 0.6 mm of density 2.6, packed to a half, is 24 thou, 0.078 g/cm², two cards. */
export function coatCompared({ coatMm, density, state }: { coatMm: number; density: number; state: SlurryState }): CoatCompared {
  requirePositive('coatMm', coatMm);
  return {
    thou: fromCanonical(coatMm, 'thou'),
    gramsPerCm2: 0.1 * coatMm * STATE_GUESSES[state].packing * requirePositive('density', density),
    cards: coatMm / BUSINESS_CARD_MM,
  };
}
