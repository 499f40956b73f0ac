import { requireNotNegative, requirePositive } from '../../checks/require';

/** What a dry coat does: nothing, hairlines, flakes off the one beneath, crawls in the fire, or dusts off. */
export type DryFault = 'powdery' | 'hairline' | 'flake' | 'crawl';

export interface DryCoatQuestion {
  coatMm: number;
  /** Shrink share per 100 g of its dry powder. */
  shrinkShare: number;
  /** The coat beneath, when there is one. */
  under?: { coatMm: number; shrinkShare: number };
}

export type CrackRemedy = 'swapAndWax' | 'gumBelow' | 'calcine' | 'thinner';

export interface DryCoatAdvice {
  fault: DryFault;
  because:
    | { rule: 'powdery'; shrinkShare: number }
    | { rule: 'shrinks'; shrinkShare: number; coatMm: number }
    | { rule: 'F2'; shrinkShare: number; coatMm: number }
    | { rule: 'F1'; upper: number; lower: number; worse: boolean };
  /** Remedies, cheapest first. */
  remedies: readonly CrackRemedy[];
}

/** An upper coat pulls the lower one off when it shrinks this much more, and the lower one shrinks less than this (F1). */
export const FLAKE_DIFFERENCE = 12;
const POWDERY_BELOW = 6;
const SHRINKS_ABOVE = 25;
/** On a thick coat, less clay already cracks. */
const SHRINKS_THICK_ABOVE = 18;
const THICK_COAT_MM = 0.7;
/** From this thickness on cracks are wide, and glaze draws back from them in the fire. */
const CRAWLS_ABOVE_MM = 1;
const FLAKES_WORSE_ABOVE_MM = 0.5;

/**
 * Returns whether an upper coat pulls the one beneath it off as it dries (rule F1).
 *
 * @param shares - `upper` and `lower`, shrink shares per 100 g
 * @example
 * flakesOff({ upper: 25, lower: 5 }) // true
 */
export const flakesOff = ({ upper, lower }: { upper: number; lower: number }): boolean =>
  upper - lower > FLAKE_DIFFERENCE && lower < FLAKE_DIFFERENCE;

/**
 * Returns what the coat will do as it dries, worst first. A coat rich in raw clay pulls a powdery one off the wall; a thick one of its own
 * crawls; one with little clay dusts off on the hands.
 *
 * @param question - `coatMm`, above 0; `shrinkShare`, per 100 g, 0 or more; `under`, the coat beneath
 * @throws PotterError for what lies outside
 * @example
 * dryCoatAdvice({ coatMm: 0.5, shrinkShare: 3 }).map(({ fault }) => fault) // ['powdery']
 */
export function dryCoatAdvice({ coatMm, shrinkShare, under }: DryCoatQuestion): DryCoatAdvice[] {
  requirePositive('coatMm', coatMm);
  requireNotNegative('shrinkShare', shrinkShare);
  const advice: DryCoatAdvice[] = [];
  if (under && flakesOff({ upper: shrinkShare, lower: under.shrinkShare })) {
    const because = { rule: 'F1', upper: shrinkShare, lower: under.shrinkShare, worse: coatMm > FLAKES_WORSE_ABOVE_MM } as const;
    advice.push({ fault: 'flake', because, remedies: ['thinner', 'gumBelow', 'swapAndWax', 'calcine'] });
  }
  const wholeMm = coatMm + (under?.coatMm ?? 0);
  if (wholeMm > CRAWLS_ABOVE_MM || shrinkShare > SHRINKS_ABOVE) {
    const remedies: CrackRemedy[] = shrinkShare > SHRINKS_THICK_ABOVE ? ['thinner', 'calcine'] : ['thinner'];
    const fault = wholeMm > CRAWLS_ABOVE_MM ? 'crawl' : 'hairline';
    advice.push({ fault, because: { rule: 'F2', shrinkShare, coatMm: wholeMm }, remedies });
  } else if (shrinkShare > SHRINKS_THICK_ABOVE && coatMm > THICK_COAT_MM) {
    advice.push({ fault: 'hairline', because: { rule: 'shrinks', shrinkShare, coatMm }, remedies: ['thinner', 'calcine'] });
  }
  if (shrinkShare < POWDERY_BELOW) advice.push({ fault: 'powdery', because: { rule: 'powdery', shrinkShare }, remedies: ['gumBelow'] });
  const rank: readonly DryFault[] = ['crawl', 'flake', 'hairline', 'powdery'];
  return advice.sort((a, b) => rank.indexOf(a.fault) - rank.indexOf(b.fault));
}
