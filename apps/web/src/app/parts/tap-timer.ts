import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { animationFrameScheduler, interval } from 'rxjs';
import { Keys } from '../data/devices/keys';
import { Units } from '../data/units/units';

/** A stopwatch with one large target: the first tap starts, the second stops and emits the seconds. Space and Enter tap it like any button. */
@Component({
  selector: 'cz-tap-timer',
  template: `
    <button type="button" class="tap" [class.running]="startedMs() !== undefined" (pointerdown)="down($event)" (click)="clicked($event)">
      <span>{{ startedMs() === undefined ? start() : stop() }}</span>
      <span class="figure" aria-hidden="true">{{ shown() }}</span>
    </button>
    <span class="visually-hidden" role="status">{{ last() === undefined ? '' : said() }}</span>
  `,
  styles: `
    .tap {
      display: grid;
      gap: 0.2rem;
      place-items: center;
      width: 100%;
      min-height: 96px;
      border: 2px solid var(--cobalt);
      border-radius: var(--round);
      background: none;
      color: var(--cobalt);
      font: 650 1.05rem var(--text);
      cursor: pointer;
      touch-action: manipulation;
      .figure {
        font-size: 1.9rem;
      }
      &.running {
        background: var(--cobalt);
        color: var(--paper);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TapTimer {
  readonly start = input.required<string>();
  readonly stop = input.required<string>();
  readonly seconds = output<number>();
  /** It was started then, before this page was loaded, ms of the clock. */
  readonly runningSinceMs = input<number>();
  /** Started at this moment, ms of the clock; whoever keeps it finds the watch running after a reload. */
  readonly began = output<number>();
  protected readonly units = inject(Units);
  protected readonly startedMs = linkedSignal<number | undefined>(() => {
    const sinceMs = this.runningSinceMs();
    return sinceMs === undefined ? undefined : performance.now() - (Date.now() - sinceMs);
  });
  protected readonly last = signal<number | undefined>(undefined);
  private readonly frame = toSignal(interval(100, animationFrameScheduler), { initialValue: 0 });
  protected readonly shown = computed(() => {
    this.frame();
    const startedMs = this.startedMs();
    const seconds = startedMs === undefined ? this.last() : (performance.now() - startedMs) / 1000;
    return seconds === undefined ? '0.0 s' : this.units.seconds(seconds);
  });
  protected readonly said = computed(() => `${this.units.seconds(this.last()!)} kept`);

  constructor() {
    // Wherever the focus is, Space stops what runs; in a field of words it is typed.
    inject(Keys).bind([
      { keys: [' '], words: 'stop the watch', inFields: true, when: () => this.startedMs() !== undefined, run: () => this.tap(performance.now()) },
    ]);
  }

  /** The moment counts at which the finger comes down; a click arrives only when it leaves again. */
  protected down(event: PointerEvent): void {
    if (event.button === 0) this.tap(event.timeStamp);
  }

  /** Keys and screen readers click without a pointer. */
  protected clicked(event: MouseEvent): void {
    if (event.detail === 0) this.tap(event.timeStamp);
  }

  private tap(atMs: number): void {
    const startedMs = this.startedMs();
    if (startedMs === undefined) {
      this.last.set(undefined);
      this.startedMs.set(atMs);
      this.began.emit(Date.now() - (performance.now() - atMs));
      return;
    }
    const seconds = Number(((atMs - startedMs) / 1000).toFixed(1));
    this.startedMs.set(undefined);
    if (seconds <= 0) return;
    this.last.set(seconds);
    this.seconds.emit(seconds);
  }
}
