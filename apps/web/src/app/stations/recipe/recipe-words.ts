import type { DryCoat, RecipeOutlook, Suspension } from '@cazuela/core';

export const SUSPENSION_WORDS: Record<Suspension, { tone: 'good' | 'look' | 'stop'; what: string; remedy: string }> = {
  hardPans: { tone: 'stop', what: 'Settles hard on the bottom.', remedy: 'Put some of the clay in raw, or up to 2 % bentonite, slaked first.' },
  settles: { tone: 'look', what: 'Settles within the hour.', remedy: 'Stir before every piece, or take more raw clay or a little bentonite.' },
  holds: { tone: 'good', what: 'Stays up.', remedy: '' },
};

export const DRY_COAT_WORDS: Record<DryCoat, { tone: 'good' | 'look'; what: string; remedy: string }> = {
  powdery: { tone: 'look', what: 'Dries powdery.', remedy: 'Handle little; a little gum, or some raw clay for calcined.' },
  sound: { tone: 'good', what: 'Dries sound.', remedy: '' },
  shrinks: { tone: 'look', what: 'Shrinks as it dries: cracks and flakes when thick.', remedy: 'Calcine part of the clay; keep the coat thin.' },
};

/** "moves (stays to runs)": the guess never stands without its range. */
export function fireWords(fire: RecipeOutlook['fire']): string {
  if (!fire) return 'Nobody can say: a powder in it has no analysis.';
  const range = fire.least === fire.most ? fire.least : `${fire.least} to ${fire.most}`;
  return `Likely ${fire.likely} at cone 6 (${range}).`;
}

export const stripeColours = ['#B8A98F', '#CDBFA6', '#A99C86', '#DCCFB6', '#B5A288', '#C4B8A3', '#9E927D', '#D2C2A4'];
