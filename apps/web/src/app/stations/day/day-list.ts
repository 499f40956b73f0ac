import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { SAFE_CHANCE, type DayStep } from '@cazuela/core';
import { Keys } from '../../data/devices/keys';
import { NOW } from '../../data/state/clock';
import { formatDate, formatTime, formatWait, localDay } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { percentOf } from '../../parts/words/chance-words';
import { CodeCheck } from '../../parts/code-check';
import { NumberField } from '../../ui/number-field';
import { DayScreen } from './day-screen';
import { DateField } from '../../ui/date-field';
import { ResourceState } from '../../ui/resource-state';
import { ErrorBanner } from '../../ui/error-banner';
import { EmptyState } from '../../ui/empty-state';
import { RecordMenu } from '../../parts/records/record-menu';
import { PutAwayNote } from '../../parts/records/put-away-note';
import { Address, titleOf } from '../../data/state/address';

/** "Not dry yet" adds this wait, minutes. */
const LONGER_MINUTES = 10;
const NEXT_SHOWN = 6;

@Component({
  selector: 'cz-day-list',
  imports: [CodeCheck, DateField, EmptyState, ErrorBanner, MatButton, MatIcon, NumberField, PutAwayNote, RecordMenu, ResourceState, RouterLink],
  providers: [DayScreen],
  templateUrl: './day-list.html',
  styleUrl: './day-list.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayList {
  /** From the address: the day. */
  readonly date = input<string>();
  protected readonly screen = inject(DayScreen);
  protected readonly units = inject(Units);
  private readonly address = inject(Address);
  protected readonly seconds = signal<number | null>(null);
  private readonly now = inject(NOW);
  /** An address that names no day says so; today is shown. */
  protected readonly oddDate = computed(() => {
    const date = this.date();
    return date && !isDay(date) ? `“${date.slice(0, 20)}” is no day: today is shown.` : undefined;
  });
  protected readonly time = formatTime;
  protected readonly percentOf = percentOf;
  protected readonly safeChance = SAFE_CHANCE;
  protected readonly longer = LONGER_MINUTES;
  protected readonly title = computed(() => formatDate(`${this.screen.date()}T12:00:00`));
  protected readonly next = computed(() => this.screen.state()?.next.slice(0, NEXT_SHOWN) ?? []);
  /** Drying soonest first; the bar shortens with the wait. */
  protected readonly drying = computed(() => {
    const nowAt = this.screen.nowAt();
    return (this.screen.state()?.drying ?? [])
      .map((entry) => ({
        ...entry,
        left: formatWait(entry.untilAt, nowAt),
        share: this.shareLeft(entry.untilAt, entry.afterStep.waitMinutes, nowAt),
      }))
      .sort((a, b) => a.untilAt.localeCompare(b.untilAt));
  });
  protected readonly byPiece = computed(() => {
    const state = this.screen.state();
    return (this.screen.day()?.items ?? []).map((item) => {
      const steps = state?.steps.filter((step) => step.item.id === item.id) ?? [];
      return { item, steps, isBegun: steps.some((step) => step.state === 'done' || step.state === 'skipped') };
    });
  });
  protected readonly isOver = computed(() => {
    const state = this.screen.state();
    return state !== undefined && state.totalCount > 0 && state.doneCount === state.totalCount;
  });

  /** The bucket the next step goes into: read its code, stir it, before anything is dipped. */
  protected readonly bucketNow = computed(() => {
    const step = this.screen.state()?.now?.step;
    return step?.bucketId ? this.screen.bucketOf(step) : undefined;
  });
  protected readonly allBuckets = computed(() => this.screen.all.value()?.buckets ?? []);
  protected readonly mayGoOn = computed(() => this.bucketNow()?.codeRead ?? true);
  protected readonly stirWords = { piece: 'before every piece', while: 'every ten minutes or so', nowAndThen: 'now and then' };

  constructor() {
    titleOf(() => this.title());
    effect(() => {
      const date = this.date();
      untracked(() => this.screen.date.set(date && isDay(date) ? date : localDay(this.now())));
    });
    inject(Keys).bind([
      { keys: [' ', 'enter'], words: 'done: tick the step', run: () => this.done() },
      { keys: ['s'], words: 'skip the step', run: () => this.skip() },
      { keys: ['backspace', 'u'], words: 'take the last tick back', run: () => this.undo() },
    ]);
  }

  protected chooseDate(date: string): void {
    this.screen.date.set(date);
    this.address.choose({ date }, { step: true });
  }

  /** Hands do not work at night: what dries that long is gone on with on another day. */
  protected doneWhen(finishAt: string): string {
    const isThisDay = localDay(new Date(finishAt)) === localDay(new Date(this.screen.nowAt()));
    return isThisDay ? `about ${formatTime(finishAt)}` : 'after a night of drying';
  }

  /** The step after which a group dries. */
  protected waitsFor(itemId: string): DayStep | undefined {
    return this.screen.state()?.drying.find(({ item }) => item.id === itemId)?.afterStep;
  }

  /** Felt by a thumb: the next step may begin, with all that comes before it. */
  protected dry(step: DayStep): void {
    this.screen.note('Dry', { type: 'feltDry', stepId: step.id });
  }

  protected done(): void {
    const step = this.screen.state()?.now?.step;
    // The first dip of the day waits for the code: a wrong bucket costs a kiln.
    if (!step || !this.mayGoOn()) return;
    this.screen.done(step, this.seconds());
    this.seconds.set(null);
  }

  protected skip(): void {
    const step = this.screen.state()?.now?.step;
    if (step) this.screen.note(`Skipped: ${step.words}`, { type: 'stepSkipped', stepId: step.id });
  }

  protected notDry(step: DayStep): void {
    this.screen.note(`${LONGER_MINUTES} min more to dry`, { type: 'notDryYet', stepId: step.id, minutes: LONGER_MINUTES });
  }

  protected undo(): void {
    const eventId = this.screen.state()?.lastUndoable;
    if (eventId) this.screen.takeBack(eventId);
  }

  protected readCode(bucketId: string): void {
    this.screen.noteBucket(bucketId, { type: 'codeRead' });
  }

  protected stirred(bucketId: string): void {
    this.screen.noteBucket(bucketId, { type: 'stirred' });
  }

  protected print(): void {
    window.print();
  }

  private shareLeft(untilAt: string, waitMinutes: number, nowAt: string): number {
    const leftMinutes = (Date.parse(untilAt) - Date.parse(nowAt)) / 60_000;
    return waitMinutes > 0 ? Math.min(100, Math.max(0, (100 * leftMinutes) / waitMinutes)) : 0;
  }
}

const isDay = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text));
