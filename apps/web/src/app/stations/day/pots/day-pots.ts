import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { coatDeviation, SAFE_CHANCE, type DayStep } from '@cazuela/core';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { formatDayTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { percentOf } from '../../../parts/words/chance-words';
import { ErrorBanner } from '../../../ui/error-banner';
import { DayScreen } from '../day-screen';
import { deviationWords } from '../day-words';

/** The lots of the day, one by one, with what was done to each; and what the day took from its buckets. */
@Component({
  selector: 'cz-day-pots',
  imports: [ErrorBanner, MatButton, RouterLink],
  templateUrl: './day-pots.html',
  styleUrl: './day-pots.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayPots {
  protected readonly screen = inject(DayScreen);
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  protected readonly percentOf = percentOf;
  protected readonly safeChance = SAFE_CHANCE;
  protected readonly at = (time: string): string => formatDayTime(time, this.screen.nowAt());
  /** Plans as they are now: pots go on by the one they were put on the day with. */
  private readonly pieces = apiResource(() => this.api.pieces());
  protected readonly byLot = computed(() => {
    const state = this.screen.state();
    return (state?.standing.lots ?? []).map(({ item, open }) => ({
      item,
      steps: (state?.steps ?? []).filter((row) => row.item.id === item.id).map((row) => ({ ...row, end: state!.standing.ended.get(row.step.id) })),
      isBegun: open > 0,
      isOutdated: (this.pieces.value() ?? []).some(({ id, version }) => id === item.pieceId && version > (item.pieceVersion ?? version)),
      isSplit: !(this.screen.day()?.items ?? []).some(({ id }) => id === item.id),
    }));
  });
  /** Booked by the ticks of the day. */
  protected readonly used = computed(() => {
    const standing = this.screen.state()?.standing;
    const sums = new Map<string, number>();
    for (const { item } of standing?.lots ?? [])
      for (const { id, bucketName, glazeMl } of item.steps) {
        const end = standing!.ended.get(id);
        if (end && !end.skipped && bucketName && glazeMl) sums.set(bucketName, (sums.get(bucketName) ?? 0) + glazeMl * item.count);
      }
    return [...sums].map(([name, millilitres]) => `${name} ${this.units.litres(millilitres)}`).join(', ');
  });
  /** What other seconds than the planned ones made of the coat. */
  protected deviationOf({ coatMm, seconds: plannedSeconds }: DayStep, seconds: number): string {
    if (!coatMm || !plannedSeconds || seconds <= 0) return '';
    const made = coatDeviation({ plannedMm: coatMm, plannedSeconds, seconds });
    return made.verdict === 'asPlanned' ? '' : deviationWords(made, { plannedMm: coatMm, coat: (mm) => this.units.coat(mm) });
  }

  /** Left for another day, with the waits that go on meanwhile. */
  protected readonly left = computed(() => {
    const state = this.screen.state();
    return state ? state.totalCount - state.doneCount : 0;
  });
}
