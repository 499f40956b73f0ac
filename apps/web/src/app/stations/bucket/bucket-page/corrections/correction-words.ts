import type { Correction, CorrectionObstacle } from '@cazuela/core';
import type { Units } from '../../../../data/units/units';

const BLOCKS: Readonly<Record<CorrectionObstacle, string>> = {
  overflows: 'More than the bucket holds: pour part off into another one first.',
  soluble: 'A powder of it goes into solution and would leave with the water.',
  doesNotClear: 'It stays up: hardly any clear water stands on it even after a day.',
  notEnoughOther: 'That bucket does not hold as much.',
  moreThanItsWater: 'That is more water than there is in it.',
};

export interface CorrectionWords {
  what: string;
  cost: string;
  blocks: string[];
  /** A button that books the first stage. */
  tap?: string;
}

/** One correction: what to do first, what it costs, what prevents it. */
export function correctionWords(correction: Correction, units: Units): CorrectionWords {
  const first = units.millilitres(units.pourable(correction.firstMl));
  const all = units.millilitres(correction.allMl);
  const blocks = correction.blocks.map((block) => BLOCKS[block]);
  const after = `${units.litres(correction.newVolumeMl)} then`;
  switch (correction.kind) {
    case 'water':
      return { what: `${first} of water`, cost: `${all} in all; ${after}; five minutes with the drill`, blocks, tap: `${first} went in` };
    case 'pourOff':
      return {
        what: `Pour off ${first} of clear water`,
        cost: `${all} in all; ${after}; settles ${howLong(correction.minutes)} first. Keep the water`,
        blocks,
        tap: `${first} poured off`,
      };
    case 'powder':
      return {
        what: `${units.mass(correction.firstGrams)} of its own powder`,
        cost: `${units.mass(correction.grams)} in all, weighed as the recipe; ${after}; slake, stir, sieve`,
        blocks,
        tap: 'It went in',
      };
    case 'otherBucket':
      return {
        what: `${first} of ${correction.other.code}, at ${units.sg(correction.other.sg)}`,
        cost: `${all} in all; ${after}; stir both first`,
        blocks,
      };
    case 'evaporate':
      return {
        what: 'Leave the lid off',
        cost: `${all} of water leave in about ${howLong(correction.minutes)}, a starting guess; stir daily`,
        blocks,
      };
  }
}

function howLong(minutes: number): string {
  if (minutes < 90) return `${Math.round(minutes)} min`;
  if (minutes < 36 * 60) return `${Math.round(minutes / 60)} hours`;
  return `${Math.round(minutes / 60 / 24)} days`;
}
