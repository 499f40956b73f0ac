import { PotterError } from '../checks/potter-error';
import { firingFromPeak, peakForCone } from './simple-firing';
import { FLOW_ACTIVATION, flowRatio, type FiringPoint } from './heat-work';

/** How a kiln is let cool: a factor on the usual time. */
export const COOLINGS = { fast: 0.5, usual: 1, slow: 2 } as const;
export type Cooling = keyof typeof COOLINGS;

/** Where a piece stands: °C against the middle of the kiln. A guess until witness cones on a shelf say better. */
export const SHELF_PLACES = { cool: -8, middle: 0, hot: 8 } as const;
export type ShelfPlace = keyof typeof SHELF_PLACES;

/** A place further off than this is a broken kiln, °C. */
const MOST_PLACE_CELSIUS = 100;
/** Rise of the reference firing in hours, and its hold. */
const HOURS_UP = 8 + 100 / 60;
export const USUAL_HOLD_MINUTES = 10;
/** Flow figures are given for this cone. */
const FLOW_CONE = '6';

export interface FiringAsked {
  cone: string;
  holdMinutes?: number;
  cooling?: Cooling | undefined;
  place?: ShelfPlace | undefined;
  /** What is known of its place, °C against the middle of the kiln: it counts before `place`. */
  placeCelsius?: number | undefined;
}

/**
 * Returns how many times as much a glaze flows in a firing as in the usual one to cone 6, for which flow figures are told. Both are alike but
 * for peak, hold, cooling and place.
 *
 * @param firing - `cone`; `holdMinutes`, 0 or more, 10 when left out; `cooling`, `usual` when left out; `place`, `middle` when left out; `placeCelsius`
 * @throws PotterError for a cone that is not in the table, or one so low that nothing flows
 * @example
 * flowInFiring({ cone: '6' }) // 1
 */
export function flowInFiring({ cone, holdMinutes = USUAL_HOLD_MINUTES, cooling = 'usual', place = 'middle', placeCelsius }: FiringAsked): number {
  if (!(holdMinutes >= 0 && holdMinutes <= 600)) throw new PotterError('tooLarge', 'minutes', holdMinutes, 'A hold lasts between 0 and 600 minutes.');
  const moreCelsius = placeCelsius ?? SHELF_PLACES[place];
  if (!(Math.abs(moreCelsius) <= MOST_PLACE_CELSIUS))
    throw new PotterError(
      'tooLarge',
      'celsius',
      moreCelsius,
      `A place is at most ${MOST_PLACE_CELSIUS} °C hotter or colder than the middle of its kiln.`,
    );
  const fired = (to: string, hold: number, more: number, slower: number): FiringPoint[] => {
    const peakCelsius = peakForCone({ cone: to, hoursUp: HOURS_UP, holdMinutes: USUAL_HOLD_MINUTES }) + more;
    const curve = firingFromPeak({ peakCelsius, hoursUp: HOURS_UP, holdMinutes: hold });
    const held = HOURS_UP + hold / 60;
    return curve.map((point) => (point.hours > held ? { ...point, hours: held + (point.hours - held) * slower } : point));
  };
  return flowRatio({
    firing: fired(cone, holdMinutes, moreCelsius, COOLINGS[cooling]),
    reference: fired(FLOW_CONE, USUAL_HOLD_MINUTES, 0, 1),
    activationKjPerMol: FLOW_ACTIVATION,
  });
}
