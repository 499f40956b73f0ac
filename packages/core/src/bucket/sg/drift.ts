import { DAY_MS } from '../../units/time';
import { emptyBucket, runningSg } from '../events/bucket-contents';
import type { BucketEvent } from '../events/bucket-events';
import { standingEvents } from '../../events/event-order';
import { ExposureClock, exposureOf, type Lid } from '../care/lid';
import { applyBucketEvent } from '../events/replay-bucket';
import { EIGHTY_PERCENT_Z } from '../../math/normal';

export interface Drift {
  kind: 'ok';
  /** How much the SG rises in a day by itself, in open days where the lid is known; below 0 when it falls. */
  perDay: number;
  /** Standard deviation of that. */
  perDaySd: number;
  /** Spells between two readings it rests on. */
  spells: number;
  /** Whether it is for a day without a lid; else for a day as the bucket always stood, nobody said how. */
  byLid: boolean;
  /** False while the readings cannot tell it from 0. */
  tells: boolean;
}

export type DriftAnswer = Drift | { kind: 'tooFewReadings'; spells: number };

/** Readings closer together say more about the reading than about lost water, days. */
const SHORTEST_SPELL_DAYS = 0.5;
/** A jug and a scoop are not exact: sd that an addition of water or powder adds to the SG. */
const ADDITION_SD = 0.004;
const LEAST_SPELLS = 2;
/** Events that leave the SG as it is. */
const QUIET = new Set<BucketEvent['type']>([
  'glazeTaken',
  'stirred',
  'noted',
  'swirlTimed',
  'stateTold',
  'flowTimed',
  'dripsCounted',
  'nailLooked',
  'dropsAdded',
  'lidSet',
  'codeRead',
  'contaminated',
  'volumeMeasured',
]);

/** Sums of a least squares line through 0. */
interface Spells {
  rise: number;
  days: number;
  count: number;
}

/**
 * Returns how fast a bucket thickens by itself: weighted least squares through 0 over the spells between two readings. A spell is what a
 * reading differs from what the records made of the one before it and of everything poured in since. Where enough spells have a known lid, they
 * count alone, in days without a lid; until then those of which nobody said how the lid stood keep what they taught.
 *
 * @param question - `events` of the bucket, in any order
 * @example
 * bucketDrift({ events: [] }) // { kind: 'tooFewReadings', spells: 0 }
 */
export function bucketDrift({ events }: { events: readonly BucketEvent[] }): DriftAnswer {
  const told: Spells = { rise: 0, days: 0, count: 0 };
  const untold: Spells = { rise: 0, days: 0, count: 0 };
  let last: { atMs: number; sd: number } | undefined;
  let touched = false;
  const clock = new ExposureClock();
  const running = emptyBucket();
  for (const event of standingEvents(events)) {
    if (event.type === 'lidSet') clock.setLid(event.lid, Date.parse(event.at));
    if (event.type === 'sgMeasured') {
      const atMs = Date.parse(event.at);
      const { openDays, lidTold } = clock.read(atMs);
      const longEnough = last !== undefined && atMs - last.atMs >= SHORTEST_SPELL_DAYS * DAY_MS;
      const bookSg = longEnough && lidTold !== 'some' ? runningSg(running) : undefined;
      if (last && bookSg !== undefined) {
        const variance = event.sgSd ** 2 + last.sd ** 2 + (touched ? ADDITION_SD ** 2 : 0);
        const spells = lidTold === 'all' ? told : untold;
        spells.rise += ((event.sg - bookSg) * openDays) / variance;
        spells.days += openDays ** 2 / variance;
        spells.count += 1;
      }
      // A spell is between what the readings themselves said, not between what the records made of two of them.
      running.sgSd = undefined;
      applyBucketEvent(running, event);
      last = { atMs, sd: running.sgSd ?? event.sgSd };
      clock.restart(atMs);
      touched = false;
    } else {
      if (!QUIET.has(event.type)) touched = true;
      applyBucketEvent(running, event);
    }
  }
  const byLid = isEnough(told);
  const { rise, days, count } = byLid ? told : untold;
  if (!isEnough({ rise, days, count })) return { kind: 'tooFewReadings', spells: Math.max(told.count, untold.count) };
  const perDay = rise / days;
  const perDaySd = 1 / Math.sqrt(days);
  return { kind: 'ok', perDay, perDaySd, spells: count, byLid, tells: Math.abs(perDay) > 2 * perDaySd };
}

const isEnough = ({ days, count }: Spells): boolean => count >= LEAST_SPELLS && days > 0;

export interface DaysInRange {
  days: number;
  leastDays: number;
  /** Left out when it may never leave the range. */
  mostDays?: number;
}

/**
 * Returns the days until a drifting bucket leaves its range, with an 80 % range; undefined when it does not drift that way.
 *
 * @param question - `drift`, change of the SG a day and its sd; `sg`, and its age in days; the range; `lid`, how it stands
 * @example
 * daysInRange({ drift: { perDay: 0.005, perDaySd: 0.001 }, sg: 1.45, ageDays: 1, lowSg: 1.43, highSg: 1.47 }).days // 3
 */
export function daysInRange(question: {
  drift: Pick<Drift, 'perDay' | 'perDaySd'>;
  sg: number;
  ageDays: number;
  lowSg: number;
  highSg: number;
  lid?: Lid | undefined;
}): DaysInRange | undefined {
  const { drift, sg, ageDays, lowSg, highSg, lid } = question;
  const tells = Math.abs(drift.perDay) > 2 * drift.perDaySd;
  if (!tells || sg < lowSg || sg > highSg) return undefined;
  const room = drift.perDay > 0 ? highSg - sg : sg - lowSg;
  const left = (perDay: number): number => Math.max(0, room / (perDay * exposureOf(lid)) - ageDays);
  const speed = Math.abs(drift.perDay);
  const slow = speed - EIGHTY_PERCENT_Z * drift.perDaySd;
  return {
    days: left(speed),
    leastDays: left(speed + EIGHTY_PERCENT_Z * drift.perDaySd),
    ...(slow > 0 ? { mostDays: left(slow) } : {}),
  };
}
