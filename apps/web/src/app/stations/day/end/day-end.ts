import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { daySummary, type OddCoat } from '@cazuela/core';
import { formatDayTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { DayScreen } from '../day-screen';
import { deviationWords } from '../day-words';

/** How a day ended: what was done, what it took out of the buckets, what it taught, and what is left with its waits. */
@Component({
  selector: 'cz-day-end',
  imports: [MatButton, RouterLink],
  templateUrl: './day-end.html',
  styleUrl: './day-end.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayEnd {
  protected readonly screen = inject(DayScreen);
  protected readonly units = inject(Units);
  protected readonly summary = computed(() => {
    const standing = this.screen.state()?.standing;
    return standing && daySummary(standing);
  });
  /** With what each bucket has left. */
  protected readonly buckets = computed(() =>
    (this.summary()?.buckets ?? []).map((used) => {
      const volumeMl = this.screen.buckets.find(used.bucketId)?.contents?.volumeMl;
      return { ...used, left: volumeMl === undefined ? '' : `${this.units.litres(volumeMl)} left` };
    }),
  );
  protected readonly learnt = computed(() => this.screen.learning.learntToday(this.screen.day()));
  protected readonly at = (time: string): string => formatDayTime(time, this.screen.nowAt());

  protected waits(readyAt: string | undefined): string {
    if (readyAt === undefined) return 'can be begun any time';
    return readyAt <= this.screen.nowAt() ? 'dry, can go on' : `dries until ${this.at(readyAt)}`;
  }

  protected oddWords({ step, deviation }: OddCoat): string {
    return deviationWords(deviation, { plannedMm: step.coatMm!, coat: (mm) => this.units.coat(mm) });
  }
}
