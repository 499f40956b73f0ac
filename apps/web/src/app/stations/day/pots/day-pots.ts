import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { SAFE_CHANCE, stepDeviation, type DayStep, type StepEnd } from '@cazuela/core';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { formatDayTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { percentOf } from '../../../parts/words/chance-words';
import { ErrorBanner } from '../../../ui/error-banner';
import { DayScreen } from '../day-screen';
import { deviationWords, SIGHT_WORDS, WORK_WORDS } from '../day-words';

/** The lots of the day, one by one, with what was done to each. */
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
  /** What was timed, weighed and changed of a step, and what it made of the coat. */
  protected doneWords(step: DayStep, { done }: StepEnd): string {
    if (!done) return '';
    const { seconds, method, isTouchedUp, seen = [], pieces = [] } = done;
    const timed = pieces.filter((piece) => piece.seconds !== undefined).length;
    const weighed = pieces.filter((piece) => piece.beforeGrams !== undefined && piece.afterGrams !== undefined).length;
    const deviation = stepDeviation(step, done);
    const isOdd = deviation && deviation.verdict !== 'asPlanned';
    const words = [
      ...(seconds === undefined ? [] : [`${this.units.seconds(seconds)} timed${timed > 1 ? ` (${timed} pieces)` : ''}`]),
      ...(method === undefined ? [] : [`done otherwise: ${WORK_WORDS[method]}`]),
      ...(weighed === 0 ? [] : [`${weighed} weighed`]),
      ...(isTouchedUp ? ['prints touched up'] : []),
      ...seen.map((sight) => SIGHT_WORDS[sight].toLowerCase()),
    ].join(', ');
    return [
      ...(words ? [`${words}.`] : []),
      ...(isOdd ? [deviationWords(deviation, { plannedMm: step.coatMm!, coat: (mm) => this.units.coat(mm) })] : []),
    ].join(' ');
  }

  /** Left for another day, with the waits that go on meanwhile. */
  protected readonly left = computed(() => {
    const state = this.screen.state();
    return state ? state.totalCount - state.doneCount : 0;
  });
}
