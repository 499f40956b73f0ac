import type { SlurryState } from '../../slurry/slurry-state';

/** Wet film and packing of the dry coat by the state of the slurry: starting guesses. */
export const STATE_GUESSES: Record<SlurryState, { filmMm: number; packing: number }> = {
  normal: { filmMm: 0.15, packing: 0.5 },
  flocculated: { filmMm: 0.3, packing: 0.42 },
  deflocculated: { filmMm: 0.08, packing: 0.58 },
};

/** Density of a bisque wall, g/mL. */
export const BODY_DENSITY = 1.9;
