import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { Sound } from '../../../data/devices/sound';
import { PreferencesStore } from '../../../data/state/preferences';
import { Checkbox } from '../../../ui/checkbox';
import { DayScreen } from '../day-screen';

const TONE_HERTZ = 660;
const TONE_SECONDS = 0.25;
const BUZZ_MS = 200;

/** A sound or a buzz when something is dry or a bucket wants stirring, for those who want it: silence is the default. */
@Component({
  selector: 'cz-day-signals',
  imports: [Checkbox],
  template: `
    <div class="row no-print">
      <cz-checkbox label="Sound when something is dry" [value]="preferences.value().daySound" (changed)="preferences.set({ daySound: $event })" />
      @if (canVibrate) {
        <cz-checkbox label="Vibrate" [value]="preferences.value().dayVibration" (changed)="preferences.set({ dayVibration: $event })" />
      }
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DaySignals {
  protected readonly preferences = inject(PreferencesStore);
  private readonly screen = inject(DayScreen);
  private readonly sound = new Sound();
  protected readonly canVibrate = typeof navigator.vibrate === 'function';
  /** What calls for hands now: lots that are dry, buckets that want stirring. */
  private readonly calls = computed(
    () => [
      ...(this.screen.state()?.drying ?? []).filter(({ dry }) => dry).map(({ item, afterStep }) => `dry ${item.id} ${afterStep.id}`),
      ...(this.screen.timetable()?.tasks ?? [])
        .filter(({ isBegun, step }) => isBegun && this.screen.buckets.ofStep(step)?.stir !== undefined)
        .map(({ step }) => `stir ${step.id}`),
    ],
    { equal: (a, b) => a.join() === b.join() },
  );
  private known: ReadonlySet<string> | undefined;

  constructor() {
    effect(() => {
      const calls = this.calls();
      const isNew = this.known !== undefined && calls.some((call) => !this.known!.has(call));
      this.known = new Set(calls);
      if (!isNew) return;
      const { daySound, dayVibration } = this.preferences.value();
      if (daySound) this.sound.tone(TONE_HERTZ, TONE_SECONDS);
      if (dayVibration && this.canVibrate) navigator.vibrate(BUZZ_MS);
    });
  }
}
