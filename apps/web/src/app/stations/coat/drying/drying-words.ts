import type { CrackRemedy, DryCoatAdvice, DryFault } from '@cazuela/core';
import type { Units } from '../../../data/units/units';

/** What happens, and what still helps afterwards. */
export const FAULT_WORDS: Record<DryFault, { name: string; what: string; after: string }> = {
  hairline: { name: 'Hairlines', what: 'Hairlines as it dries.', after: 'smear them shut with a finger, or glaze over them once dry.' },
  flake: {
    name: 'Flaking',
    what: 'It flakes off the coat beneath.',
    after: 'wash it all off, dry the piece and begin again: what lifts will not lie down.',
  },
  crawl: {
    name: 'Crawling',
    what: 'Wide cracks, and it crawls in the fire.',
    after: 'wide cracks crawl: wash it off; only fine ones can be rubbed in.',
  },
  powdery: { name: 'Powdery', what: 'It dusts off on the hands.', after: 'handle it little, and by the foot.' },
};

/** The remedies before the dip, and what each costs. */
export const REMEDY_WORDS: Record<CrackRemedy, { what: string; cost: string }> = {
  thinner: { what: 'Put on less', cost: 'nothing but colour and depth: look at its window' },
  gumBelow: { what: 'Gum in the powdery one, up to 30 mL of solution a litre', cost: 'that bucket dries slower and wants using up' },
  swapAndWax: { what: 'Clay-rich one first, wax it, then the other', cost: 'waxing by hand, 60 min of drying over glaze, a harder edge' },
  calcine: { what: 'Calcine part of the clay in the clay-rich one', cost: 'a bisque firing of the powder and a new batch; it settles sooner' },
};

/** Why, in figures. */
export function becauseWords(because: DryCoatAdvice['because'], units: Units): string {
  switch (because.rule) {
    case 'powdery':
      return `There is little clay in it (shrink share ${because.shrinkShare.toFixed(0)}, under 6): nothing binds the powder.`;
    case 'shrinks':
      return `It shrinks (share ${because.shrinkShare.toFixed(0)}, over 18) and ${units.coat(because.coatMm)} is thick for that.`;
    case 'F2':
      return because.coatMm > 1
        ? `${units.coat(because.coatMm)} in all is more than a coat holds together: it draws back from its cracks.`
        : `It is rich in clay (shrink share ${because.shrinkShare.toFixed(0)}, over 25) and cracks as it shrinks.`;
    case 'F1':
      return `It shrinks (share ${because.upper.toFixed(0)}) on a coat that is nearly dust (${because.lower.toFixed(0)}) and pulls it off${because.worse ? ', all the more at over half a millimetre' : ''}.`;
  }
}
