import type { RangeWay, WayBlock } from '@cazuela/core';
import type { Units } from '../../data/units';

const BLOCKS: Readonly<Record<WayBlock, string>> = {
  overflows: 'More than the bucket holds: pour part off into another one first.',
  soluble: 'A powder of it goes into solution and would leave with the water.',
  doesNotClear: 'It stays up: hardly any clear water stands on it even after a day.',
  notEnoughOther: 'That bucket does not hold as much.',
  moreThanItsWater: 'That is more water than there is in it.',
};

export interface WayWords {
  what: string;
  cost: string;
  blocks: string[];
  /** One tap that books the first stage. */
  tap?: string;
}

/** One way into range: what to do first, what it costs, what is in its way. */
export function wayWords(way: RangeWay, units: Units): WayWords {
  const first = units.millilitres(units.pourable(way.firstMl));
  const all = units.millilitres(way.allMl);
  const blocks = way.blocks.map((block) => BLOCKS[block]);
  const after = `${units.litres(way.newVolumeMl)} then`;
  switch (way.kind) {
    case 'water':
      return { what: `${first} of water`, cost: `${all} in all; ${after}; five minutes with the drill`, blocks, tap: `${first} went in` };
    case 'pourOff':
      return {
        what: `Pour off ${first} of clear water`,
        cost: `${all} in all; ${after}; settles ${howLong(way.minutes)} first. Keep the water`,
        blocks,
        tap: `${first} poured off`,
      };
    case 'powder':
      return {
        what: `${units.mass(way.firstGrams)} of its own powder`,
        cost: `${units.mass(way.grams)} in all, weighed as the recipe; ${after}; slake, stir, sieve`,
        blocks,
        tap: 'It went in',
      };
    case 'otherBucket':
      return { what: `${first} of ${way.other.code}, at ${units.sg(way.other.sg)}`, cost: `${all} in all; ${after}; stir both first`, blocks };
    case 'evaporate':
      return { what: 'Leave the lid off', cost: `${all} of water leave in about ${howLong(way.minutes)}, a starting guess; stir daily`, blocks };
  }
}

function howLong(minutes: number): string {
  if (minutes < 90) return `${Math.round(minutes)} min`;
  if (minutes < 36 * 60) return `${Math.round(minutes / 60)} hours`;
  return `${Math.round(minutes / 60 / 24)} days`;
}
