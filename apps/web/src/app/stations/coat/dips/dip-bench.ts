import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  model,
  output,
  untracked,
  ElementRef,
  viewChild,
} from '@angular/core';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import { MatButton } from '@angular/material/button';
import { toSignal } from '@angular/core/rxjs-interop';
import { pressTimer, timerAt, timerShows, withoutLastDip, type CoatPrediction, type DipTimer } from '@cazuela/core';
import { animationFrameScheduler, interval } from 'rxjs';
import * as z from 'zod';
import { Keys } from '../../../data/devices/keys';
import { Sound } from '../../../data/devices/sound';
import { Units } from '../../../data/units/units';
import { keepAwake } from '../../../data/devices/wake-lock';
import { Checkbox } from '../../../ui/checkbox';
import { FullScreen } from '../../../ui/full-screen';

/** Drawn so many times as thick as it is. */
const EXAGGERATED = 60;
/** Widest coat that is drawn, mm. */
const WIDEST_MM = 2.5;
export const timerKeptSchema = z.object({ open: z.boolean(), dips: z.array(z.number()).max(60), silent: z.boolean() });
export type TimerKept = z.infer<typeof timerKeptSchema>;

/** The dip timer: one key, counted in, seconds shown and beeped, the coat growing in section, the real seconds kept. */
@Component({
  selector: 'cz-dip-bench',
  imports: [Checkbox, FullScreen, MatButton],
  template: `
    <cz-full-screen label="Dip timer">
      <div class="bench" [class.beat]="beat() && kept().silent">
        <div class="head">
          <p>
            <strong>{{ name() }}</strong> {{ wanted() ? 'take it out at ' + units.seconds(wanted()!) : '' }}
          </p>
          <cz-checkbox label="silent, with a pulse" [value]="kept().silent" (changed)="silent($event)" />
          <button type="button" matButton="text" (click)="left.emit(kept().dips)">Leave, Esc</button>
        </div>
        <div class="middle">
          <svg [attr.viewBox]="'0 0 300 240'" role="img" [attr.aria-label]="spoken()">
            <rect class="wall" x="20" y="10" width="70" height="220" />
            <rect class="coat" x="90" y="10" [attr.width]="coatWidth()" height="220" [attr.fill]="colour()" />
            @if (wantedX(); as x) {
              <line class="wanted" [attr.x1]="x" [attr.x2]="x" y1="4" y2="236" />
            }
          </svg>
          <p class="big figure" [class.over]="over()">{{ shows() }}</p>
        </div>
        <p class="coat-words">{{ coatWords() }}</p>
        <button
          type="button"
          matButton="filled"
          cdkFocusInitial
          #go
          class="go"
          (click)="$event.detail === 0 || $event.detail === 1 ? press($event.timeStamp) : null"
        >
          {{ action() }}
        </button>
        <p class="dips">
          @for (dip of kept().dips; track $index) {
            <span class="figure">{{ units.seconds(dip) }}</span>
          } @empty {
            <span class="quiet">Hold it over the bucket; three beats, then under.</span>
          }
          @if (kept().dips.length > 0) {
            <button type="button" matButton="text" (click)="back()">Take the last back</button>
          }
        </p>
      </div>
    </cz-full-screen>
  `,
  styles: `
    .bench {
      display: grid;
      height: 100%;
      grid-template-rows: auto 1fr auto auto auto;
      gap: 0.8rem;
      padding: 1.2rem 2rem;
      background: var(--kaolin);
    }
    .bench.beat {
      box-shadow: inset 0 0 0 14px var(--cobalt);
    }
    @media (prefers-reduced-motion: reduce) {
      .bench.beat {
        box-shadow: inset 0 -10px 0 0 var(--cobalt);
      }
    }
    .head {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1.4rem;
      align-items: center;
      justify-content: space-between;
      font-size: 1.15rem;
    }
    .middle {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr);
      gap: 2rem;
      align-items: center;
      min-height: 0;
    }
    svg {
      width: 100%;
      max-height: 46vh;
    }
    .wall {
      fill: var(--slip);
      stroke: var(--iron);
      stroke-width: 2;
    }
    .coat {
      stroke: var(--iron);
    }
    .wanted {
      stroke: var(--copper);
      stroke-width: 3;
      stroke-dasharray: 7 5;
    }
    .big {
      font-size: min(24vw, 13rem);
      line-height: 1;
      text-align: center;
    }
    .over {
      color: var(--oxblood);
    }
    .coat-words {
      font-size: 1.3rem;
      text-align: center;
    }
    .go {
      min-height: 96px;
      font-size: 1.6rem;
    }
    .dips {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 1.2rem;
      align-items: center;
      min-height: 44px;
    }
    @media (max-width: 700px) {
      .middle {
        grid-template-columns: minmax(0, 1fr);
        gap: 0.4rem;
      }
      svg {
        max-height: 22vh;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DipBench {
  readonly name = input.required<string>();
  readonly colour = input.required<string>();
  /** Coat for a time, for this bucket on this body. */
  readonly predict = input.required<(seconds: number) => CoatPrediction>();
  readonly wanted = input<number>();
  readonly coatMm = input.required<number>();
  /** The real seconds, emitted when the potter leaves. */
  readonly left = output<readonly number[]>();
  protected readonly units = inject(Units);
  // In the full screen, which is its own view.
  private readonly go = viewChild<unknown, ElementRef<HTMLElement>>('go', { read: ElementRef });
  private readonly sound = new Sound();
  private readonly announcer = inject(LiveAnnouncer);
  /** Kept by whoever opened it, so that it is there again after a reload in the middle of a row of pots. */
  readonly kept = model.required<TimerKept>();
  private readonly timer = linkedSignal<DipTimer>(() => ({ kind: 'ready', dips: untracked(this.kept).dips }));
  private readonly frame = toSignal(interval(0, animationFrameScheduler), { initialValue: 0 });
  private readonly atMs = computed(() => {
    this.frame();
    return performance.now();
  });
  private readonly showing = computed(() => timerShows({ timer: this.timer(), atMs: this.atMs() }));
  private readonly seconds = computed(() => {
    const showing = this.showing();
    return showing.kind === 'seconds' ? showing.seconds : 0;
  });
  protected readonly shows = computed(() => {
    const showing = this.showing();
    if (showing.kind === 'ready') return this.wanted() === undefined ? '–' : this.wanted()!.toFixed(1);
    return showing.kind === 'beats' ? String(showing.left) : showing.seconds.toFixed(1);
  });
  protected readonly action = computed(() => ({ ready: 'Count in, Space', beats: 'Not yet, Space', seconds: 'Out, Space' })[this.showing().kind]);
  protected readonly over = computed(() => this.wanted() !== undefined && this.seconds() > this.wanted()! + 0.3);
  private readonly coatNow = computed(() => {
    if (this.showing().kind !== 'seconds') return undefined;
    const { coat, lowMm, highMm } = this.predict()(this.seconds());
    return coat.kind === 'ok' ? { coatMm: coat.coatMm, lowMm: lowMm ?? coat.coatMm, highMm: highMm ?? coat.coatMm } : undefined;
  });
  protected readonly coatWidth = computed(() => EXAGGERATED * Math.min(WIDEST_MM, this.coatNow()?.coatMm ?? 0));
  protected readonly wantedX = computed(() => 90 + EXAGGERATED * Math.min(WIDEST_MM, this.coatMm()));
  protected readonly coatWords = computed(() => {
    const now = this.coatNow();
    if (now) return `${this.units.coat(now.coatMm)}, ${this.units.coat(now.lowMm)} to ${this.units.coat(now.highMm)}; drawn larger than the wall`;
    return this.showing().kind === 'beats' ? 'Ready …' : `Wanted ${this.units.coat(this.coatMm())}`;
  });
  protected readonly spoken = computed(() => `Section of the wall with its coat, ${this.coatWords()}`);
  /** The first fifth of every beat and second flashes, for those who work without sound. */
  protected readonly beat = computed(() => {
    const timer = this.timer();
    if (timer.kind === 'ready') return false;
    const from = timer.kind === 'countIn' ? timer.startsAtMs : timer.startedAtMs;
    return (((this.atMs() - from) % 1000) + 1000) % 1000 < 200;
  });
  /** Whole beats and seconds that passed: each beeps once. */
  private readonly beep = computed(() => {
    const showing = this.showing();
    if (showing.kind === 'ready') return 'ready';
    if (showing.kind === 'beats') return `beat ${showing.left}`;
    const wanted = this.wanted();
    if (wanted !== undefined && showing.seconds >= wanted && showing.seconds < wanted + 1) return 'out';
    return `second ${Math.floor(showing.seconds)}`;
  });

  constructor() {
    keepAwake();
    inject(Keys).bind([
      { keys: [' ', 'enter'], words: 'count in; out of the glaze', run: () => this.press(performance.now()) },
      { keys: ['backspace', 'u'], words: 'take the last dip back', run: () => this.back() },
      { keys: ['escape'], words: 'leave the timer', run: () => this.left.emit(this.kept().dips) },
    ]);
    effect(() => {
      const what = this.beep();
      untracked(() => this.announce(what));
      if (untracked(this.kept).silent || what === 'ready') return;
      if (what === 'out') this.sound.tone(1320, 0.35);
      else this.sound.tone(what.startsWith('beat') ? 440 : what === 'second 0' ? 880 : 660, 0.09);
    });
    effect(() => {
      // A count-in that is over has become a dip: it is stored as one, so that a key ends it.
      const moved = timerAt({ timer: this.timer(), atMs: this.atMs() });
      if (moved !== untracked(this.timer)) this.timer.set(moved);
    });
  }

  /** Told to a screen reader: the beats, going under, when it is to come out, and what it then was; not every tenth of a second. */
  private announce(what: string): void {
    const last = this.kept().dips.at(-1);
    const words = what.startsWith('beat')
      ? what.slice('beat '.length)
      : { 'second 0': 'Under', out: 'Out now', ready: last === undefined ? undefined : `${this.units.seconds(last)} kept` }[what];
    if (words) void this.announcer.announce(words, 'assertive');
  }

  protected press(atMs: number): void {
    this.timer.set(pressTimer({ timer: this.timer(), atMs }));
    this.kept.update((kept) => ({ ...kept, dips: [...this.timer().dips] }));
  }

  protected back(): void {
    this.timer.update(withoutLastDip);
    this.kept.update((kept) => ({ ...kept, dips: [...this.timer().dips] }));
    this.focusGo();
  }

  /** The timer keeps the focus: the next Space is for it. */
  private focusGo(): void {
    this.go()?.nativeElement.focus();
  }

  protected silent(silent: boolean): void {
    this.kept.update((kept) => ({ ...kept, silent }));
    this.focusGo();
  }
}
