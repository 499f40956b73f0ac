import type { FiringPoint } from '../../melt/heat-work';
import { USUAL_PACE, type KilnPace } from '../firing/schedule';
import { GAP_SECONDS } from './log-reading';

/** What a firing can have been at least and at most, where nobody read it. */
export interface UnreadBounds {
  least: FiringPoint[];
  most: FiringPoint[];
  /** Hours of which nobody knows. */
  unreadHours: number;
}

const GAP_HOURS = GAP_SECONDS / 3_600;

/**
 * Returns the coolest and the hottest curve through what was read: between two readings far apart the kiln may have waited first and then hurried,
 * or hurried first and then waited, as fast as it goes up, and falling no faster than by itself. The heat-work of the firing lies between theirs.
 *
 * @param log - readings in order of time
 * @param pace - of the kiln
 * @param hottestWanted - it is taken to go no hotter than this or than it was read, °C
 * @example
 * unreadBounds([{ hours: 0, celsius: 20 }, { hours: 0.1, celsius: 30 }]).unreadHours // 0
 */
export function unreadBounds(log: readonly FiringPoint[], pace: KilnPace = USUAL_PACE, hottestWanted = 0): UnreadBounds {
  const hottest = log.reduce((most, { celsius }) => Math.max(most, celsius), hottestWanted);
  const bounds: UnreadBounds = { least: log.slice(0, 1), most: log.slice(0, 1), unreadHours: 0 };
  for (let at = 1; at < log.length; at++) {
    const [a, b] = [log[at - 1]!, log[at]!];
    if (b.hours - a.hours > GAP_HOURS) {
      bounds.unreadHours += b.hours - a.hours;
      bounds.least.push(...meeting(a, b, pace, 'least', hottest));
      bounds.most.push(...meeting(a, b, pace, 'most', hottest));
    }
    bounds.least.push(b);
    bounds.most.push(b);
  }
  return bounds;
}

/** Where falling from one reading meets rising to the next, or rising from one meets falling to the next; none where that cannot be. */
function meeting(a: FiringPoint, b: FiringPoint, pace: KilnPace, which: 'least' | 'most', hottest: number): FiringPoint[] {
  const hours = b.hours - a.hours;
  const up = pace.fastestCelsiusPerHour;
  // The fall of a hot kiln at the hotter end: nothing falls faster by itself.
  const down = Math.max(1, (Math.max(a.celsius, b.celsius) - pace.roomCelsius) / pace.coolingHours);
  const [first, then] = which === 'most' ? [up, -down] : [-down, up];
  // a + first·x = b − then·(hours − x)
  const after = (b.celsius - a.celsius - then * hours) / (first - then);
  if (!(after > 0 && after < hours)) return [];
  const celsius = a.celsius + first * after;
  if (celsius <= hottest && celsius >= pace.roomCelsius) return [{ hours: a.hours + after, celsius }];
  // It stays at the hottest, or at the room, between coming there and leaving it.
  const stays = Math.min(hottest, Math.max(pace.roomCelsius, celsius));
  return [
    { hours: a.hours + (stays - a.celsius) / first, celsius: stays },
    { hours: b.hours - (b.celsius - stays) / then, celsius: stays },
  ];
}
