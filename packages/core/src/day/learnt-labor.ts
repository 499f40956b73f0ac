import { MINUTE_MS } from '../units/time';
import { workOf, type DayItem, type DayWork } from './day-plan';
import { dayStanding } from './day-standing';
import type { DayOfWaits } from './learnt-waits';

/** How people differ from the guess, and one spell of work from another, ln. Starting guesses. */
const PEOPLE_LN_SD = 0.3;
const SPELL_LN_SD = 0.25;
/** The guess of how spells scatter counts as much as so many of them. */
const SCATTER_SPELLS = 8;
/** A spell this many times the middle one had a telephone in it. */
const MOST_TIMES = 3;
/** A tick sooner than this share of the guess was made for a step that was done before. */
const LEAST_SHARE = 0.15;

/**
 * What ticks taught of labor: for a kind of work, how many times the guess it takes here, how one spell of it scatters (sd of ln), and from
 * how many spells.
 */
export type LaborKnowledge = ReadonlyMap<DayWork, LearntLabor>;

export interface LearntLabor {
  factor: number;
  lnSd: number;
  spells: number;
}

/**
 * Returns how labor of each kind of work differs from its guess here: from one tick of a person to their next one is a spell of work. Spells over
 * three times the middle one are left out. Maximum a posteriori, ln factor normal about 0.
 *
 * @param days - with their events in any order
 * @example
 * laborOfDays([]).size // 0
 */
export function laborOfDays(days: readonly DayOfWaits[]): LaborKnowledge {
  const spells = new Map<DayWork, number[]>();
  for (const { items, events } of days) {
    const { lots, ended } = dayStanding({ items, events });
    const seen = new Set<string>();
    for (const { item } of lots)
      for (const step of item.steps) {
        const [end, work] = [ended.get(step.id), workOf(step)];
        if (!end || end.skipped || !work || seen.has(end.eventId) || !Number.isFinite(end.sinceMs) || step.laborSeconds <= 0 || item.count === 0)
          continue;
        seen.add(end.eventId);
        const minutes = (Date.parse(end.at) - end.sinceMs) / MINUTE_MS;
        const share = minutes / ((step.laborSeconds * item.count) / 60);
        if (share >= LEAST_SHARE) spells.set(work, [...(spells.get(work) ?? []), share]);
      }
  }
  return new Map([...spells].map(([work, shares]) => [work, learnt(shares)]));
}

function learnt(shares: number[]): LearntLabor {
  const sorted = [...shares].sort((a, b) => a - b);
  const middle = sorted[Math.floor((sorted.length - 1) / 2)]!;
  const kept = sorted.filter((share) => share <= MOST_TIMES * middle);
  const weight = 1 / SPELL_LN_SD ** 2;
  const mean = (weight * kept.reduce((sum, share) => sum + Math.log(share), 0)) / (kept.length * weight + 1 / PEOPLE_LN_SD ** 2);
  const squares = kept.reduce((sum, share) => sum + (Math.log(share) - mean) ** 2, SCATTER_SPELLS * SPELL_LN_SD ** 2);
  return { factor: Math.exp(mean), lnSd: Math.sqrt(squares / (SCATTER_SPELLS + kept.length)), spells: kept.length };
}

/**
 * Returns lots with the labor that was learnt, where anything was learnt of that kind of work.
 *
 * @param items - lots of one day
 * @param known - from `laborOfDays`
 * @example
 * withLearntLabor([], laborOfDays([])) // []
 */
export const withLearntLabor = (items: readonly DayItem[], known: LaborKnowledge): DayItem[] =>
  items.map((item) => ({
    ...item,
    steps: item.steps.map((step) => {
      const work = workOf(step);
      const factor = work === undefined ? undefined : known.get(work)?.factor;
      return factor === undefined ? step : { ...step, laborSeconds: Number((step.laborSeconds * factor).toFixed(1)) };
    }),
  }));
