import { ChangeDetectionStrategy, Component, computed, DestroyRef, ElementRef, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { TimetableTask, WorkSpan } from '@cazuela/core';
import { formatTime } from '../../../data/units/times';
import { dayScale, msAt, pxAt } from './day-scale';

/** A step that was done: who, from about when until the tick. */
export interface DoneBar {
  stepId: string;
  itemId: string;
  name: string;
  words: string;
  person: string;
  fromAt: string;
  untilAt: string;
  colour?: string | undefined;
  /** What dries after it still. */
  dryAt?: string | undefined;
}

const LANE_PX = 92;
const TOP_PX = 34;
const BAR_PX = 34;
const NAME_PX = 96;
const LEAST_PX_PER_MINUTE = 1.6;
const MOST_PX_PER_MINUTE = 12;
/** A longer stretch without anybody is a night, ms. */
const NIGHT_MS = 5 * 3_600_000;
/** A drag is one only from here on, px. */
const DRAG_PX = 6;
/** Pins are set to whole minutes of this many. */
const STEP_MINUTES = 5;

/**
 * The day as its people’s lanes: who does what when, what dries under it, buckets fetched, breaks and nights. A block is chosen by a tap, its lot
 * shown through the day; dragged, it is pinned to a person and a time.
 */
@Component({
  selector: 'cz-day-timeline',
  imports: [MatButton],
  templateUrl: './day-timeline.html',
  styleUrl: './day-timeline.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayTimeline {
  readonly people = input.required<readonly string[]>();
  readonly tasks = input.required<readonly TimetableTask[]>();
  readonly done = input<readonly DoneBar[]>([]);
  readonly hours = input.required<ReadonlyMap<string, readonly WorkSpan[]>>();
  readonly nowAt = input.required<string>();
  readonly deadlineAt = input<string>();
  readonly deadlineWords = input('ready by');
  /** Of a bucket, by id: the colour of its glaze. */
  readonly colours = input<ReadonlyMap<string, string>>(new Map());
  readonly pinned = input<ReadonlySet<string>>(new Set());
  readonly chosen = input('');
  readonly choose = output<string>();
  readonly moved = output<{ stepId: string; person: string; notBeforeMs: number }>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly widePx = signal(1100);
  protected readonly zoom = signal(1);
  private readonly hovered = signal('');
  private readonly dragged = signal<{ stepId: string; itemId: string; byPx: number; lanes: number } | undefined>(undefined);
  protected readonly lanePx = LANE_PX;
  protected readonly topPx = TOP_PX;
  protected readonly barPx = BAR_PX;
  protected readonly namePx = NAME_PX;

  private readonly span = computed(() => {
    const starts = [...this.tasks().map(({ fetchFromAt }) => fetchFromAt), ...this.done().map(({ fromAt }) => fromAt), this.nowAt()];
    const ends = [...this.tasks().map(({ dryAt }) => dryAt), ...this.tasks().map(({ endAt }) => endAt), ...this.done().map(({ untilAt }) => untilAt)];
    const [fromMs, untilMs] = [Math.min(...starts.map(Date.parse)), Math.max(...ends.map(Date.parse), Date.parse(this.nowAt()) + 3_600_000)];
    const deadlineMs = Date.parse(this.deadlineAt() ?? '');
    return { fromMs: Math.floor(fromMs / 900_000) * 900_000, untilMs: Math.max(untilMs, Number.isNaN(deadlineMs) ? 0 : deadlineMs) + 600_000 };
  });
  /** Something is to do, or was done: drawn as long as it takes. */
  private readonly open = computed(() => {
    const done = this.done().map(({ fromAt, untilAt }) => [Date.parse(fromAt), Date.parse(untilAt)] as const);
    const planned = this.tasks().map(({ fetchFromAt, endAt }) => [Date.parse(fetchFromAt), Date.parse(endAt)] as const);
    // Hours in which nothing is to do are drawn short, whoever is there.
    return [...done, ...planned];
  });
  protected readonly parts = computed(() => {
    const { fromMs, untilMs } = this.span();
    const plain = dayScale({ fromMs, untilMs, open: this.open(), pxPerMinute: 1 });
    const minutes = plain.filter(({ isOpen }) => isOpen).reduce((sum, part) => sum + part.untilPx - part.fromPx, 0);
    const nights = plain.filter(({ isOpen }) => !isOpen).reduce((sum, part) => sum + part.untilPx - part.fromPx, 0);
    const fits = (this.widePx() - NAME_PX - nights - 12) / Math.max(1, minutes);
    const pxPerMinute = Math.min(MOST_PX_PER_MINUTE, Math.max(LEAST_PX_PER_MINUTE, fits) * this.zoom());
    return dayScale({ fromMs, untilMs, open: this.open(), pxPerMinute });
  });
  protected readonly totalPx = computed(() => (this.parts().at(-1)?.untilPx ?? 0) + 12);
  protected readonly highPx = computed(() => TOP_PX + this.people().length * LANE_PX);
  protected readonly nowPx = computed(() => this.x(this.nowAt()));
  protected readonly deadlinePx = computed(() => {
    const at = this.deadlineAt();
    return at === undefined ? undefined : this.x(at);
  });
  protected readonly hourMarks = computed(() => {
    const { fromMs, untilMs } = this.span();
    const parts = this.parts();
    const openPx = parts.find(({ isOpen }) => isOpen);
    const pxPerHour = openPx ? ((openPx.untilPx - openPx.fromPx) / (openPx.untilMs - openPx.fromMs)) * 3_600_000 : 100;
    const every = pxPerHour < 55 ? 2 : 1;
    const marks: { px: number; words: string }[] = [];
    for (let ms = Math.ceil(fromMs / 3_600_000) * 3_600_000; ms <= untilMs; ms += every * 3_600_000) {
      const part = parts.find((one) => ms >= one.fromMs && ms <= one.untilMs);
      if (part?.isOpen) marks.push({ px: pxAt(parts, ms), words: formatTime(new Date(ms).toISOString()) });
    }
    return marks;
  });
  protected readonly nights = computed(() =>
    this.parts()
      .filter(({ isOpen }) => !isOpen)
      .map((part) => ({ ...part, words: part.untilMs - part.fromMs > NIGHT_MS ? 'night' : 'free' })),
  );
  /** Where nobody of a lane is at work. */
  protected readonly pauses = computed(() =>
    this.people().flatMap((person, lane) => {
      const spans = this.hours().get(person);
      if (!spans) return [];
      const { fromMs, untilMs } = this.span();
      const edges = [fromMs, ...spans.flat().filter((ms) => ms > fromMs && ms < untilMs), untilMs];
      return edges.slice(1).flatMap((ms, at) => {
        const middle = (edges[at]! + ms) / 2;
        const isAtWork = spans.some(([opens, closes]) => middle >= opens && middle <= closes);
        const [fromPx, toPx] = [pxAt(this.parts(), edges[at]!), pxAt(this.parts(), ms)];
        return isAtWork || toPx - fromPx < 1 ? [] : [{ key: `${person}${at}`, px: fromPx, wide: toPx - fromPx, y: TOP_PX + lane * LANE_PX }];
      });
    }),
  );
  /** The lot that is shown through the day. */
  protected readonly lit = computed(() => {
    const stepId = this.hovered() || this.chosen();
    return this.tasks().find(({ step }) => step.id === stepId)?.item.id ?? this.done().find((bar) => bar.stepId === stepId)?.itemId;
  });
  protected readonly bars = computed(() =>
    this.tasks().map((task) => {
      const drag = this.dragged()?.stepId === task.step.id ? this.dragged() : undefined;
      const lane = Math.max(0, this.people().indexOf(task.person)) + (drag?.lanes ?? 0);
      const [fetchPx, startPx, endPx, dryPx] = [task.fetchFromAt, task.startAt, task.endAt, task.dryAt].map((at) => this.x(at) + (drag?.byPx ?? 0));
      return {
        task,
        y: TOP_PX + Math.min(this.people().length - 1, Math.max(0, lane)) * LANE_PX + 8,
        fetchPx: fetchPx!,
        startPx: startPx!,
        wide: Math.max(3, endPx! - startPx!),
        endPx: endPx!,
        dryPx: dryPx!,
        colour: this.colours().get(task.step.bucketId ?? ''),
        isPinned: this.pinned().has(task.step.id),
        label: this.labelOf(task),
        short: `${task.item.code ? `${task.item.code} ` : ''}${task.item.name}`,
      };
    }),
  );
  /** Drying, in as few rows under the bars as they need. */
  protected readonly drying = computed(() => {
    const waits = [
      ...this.bars()
        .filter(({ task, dryPx, endPx }) => task.step.waitMinutes > 0 && dryPx - endPx > 2)
        .map(({ task, endPx, dryPx, y }) => ({ key: task.step.id, itemId: task.item.id, from: endPx, to: dryPx, y })),
      ...this.doneBars()
        .filter(({ dryPx, untilPx }) => dryPx - untilPx > 2)
        .map(({ bar, untilPx, dryPx, y }) => ({ key: bar.stepId, itemId: bar.itemId, from: untilPx, to: dryPx, y })),
    ].sort((a, b) => a.from - b.from);
    const rows = new Map<number, number[]>();
    return waits.map((wait) => {
      const ends = rows.get(wait.y) ?? [];
      let row = ends.findIndex((end) => end <= wait.from);
      if (row < 0) row = ends.length < 5 ? ends.length : 4;
      ends[row] = wait.to;
      rows.set(wait.y, ends);
      return { ...wait, wide: wait.to - wait.from, top: wait.y + BAR_PX + 4 + row * 8 };
    });
  });
  protected readonly doneBars = computed(() =>
    this.done().map((bar) => {
      const lane = Math.max(0, this.people().indexOf(bar.person));
      const [fromPx, untilPx] = [this.x(bar.fromAt), this.x(bar.untilAt)];
      return {
        bar,
        y: TOP_PX + lane * LANE_PX + 8,
        fromPx,
        untilPx,
        wide: Math.max(3, untilPx - fromPx),
        dryPx: bar.dryAt ? this.x(bar.dryAt) : untilPx,
        label: `${bar.words}, ${bar.name}, done ${formatTime(bar.untilAt)} by ${bar.person}`,
      };
    }),
  );
  /** From block to block of the lot that is shown. */
  protected readonly path = computed(() => {
    const itemId = this.lit();
    if (!itemId) return '';
    const done = this.doneBars().filter(({ bar }) => bar.itemId === itemId);
    const bars = this.bars().filter(({ task }) => task.item.id === itemId);
    const points = [
      ...done.map(({ fromPx, untilPx, y }) => [fromPx, untilPx, y + BAR_PX / 2] as const),
      ...bars.map(({ startPx, endPx, y }) => [startPx, endPx, y + BAR_PX / 2] as const),
    ].sort((a, b) => a[0] - b[0]);
    return points.map(([from, to, y], at) => `${at === 0 ? 'M' : 'L'}${from.toFixed(1)} ${y} L${to.toFixed(1)} ${y}`).join(' ');
  });

  constructor() {
    if (typeof ResizeObserver === 'undefined') return;
    const seen = new ResizeObserver(([entry]) => this.widePx.set(Math.max(320, entry!.contentRect.width)));
    seen.observe(this.host.nativeElement);
    inject(DestroyRef).onDestroy(() => seen.disconnect());
  }

  private x(at: string): number {
    return pxAt(this.parts(), Date.parse(at));
  }

  private labelOf({ step, item, person, startAt, endAt, isBegun }: TimetableTask): string {
    return `${step.words}, ${item.count} × ${item.name}, ${person}, ${formatTime(startAt)} to ${formatTime(endAt)}${isBegun ? ', begun' : ''}`;
  }

  protected hover(stepId: string): void {
    this.hovered.set(stepId);
  }

  protected grow(by: number): void {
    this.zoom.update((zoom) => Math.min(6, Math.max(1, zoom * by)));
  }

  /** A block is dragged along the day and from lane to lane; a tap only chooses it. */
  protected grab(event: PointerEvent, task: TimetableTask): void {
    if (event.button !== 0 || task.isBegun) return;
    const target = event.currentTarget as Element;
    const from = { x: event.clientX, y: event.clientY };
    const startPx = this.x(task.startAt);
    const move = (at: PointerEvent): void => {
      const [byPx, downPx] = [at.clientX - from.x, at.clientY - from.y];
      if (!this.dragged() && Math.hypot(byPx, downPx) < DRAG_PX) return;
      this.dragged.set({ stepId: task.step.id, itemId: task.item.id, byPx, lanes: Math.round(downPx / LANE_PX) });
    };
    const end = (at: Event): void => {
      for (const [name, run] of [
        ['pointermove', move],
        ['pointerup', end],
        ['pointercancel', end],
      ] as const)
        target.removeEventListener(name, run as EventListener);
      const drag = this.dragged();
      this.dragged.set(undefined);
      if (!drag || at.type === 'pointercancel') return;
      const lane = Math.min(this.people().length - 1, Math.max(0, this.people().indexOf(task.person) + drag.lanes));
      this.move(task, lane, msAt(this.parts(), startPx + drag.byPx));
    };
    target.setPointerCapture?.(event.pointerId);
    target.addEventListener('pointermove', move as EventListener);
    target.addEventListener('pointerup', end);
    target.addEventListener('pointercancel', end);
  }

  protected key(event: KeyboardEvent, task: TimetableTask): void {
    const lane = this.people().indexOf(task.person);
    const startMs = Date.parse(task.startAt);
    const byMs = STEP_MINUTES * 60_000;
    switch (event.key) {
      case 'Enter':
      case ' ':
        this.choose.emit(task.step.id);
        break;
      case 'ArrowRight':
        this.move(task, lane, startMs + byMs);
        break;
      case 'ArrowLeft':
        this.move(task, lane, startMs - byMs);
        break;
      case 'ArrowDown':
        this.move(task, Math.min(this.people().length - 1, lane + 1), startMs);
        break;
      case 'ArrowUp':
        this.move(task, Math.max(0, lane - 1), startMs);
        break;
      default:
        return;
    }
    event.preventDefault();
    event.stopPropagation();
  }

  private move(task: TimetableTask, lane: number, ms: number): void {
    if (task.isBegun) return;
    const stepMs = STEP_MINUTES * 60_000;
    this.choose.emit(task.step.id);
    this.moved.emit({
      stepId: task.step.id,
      person: this.people()[lane]!,
      notBeforeMs: Math.max(Date.parse(this.nowAt()), Math.round(ms / stepMs) * stepMs),
    });
  }
}
