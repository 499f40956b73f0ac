import { computed, type Signal } from '@angular/core';
import type { Day } from '@cazuela/contract';
import {
  EIGHTY_PERCENT_Z,
  laborOfDays,
  learntScatter,
  type StepScatter,
  WAIT_LN_SD,
  waitsOfDays,
  withLearntLabor,
  withLearntWaits,
  type DayItem,
  type DayStep,
} from '@cazuela/core';
import { WORK_WORDS } from './day-words';

/** Today’s waits are called slower or faster from here on. */
const OTHER_PACE = 1.1;

/** What the studio's taps and ticks taught of waits and labor, all days together. */
export class DayLearning {
  constructor(
    private readonly days: Signal<readonly Day[]>,
    private readonly date: Signal<string>,
  ) {}

  private readonly waits = computed(() => waitsOfDays(this.days()));
  private readonly labor = computed(() => laborOfDays(this.days()));
  /** How many spells of work taught its labor. */
  readonly laborSpells = computed(() => [...this.labor().values()].reduce((sum, { spells }) => sum + spells, 0));

  /** The lots of a day with waits and labor as they are known. */
  itemsOf({ items, date }: Pick<Day, 'items' | 'date'>): DayItem[] {
    return withLearntLabor(withLearntWaits(items, this.waits(), date), this.labor());
  }

  /** How sure labor and waits of these lots are, by step. */
  scatterOf(items: readonly DayItem[], date: string): Map<string, StepScatter> {
    return learntScatter(items, { waits: this.waits(), labor: this.labor(), date });
  }

  /** What this day's own taps and ticks taught, in sentences. */
  learntToday(day: Day | undefined): string[] {
    if (!day) return [];
    const own = waitsOfDays([day]);
    const seen = new Set<string>();
    const waits = this.itemsOf(day).flatMap(({ steps, clayBodyId }) =>
      steps.flatMap((step) => {
        const key = `${step.bucketId} ${clayBodyId}`;
        if (!step.bucketId || own.tapsOf(step.bucketId) === 0 || step.waitMinutes === 0 || seen.has(key)) return [];
        seen.add(key);
        return this.waitGround(step, clayBodyId) || [];
      }),
    );
    const labor = [...laborOfDays([day])].map(([work]) => {
      const { factor, spells } = this.labor().get(work)!;
      const times = Math.round(100 * factor);
      return `To ${WORK_WORDS[work]} takes ${times} % of its starting guess here, from ${spells} ${spells === 1 ? 'spell' : 'spells'} of work.`;
    });
    return [...waits, ...labor];
  }

  /** What a wait stands on, where thumbs taught it; empty where it is a guess. */
  waitGround({ bucketId, bucketName, waitMinutes }: DayStep, clayBodyId: string | undefined): string {
    const known = this.waits();
    if (!bucketId || known.tapsOf(bucketId) === 0) return '';
    const of = (date: string): { minutes: number; sdLn: number } => known.of({ glaze: bucketId, body: clayBodyId ?? '', day: date, guessMinutes: 1 });
    const [today, usual] = [of(this.date()), of('')];
    const spread = Math.exp(EIGHTY_PERCENT_Z * Math.hypot(today.sdLn, WAIT_LN_SD));
    const pace =
      today.minutes > OTHER_PACE * usual.minutes
        ? '; today slower than usual'
        : today.minutes < usual.minutes / OTHER_PACE
          ? '; today faster than usual'
          : '';
    const taps = known.tapsOf(bucketId);
    const range = `${Math.round(waitMinutes / spread)}–${Math.round(waitMinutes * spread)}`;
    return `${bucketName ?? 'This glaze'} dries in ${Math.round(waitMinutes)} min here (${range}), from ${taps} ${taps === 1 ? 'tap' : 'taps'}${pace}.`;
  }
}
