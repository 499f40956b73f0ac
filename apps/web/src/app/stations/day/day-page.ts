import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { saveFile } from '../../data/devices/save-file';
import { formatDate, formatDayTime } from '../../data/units/times';
import { addressed, Address, titleOf } from '../../data/state/address';
import { PutAwayNote } from '../../parts/records/put-away-note';
import { RecordMenu } from '../../parts/records/record-menu';
import { DateField } from '../../ui/date-field';
import { EmptyState } from '../../ui/empty-state';
import { ResourceState } from '../../ui/resource-state';
import { Tabs } from '../../ui/tabs';
import { BeforePanel } from './before/before-panel';
import { DayBench } from './bench/day-bench';
import { DayEnd } from './end/day-end';
import { DayPrint } from './day-print';
import { DayScreen } from './day-screen';
import { DayPlans } from './plan/day-plans';
import { PlanPanel } from './plan/plan-panel';
import { DayPots } from './pots/day-pots';

const BENCHES = [
  ['bench', 'At the bench'],
  ['plan', 'Plan'],
  ['before', 'Before the first dip'],
  ['pots', 'Lot by lot'],
  ['end', 'End of the day'],
] as const;
type Bench = (typeof BENCHES)[number][0];

/** A glazing day: at the bench, and at a table the evening before. */
@Component({
  selector: 'cz-day-page',
  imports: [
    BeforePanel,
    DateField,
    DayBench,
    DayEnd,
    DayPots,
    DayPrint,
    EmptyState,
    MatButton,
    MatIcon,
    PlanPanel,
    PutAwayNote,
    RecordMenu,
    ResourceState,
    RouterLink,
    Tabs,
  ],
  providers: [DayScreen, DayPlans],
  templateUrl: './day-page.html',
  styleUrl: './day-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayPage {
  /** From the address: the day, and what is open of it. */
  readonly date = input<string>();
  readonly bench = input<string>();
  protected readonly screen = inject(DayScreen);
  protected readonly plans = inject(DayPlans);
  private readonly address = inject(Address);
  protected readonly benches = BENCHES;
  private readonly asked = addressed('bench', () => this.bench());
  /** Before the day there is nothing to tick: the plan stands first. */
  protected readonly open = computed<Bench>(() => {
    const asked = BENCHES.find(([id]) => id === this.asked())?.[0];
    return asked ?? (this.screen.date() > this.screen.today() ? 'plan' : 'bench');
  });
  /** An address that names no day says so; today is shown. */
  protected readonly oddDate = computed(() => {
    const date = this.date();
    return date && !isDay(date) ? `“${date.slice(0, 20)}” is no day: today is shown.` : undefined;
  });
  protected readonly title = computed(() => formatDate(`${this.screen.date()}T12:00:00`));
  /** A day that was begun and not finished is not lost at midnight. */
  protected readonly carried = computed(() => {
    const [date, today] = [this.screen.date(), this.screen.today()];
    if (date < today && this.screen.leftOver().some((day) => day.date === date))
      return 'This day was begun and not finished: it goes on from where it stands.';
    return undefined;
  });
  protected readonly others = computed(() => this.screen.leftOver().filter((day) => day.date !== this.screen.date()));
  protected readonly dateWords = (date: string): string => formatDate(`${date}T12:00:00`);
  protected readonly finish = computed(() => {
    const finishAt = this.screen.timetable()?.finishAt;
    return finishAt ? `hands are done about ${formatDayTime(finishAt, this.screen.nowAt())}` : '';
  });
  /** What waits at the end of the day, and over the night. */
  protected readonly nights = computed(() => {
    const tasks = this.screen.timetable()?.tasks ?? [];
    const over = tasks.filter(({ startAt, item, step }) => {
      const before = tasks.find((task) => task.item.id === item.id && item.steps.indexOf(task.step) === item.steps.indexOf(step) - 1);
      return before && before.startAt.slice(0, 10) !== startAt.slice(0, 10) && before.step.waitMinutes >= 360;
    });
    return [...new Set(over.map(({ item }) => item.name))].join(', ');
  });

  constructor() {
    titleOf(() => this.title());
    effect(() => {
      const date = this.date();
      untracked(() => this.screen.asked.set(date && isDay(date) ? date : undefined));
    });
  }

  protected chooseDate(date: string): void {
    this.screen.asked.set(date);
    this.address.choose({ date }, { step: true });
  }

  protected undo(): void {
    const eventId = this.screen.state()?.lastUndoable;
    if (eventId) this.screen.takeBack(eventId);
  }

  protected async calendar(): Promise<void> {
    const timetable = this.screen.timetable();
    if (!timetable) return;
    // Fetched when it is first wanted.
    const { dayCalendar } = await import('./day-calendar');
    const text = dayCalendar({ date: this.screen.date(), title: this.title(), timetable, planning: this.screen.planning() });
    saveFile(new Blob([text], { type: 'text/calendar' }), `glazing-${this.screen.date()}.ics`);
  }

  protected print(): void {
    window.print();
  }
}

const isDay = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text));
