import { flowInFiring } from '../melt/kiln-place';
import { USUAL_CONE, type PiecePlan } from '../plan/piece-plan';

/** Ratios that were computed, because a drag asks for the same one many times a second and each takes milliseconds. */
const known = new Map<string, number>();
const MOST_KNOWN = 200;

/**
 * Returns how many times as much a glaze flows in the firing of a plan as in the usual one to cone 6.
 *
 * @param plan - `cone` and `firing`
 * @throws PotterError for a cone that is not in the table, or a hold no kiln has
 * @example
 * firingRatioOf({}) // 1
 */
export function firingRatioOf({ cone = USUAL_CONE, firing = {} }: Pick<PiecePlan, 'cone' | 'firing'>): number {
  const { holdMinutes, cooling, place, placeCelsius } = firing;
  const key = [cone, holdMinutes, cooling, place, placeCelsius].join(' ');
  const ratio = known.get(key) ?? flowInFiring({ cone, ...(holdMinutes === undefined ? {} : { holdMinutes }), cooling, place, placeCelsius });
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, ratio);
  return ratio;
}
