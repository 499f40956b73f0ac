import { EIGHTY_PERCENT_Z } from '../coat/predict';
import type { BucketEvent } from './bucket-events';
import { applyBucketEvent, emptyBucket, standOf } from './replay-bucket';

export interface Drift {
  kind: 'ok';
  /** How much the SG rises a day by itself; below 0 when it falls. */
  perDay: number;
  /** Standard deviation of that. */
  perDaySd: number;
  /** Spells between two readings it rests on. */
  spells: number;
  /** False while the readings cannot tell it from standing still. */
  tells: boolean;
}

export type DriftAnswer = Drift | { kind: 'tooFewReadings'; spells: number };

const MS_PER_DAY = 86_400_000;
/** Readings closer together than this say more about the reading than about the water that left, days. */
const SHORTEST_SPELL_DAYS = 0.5;
/** A jug and a scoop are not exact: what they add to the spread of an SG after water or powder went in. */
const ADDITION_SD = 0.004;
const LEAST_SPELLS = 2;

/**
 * How fast a bucket thickens by itself: weighted least squares through nothing over its spells between two readings, each spell being what
 * a reading differs from what the records made of the one before it and everything poured in since. A starting lid or none is not asked:
 * the bucket's own readings say it.
 */
export function bucketDrift({ events }: { events: readonly BucketEvent[] }): DriftAnswer {
  let weightedRise = 0;
  let weightedDays = 0;
  let spells = 0;
  let last: { at: number; sd: number } | undefined;
  let touched = false;
  const undone = new Set(events.flatMap((event) => (event.type === 'undone' ? [event.eventId] : [])));
  const running = emptyBucket();
  for (const event of events) {
    if (event.type === 'undone' || undone.has(event.id)) continue;
    if (event.type === 'sgMeasured') {
      const at = Date.parse(event.at);
      const days = last ? (at - last.at) / MS_PER_DAY : 0;
      const book = last && days >= SHORTEST_SPELL_DAYS ? standOf(running) : undefined;
      if (last && book?.kind === 'ok') {
        const variance = event.sgSd ** 2 + last.sd ** 2 + (touched ? ADDITION_SD ** 2 : 0);
        weightedRise += ((event.sg - book.contents.sg) * days) / variance;
        weightedDays += days ** 2 / variance;
        spells += 1;
      }
      last = { at, sd: event.sgSd };
      touched = false;
    } else if (event.type !== 'glazeTaken' && event.type !== 'stirred' && event.type !== 'noted') touched = true;
    applyBucketEvent(running, event);
  }
  if (spells < LEAST_SPELLS) return { kind: 'tooFewReadings', spells };
  const perDay = weightedRise / weightedDays;
  const perDaySd = 1 / Math.sqrt(weightedDays);
  return { kind: 'ok', perDay, perDaySd, spells, tells: Math.abs(perDay) > 2 * perDaySd };
}

/** Days until a drifting bucket leaves its range, from a reading of some age; undefined when it does not drift that way. 80 % range. */
export function daysInRange(question: {
  drift: Drift;
  sg: number;
  ageDays: number;
  lowSg: number;
  highSg: number;
}): { days: number; leastDays: number; mostDays?: number } | undefined {
  const { drift, sg, ageDays, lowSg, highSg } = question;
  if (!drift.tells || sg < lowSg || sg > highSg) return undefined;
  const room = drift.perDay > 0 ? highSg - sg : sg - lowSg;
  const left = (perDay: number): number => Math.max(0, room / perDay - ageDays);
  const speed = Math.abs(drift.perDay);
  const slow = speed - EIGHTY_PERCENT_Z * drift.perDaySd;
  return {
    days: left(speed),
    leastDays: left(speed + EIGHTY_PERCENT_Z * drift.perDaySd),
    ...(slow > 0 ? { mostDays: left(slow) } : {}),
  };
}
