import { requirePositive } from '../checks/require';
import { filmCoatMm } from '../coat/prediction/dip-coat';

/** What another time in the glaze made of a planned coat. */
export interface CoatDeviation {
  coatMm: number;
  /** Of the planned coat. */
  ratio: number;
  verdict: 'asPlanned' | 'thinner' | 'thicker' | 'muchThicker';
}

/** What clings at once, of a usual slurry, mm of dry coat. */
const FILM_COAT_MM = filmCoatMm({ filmMm: 0.15, solidsByVolume: 0.28, packing: 0.5 });
/** A coat within this of the plan is as planned: hands scatter as much. */
const SAME_SHARE = 0.12;
/** From here on it may run further or crawl. */
const MUCH_SHARE = 0.35;

/**
 * Returns the coat that other seconds in the same bucket gave: the cake on the wall grows with the square root of time, over the film that clings at
 * once. It stands on the plan's own coat and seconds, not on a measured tile.
 *
 * Source: science §2, coat = film + k √t, with k from the plan.
 *
 * @param question - `plannedMm` for `plannedSeconds`, both above 0; `seconds` that were timed or typed, above 0
 * @throws PotterError for what is not above 0
 * @example
 * coatDeviation({ plannedMm: 0.6, plannedSeconds: 4, seconds: 4 }).verdict // 'asPlanned'
 */
export function coatDeviation({ plannedMm, plannedSeconds, seconds }: { plannedMm: number; plannedSeconds: number; seconds: number }): CoatDeviation {
  const filmMm = Math.min(FILM_COAT_MM, requirePositive('coatMm', plannedMm));
  const grown = (plannedMm - filmMm) / Math.sqrt(requirePositive('seconds', plannedSeconds));
  const coatMm = filmMm + grown * Math.sqrt(requirePositive('seconds', seconds));
  const ratio = coatMm / plannedMm;
  const verdict = ratio > 1 + MUCH_SHARE ? 'muchThicker' : ratio > 1 + SAME_SHARE ? 'thicker' : ratio < 1 - SAME_SHARE ? 'thinner' : 'asPlanned';
  return { coatMm, ratio, verdict };
}
