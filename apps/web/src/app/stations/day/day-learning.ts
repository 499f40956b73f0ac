import { computed, type Signal } from '@angular/core';
import type { Day } from '@cazuela/contract';
import { EIGHTY_PERCENT_Z, laborOfDays, WAIT_LN_SD, waitsOfDays, withLearntLabor, withLearntWaits, type DayItem, type DayStep } from '@cazuela/core';

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
