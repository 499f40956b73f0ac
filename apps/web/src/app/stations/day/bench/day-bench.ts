import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { SOMEBODY, type DayStep, type TimetableTask } from '@cazuela/core';
import { Keys } from '../../../data/devices/keys';
import { StudioStore } from '../../../data/state/studio-store';
import { formatDayTime, formatTime, formatWait } from '../../../data/units/times';
import { CodeCheck } from '../../../parts/code-check';
import { DayScreen } from '../day-screen';
import { STIR_WORDS } from '../day-words';
import { FullScreen } from '../../../ui/full-screen';
import { keepAwake } from '../../../data/devices/wake-lock';
import { DaySignals } from './day-signals';
import { HappenedPanel } from './happened-panel';
import { NowStep } from './now-step';

/** "Not dry yet" adds this wait, minutes. */
const LONGER_MINUTES = 10;
const NEXT_SHOWN = 5;
/** What begins within so long is for the hands now, ms. */
const SOON_MS = 30_000;

/** What the hands of whoever is at this device do now, what comes next, what dries, and where the others are. */
@Component({
  selector: 'cz-day-bench',
  imports: [CodeCheck, DaySignals, FullScreen, HappenedPanel, MatButton, NowStep, RouterLink],
  templateUrl: './day-bench.html',
  styleUrl: './day-bench.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayBench {
  protected readonly screen = inject(DayScreen);
  private readonly store = inject(StudioStore);
  /** One line fills the screen, for hands that are wet. */
  protected readonly isFull = signal(false);
  protected readonly time = formatTime;
  protected readonly longer = LONGER_MINUTES;
  private readonly tasks = computed(() => this.screen.timetable()?.tasks ?? []);
  protected readonly people = computed(() => [...new Set(this.tasks().map(({ person }) => person))]);
  /** Who is at this device, as the plan names them; the only one there, where nobody is named. */
  protected readonly me = computed(() => {
    const named = this.screen.planning().people.map(({ name }) => name);
    if (named.length === 0) return this.people()[0] ?? SOMEBODY;
    return named.includes(this.screen.by()) ? this.screen.by() : undefined;
  });
  protected readonly named = computed(() => this.screen.planning().people.map(({ name }) => name));
  private readonly mine = computed(() => this.tasks().filter(({ person }) => person === this.me()));
  private readonly nowMs = computed(() => Date.parse(this.screen.nowAt()));
  /** The step for these hands now; undefined while they are free. */
  protected readonly now = computed(() => {
    const first = this.mine()[0];
    return first && (first.isBegun || (this.isSoon(first.fetchFromAt) && this.isReady(first.item.id))) ? first : undefined;
  });
  /** Its bucket is fetched, drilled up and checked while its pots still dry. */
  protected readonly fetching = computed(() => {
    const first = this.mine()[0];
    return !this.now() && first?.step.bucketId !== undefined && this.isSoon(first.fetchFromAt) ? first : undefined;
  });
  protected readonly next = computed(() => {
    const mine = this.mine();
    return (this.now() ? mine.slice(1) : mine).slice(0, NEXT_SHOWN);
  });
  /** While hands are free: what could be begun all the same. */
  protected readonly couldDo = computed(() => {
    if (this.now()) return [];
    const taken = new Set(this.tasks().flatMap(({ isBegun, step }) => (isBegun && step.bucketId ? [step.bucketId] : [])));
    return (this.screen.state()?.steps ?? [])
      .filter(({ state, step }) => state === 'ready' && !this.screen.state()!.standing.begun.has(step.id) && !taken.has(step.bucketId ?? ''))
      .slice(0, 3);
  });
  protected readonly others = computed(() =>
    this.people()
      .filter((person) => person !== this.me())
      .map((person) => {
        const task = this.tasks().find((one) => one.person === person)!;
        const isNow = task.isBegun || this.isSoon(task.fetchFromAt);
        const stir = isNow && task.step.bucketId ? this.screen.buckets.ofStep(task.step)?.stir : undefined;
        return { person, task, isNow, stir, from: formatDayTime(task.startAt, this.screen.nowAt()) };
      }),
  );
  /** Drying soonest first; the bar shortens with the wait. */
  protected readonly drying = computed(() => {
    const nowAt = this.screen.nowAt();
    return (this.screen.state()?.drying ?? [])
      .map((entry) => ({
        ...entry,
        left: formatWait(entry.untilAt, nowAt),
        share: this.shareLeft(entry.untilAt, entry.afterStep.waitMinutes),
      }))
      .sort((a, b) => a.untilAt.localeCompare(b.untilAt));
  });
  protected readonly isOver = computed(() => {
    const state = this.screen.state();
    return state !== undefined && state.totalCount > 0 && state.doneCount === state.totalCount;
  });
  /** The bucket that is fetched meanwhile: its code is read before anything is dipped. */
  protected readonly bucketNow = computed(() => {
    const step = this.fetching()?.step;
    return step?.bucketId ? this.screen.buckets.ofStep(step) : undefined;
  });
  protected readonly allBuckets = computed(() => this.screen.buckets.all());
  protected readonly stirWords = STIR_WORDS;
  protected readonly at = (time: string): string => formatDayTime(time, this.screen.nowAt());

  constructor() {
    keepAwake();
    inject(Keys).bind([
      { keys: ['f'], words: 'fill the screen with the step', run: () => this.isFull.update((full) => !full) },
      { keys: ['backspace', 'u'], words: 'take the last tick back', run: () => this.undo() },
    ]);
  }

  private isSoon(at: string): boolean {
    return Date.parse(at) <= this.nowMs() + SOON_MS;
  }

  private isReady(itemId: string): boolean {
    const lot = this.screen.state()?.standing.lots.find(({ item }) => item.id === itemId);
    return lot !== undefined && lot.readyMs <= this.nowMs();
  }

  protected iAm(name: string): void {
    this.store.choose(name);
  }

  /** The step after which a lot dries. */
  protected waitsFor(itemId: string): DayStep | undefined {
    return this.screen.state()?.drying.find(({ item }) => item.id === itemId)?.afterStep;
  }

  /** Felt by a thumb: the next step may begin, with all that comes before it. */
  protected dry(step: DayStep): void {
    this.screen.note('Dry', { type: 'feltDry', stepId: step.id });
  }

  protected notDry(step: DayStep): void {
    this.screen.note(`${LONGER_MINUTES} min more to dry`, { type: 'notDryYet', stepId: step.id, minutes: LONGER_MINUTES });
  }

  /** The others see who is at it, and leave it. */
  protected take(step: DayStep): void {
    this.screen.note(`Begun: ${step.words}`, { type: 'stepBegun', stepId: step.id });
  }

  protected undo(): void {
    const eventId = this.screen.state()?.lastUndoable;
    if (eventId) this.screen.takeBack(eventId);
  }

  protected readCode(bucketId: string): void {
    this.screen.buckets.note(bucketId, { type: 'codeRead' });
  }

  /** From when its bucket may be fetched, where that is a while before. */
  protected fetchWords({ fetchFromAt, startAt }: TimetableTask): string {
    return Date.parse(startAt) - Date.parse(fetchFromAt) > SOON_MS ? `fetch from ${formatTime(fetchFromAt)}` : '';
  }

  private shareLeft(untilAt: string, waitMinutes: number): number {
    const leftMinutes = (Date.parse(untilAt) - this.nowMs()) / 60_000;
    return waitMinutes > 0 ? Math.min(100, Math.max(0, (100 * leftMinutes) / waitMinutes)) : 0;
  }
}
