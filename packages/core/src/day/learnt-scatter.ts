import { WAIT_LN_SD, type WaitKnowledge } from '../learning/wait-learning';
import { workOf, type DayItem } from './day-plan';
import type { LaborKnowledge } from './learnt-labor';
import { isTaught } from './learnt-waits';
import type { StepScatter } from './shortest/day-question';

/** A wait that is learnt is never less sure than the guess it began with, sd of ln. */
const MOST_WAIT_LN_SD = 0.35;

/**
 * Returns how labor and waits of steps scatter, by id, where taps and ticks taught it; all else scatters as the starting guess does.
 *
 * @param items - lots of one day
 * @param known - what was learnt of waits and labor, and the day's date
 * @example
 * learntScatter([], { waits: waitsOfDays([]), labor: laborOfDays([]), date: '2026-03-01' }).size // 0
 */
export function learntScatter(
  items: readonly DayItem[],
  { waits, labor, date }: { waits: WaitKnowledge; labor: LaborKnowledge; date: string },
): Map<string, StepScatter> {
  const scatter = new Map<string, StepScatter>();
  for (const { steps, clayBodyId = '' } of items)
    for (const step of steps) {
      const work = workOf(step);
      const laborLnSd = work === undefined ? undefined : labor.get(work)?.lnSd;
      const waitLnSd = isTaught(step, waits)
        ? Math.min(MOST_WAIT_LN_SD, Math.hypot(WAIT_LN_SD, waits.of({ glaze: step.bucketId!, body: clayBodyId, day: date, guessMinutes: 1 }).sdLn))
        : undefined;
      if (laborLnSd !== undefined || waitLnSd !== undefined) scatter.set(step.id, { laborLnSd, waitLnSd });
    }
  return scatter;
}
