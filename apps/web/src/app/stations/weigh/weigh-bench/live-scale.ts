import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { acceptsItself, EMPTY_PAN, panAfter, panForLine, tarePan, type Pan, pourTowards } from '@cazuela/core';
import * as z from 'zod';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { ScaleFeed } from '../../../data/devices/scale-feed';
import { NearTargetSound } from './near-target-sound';

const panSchema = z.object({
  lineKey: z.string(),
  panGrams: z.number(),
  zeroGrams: z.number(),
  lifted: z.boolean(),
  trail: z.array(z.object({ lineKey: z.string(), zeroGrams: z.number() })),
});

const habitsSchema = z.object({ acceptsAlone: z.boolean(), beeps: z.boolean(), showsPanel: z.boolean().default(false) });

/** An empty scale shows up to so many divisions by itself. */
const FLICKER_DIVISIONS = 2;

export interface LineOnTheScale {
  /** Batch, line and load: another key is another weight. */
  key: string;
  targetGrams: number;
}

/** The scale beside the line that is weighed: net weight, how far the pour has come, and the moment when the line accepts itself. */
@Injectable()
export class LiveScale {
  private readonly feed = inject(ScaleFeed);
  private readonly pan = sessionSignal<Pan>('pan', EMPTY_PAN, (kept) => panSchema.safeParse(kept).data);
  private readonly line = signal<LineOnTheScale | undefined>(undefined);
  /** What was last on the scale for a line. */
  private readonly stood = signal<{ lineKey: string; grams: number } | undefined>(undefined);
  private readonly accept = signal<((grams: number) => boolean) | undefined>(undefined);
  /** Off for those who want to tap for every line. */
  private readonly habits = sessionSignal(
    'scale-habits',
    { acceptsAlone: true, beeps: false, showsPanel: false },
    (kept) => habitsSchema.safeParse(kept).data,
  );
  readonly acceptsAlone = computed(() => this.habits().acceptsAlone);
  /** Sounds near the target, while the eyes are on the scoop. */
  readonly beeps = computed(() => this.habits().beeps);
  /** Whether the scale's own panel is open, also after a reload. */
  readonly showsPanel = computed(() => this.habits().showsPanel);
  readonly scale = this.feed.scale;
  readonly now = this.feed.now;
  readonly division = computed(() => this.scale()?.divisionGrams ?? 0.1);
  readonly netGrams = computed(() => {
    const now = this.now();
    return now.kind === 'reading' ? round(now.settling.shownGrams - this.pan().zeroGrams, this.division()) : undefined;
  });
  readonly settled = computed(() => {
    const now = this.now();
    return now.kind === 'reading' && now.settling.settled;
  });
  readonly lifted = computed(() => this.pan().lifted);
  readonly pour = computed(() => {
    const [line, netGrams] = [this.line(), this.netGrams()];
    return line && netGrams !== undefined && line.targetGrams > 0
      ? pourTowards({ netGrams, targetGrams: line.targetGrams, divisionGrams: this.division() })
      : undefined;
  });

  /** Why no weight comes, and what to do. */
  readonly trouble = computed(() => {
    switch (this.now().kind) {
      case 'silent':
        return 'Nothing comes from the scale: plug it in, or type what it shows. Nothing weighed is lost.';
      case 'away':
        return 'The line to the scale broke and is opened again by itself; type what it shows meanwhile. Nothing weighed is lost.';
      case 'overload':
        return 'More is on the scale than it can weigh: take some off.';
      default:
        return undefined;
    }
  });

  private readonly sound = new NearTargetSound();

  constructor() {
    effect(() => {
      const pour = this.pour();
      if (pour && this.beeps()) this.sound.near(pour);
    });
    effect(() => {
      const now = this.now();
      if (now.kind === 'reading' && now.settling.settledGrams !== undefined) {
        const { settledGrams } = now.settling;
        untracked(() => this.stands(settledGrams));
      }
    });
  }

  /** Follows the line of the bench. `accept` gets its weight when it is still at its target, until it returns that the weight was taken. */
  follow(line: LineOnTheScale | undefined, accept: (grams: number) => boolean): void {
    this.accept.set(accept);
    this.line.set(line);
    const now = this.now();
    const pan = this.pan();
    // After a reload the line is the same one, and goes on from its own zero.
    if (line && line.key !== pan.lineKey) this.pan.set(panForLine(pan, line.key, now.kind === 'reading' ? now.settling.shownGrams : pan.zeroGrams));
  }

  habit(change: Partial<z.infer<typeof habitsSchema>>): void {
    this.habits.update((habits) => ({ ...habits, ...change }));
  }

  tare(): void {
    const now = this.now();
    if (now.kind === 'reading') this.pan.set(tarePan(this.line()?.key ?? '', now.settling.shownGrams));
  }

  /**
   * The weight to take on a tap: what the scale shows, or what was in a pan that is lifted to be emptied. `nothing` when no powder has come onto it for
   * this line: a tap meant for the line that accepted itself a moment ago must not accept the next one. Undefined when the scale does not answer,
   * and its display is read by eye.
   */
  weight(): number | 'nothing' | undefined {
    const [net, line] = [this.netGrams(), this.line()];
    if (net === undefined) return undefined;
    const stood = this.stood();
    if (this.lifted()) return stood && stood.lineKey === line?.key ? stood.grams : 'nothing';
    return line && net >= Math.min(FLICKER_DIVISIONS * this.division(), line.targetGrams / 2) ? net : 'nothing';
  }

  private stands(settledGrams: number): void {
    const pan = panAfter(this.pan(), settledGrams, this.division());
    if (JSON.stringify(pan) !== JSON.stringify(this.pan())) this.pan.set(pan);
    const line = this.line();
    const grams = round(settledGrams - pan.zeroGrams, this.division());
    if (line && !pan.lifted && grams > 0) this.stood.set({ lineKey: line.key, grams });
    if (!line || !this.acceptsAlone() || pan.lineKey !== line.key) return;
    if (!acceptsItself({ pan, settledGrams, targetGrams: line.targetGrams, divisionGrams: this.division() })) return;
    const isTaken = this.accept()?.(grams);
    // The next reading of the same weight finds no line to fill.
    if (isTaken && this.line() === line) this.line.set(undefined);
  }
}

function round(grams: number, divisionGrams: number): number {
  return Number((Math.round(grams / divisionGrams) * divisionGrams).toFixed(4));
}
