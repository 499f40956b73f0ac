import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import { RouterLink } from '@angular/router';
import {
  attempt,
  coatCurve,
  coatPredictor,
  coverageOf,
  knowledgeOf,
  learnCoats,
  predictCoat,
  predictSeconds,
  stirringDue,
  stirringNeed,
  suspensionRisk,
  weighedParts,
  type CoatSituation,
} from '@cazuela/core';
import { combineLatest } from 'rxjs';
import * as z from 'zod';
import { Clock } from '../../data/clock';
import { glazeOf, observationsOf } from '../../data/coat-learning';
import { Keys } from '../../data/keys';
import { loaded } from '../../data/load';
import { PreferencesStore } from '../../data/preferences';
import { remembered } from '../../data/remembered';
import { StudioApi } from '../../data/studio-api';
import { Units } from '../../data/units';
import { Coming } from '../../parts/coming';
import { LineChart } from '../../parts/line-chart';
import { Choice } from '../../parts/choice';
import { NumberField } from '../../parts/number-field';
import { Says } from '../../parts/says';
import { coatChart } from './coat-chart';
import { cannotWords, curveSeconds, groundWords, standWords, windowWords } from './coat-words';
import { DipBench, timerKeptSchema, type TimerKept } from './dip-bench';
import { DipsPanel } from './dips-panel';
import { EqualCoatsPanel } from './equal-coats-panel';
import { WindowPanel } from './window-panel';

const questionSchema = z.object({
  bucketId: z.string(),
  bodyId: z.string(),
  wallMm: z.number().nullable(),
  faces: z.union([z.literal(1), z.literal(2)]),
  seconds: z.number().nullable(),
  coatMm: z.number().nullable(),
  sg: z.number().nullable(),
});
type Question = z.infer<typeof questionSchema>;
const START: Question = { bucketId: '', bodyId: '', wallMm: 5, faces: 1, seconds: 3, coatMm: 0.6, sg: null };
const CURVE_POINTS = 200;
/** Dips that say how often the ranges held. */
const NEWEST_DIPS = 9;

/** Seconds for a coat and a coat for seconds, for this bucket on this body, both ways at once. */
@Component({
  selector: 'cz-coat-station',
  imports: [RouterLink, DipBench, DipsPanel, EqualCoatsPanel, WindowPanel, MatSlider, MatSliderThumb, Choice, NumberField, LineChart, Says, Coming],
  templateUrl: './coat-station.html',
  styleUrl: './coat-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CoatStation {
  /** The bucket the potter came from. */
  readonly bucket = input<string>();
  private readonly api = inject(StudioApi);
  private readonly nowAt = inject(Clock).at;
  private readonly preferences = inject(PreferencesStore).value;
  protected readonly units = inject(Units);
  protected readonly faces = [
    [1, 'one face'],
    [2, 'both faces'],
  ] as const;
  protected readonly all = loaded(() =>
    combineLatest({
      buckets: this.api.buckets(),
      bodies: this.api.bodies(),
      powders: this.api.powders(),
      dips: this.api.coatDips(),
      windows: this.api.coatWindows(),
    }),
  );
  protected readonly question = remembered<Question>('coat', START, (kept) => questionSchema.safeParse(kept).data);
  protected readonly buckets = computed(() => this.all.value()?.buckets.filter((bucket) => bucket.contents) ?? []);
  protected readonly bodies = computed(() => this.all.value()?.bodies ?? []);
  protected readonly chosen = computed(() => this.buckets().find((bucket) => bucket.id === this.question().bucketId) ?? this.buckets()[0]);
  protected readonly body = computed(() => this.bodies().find((body) => body.id === this.question().bodyId) ?? this.bodies()[0]);
  protected readonly stands = computed(() => {
    const contents = this.chosen()?.contents;
    if (!contents) return [];
    const risk = suspensionRisk({ parts: weighedParts({ parts: contents.parts, powders: this.all.value()?.powders ?? [] }) });
    const need = risk && stirringNeed({ suspension: risk.suspension, flocculated: contents.slurryState === 'flocculated' });
    const due = need && stirringDue({ need, stirredAt: contents.stirredAt, nowAt: this.nowAt() });
    return standWords(contents, due ? need.every : undefined);
  });
  protected readonly sg = computed(() => this.question().sg ?? this.chosen()?.contents?.sg ?? null);
  protected readonly situation = computed<CoatSituation | undefined>(() => {
    const contents = this.chosen()?.contents;
    const body = this.body();
    const { wallMm, faces } = this.question();
    const sg = this.sg();
    if (!contents || !body || wallMm === null || sg === null) return undefined;
    return {
      sg,
      density: contents.density,
      state: contents.slurryState,
      bisqueCone: body.bisqueCone,
      earthenware: body.earthenware,
      absorptionPercent: body.absorptionPercent,
      wallMm,
      faces,
    };
  });
  private readonly observations = computed(() => observationsOf(this.all.value()?.dips ?? []));
  protected readonly learning = computed(() => learnCoats({ observations: this.observations() }));
  protected readonly pair = computed(() => ({ glazeId: this.chosen() ? glazeOf(this.chosen()!) : '', bodyId: this.body()?.id ?? '' }));
  protected readonly knowledge = computed(() => knowledgeOf(this.learning(), this.pair()));
  protected readonly window = computed(() => {
    const { glazeId, bodyId } = this.pair();
    return this.all.value()?.windows.find((one) => one.glazeId === glazeId && one.bodyId === bodyId);
  });
  protected readonly windowSays = computed(() => {
    const [result, window, coatMm] = [this.result(), this.window()?.changes.at(-1)?.window, this.question().coatMm];
    const lnSd = result?.kind === 'ok' ? result.value.band?.lnSd : undefined;
    return window && coatMm && lnSd !== undefined ? windowWords(window, { coatMm, lnSd }, this.units) : '';
  });
  /** The full-screen dip timer, and the seconds it brought back. */
  protected readonly timer = remembered<TimerKept>(
    'dip-timer',
    { open: false, dips: [], silent: false },
    (kept) => timerKeptSchema.safeParse(kept).data,
  );
  protected readonly timed = signal<readonly number[]>([]);
  protected readonly predictor = computed(() => {
    const situation = this.situation();
    const asked = situation && attempt(() => coatPredictor(situation, this.knowledge()));
    return asked?.kind === 'ok' ? asked.value : undefined;
  });
  protected readonly wantedSeconds = computed(() => {
    const result = this.result();
    return result?.kind === 'ok' && result.value.wanted.kind === 'ok' ? result.value.wanted.seconds : undefined;
  });
  protected readonly ground = computed(() =>
    groundWords(this.knowledge().ground, coverageOf({ observations: this.observations(), newest: NEWEST_DIPS })),
  );
  protected readonly result = computed(() => {
    const situation = this.situation();
    const { seconds, coatMm } = this.question();
    if (!situation || seconds === null || coatMm === null) return undefined;
    return attempt(() => {
      const known = this.knowledge();
      const wanted = predictSeconds({ ...situation, coatMm }, known);
      const at = predictCoat({ ...situation, seconds }, known);
      // The wanted coat's own band: what comes out when the seconds are kept exactly.
      const band = wanted.kind === 'ok' ? predictCoat({ ...situation, seconds: wanted.seconds }, known) : undefined;
      const curve = coatCurve({ ...situation, points: CURVE_POINTS, mostSeconds: curveSeconds(wanted, seconds) }, known);
      return { wanted, at, band, curve, cannot: cannotWords(wanted, { coatMm, sg: situation.sg }, this.units) };
    });
  });
  protected readonly chart = computed(() => {
    this.preferences();
    const result = this.result();
    const { seconds, coatMm } = this.question();
    if (result?.kind !== 'ok' || result.value.curve.length === 0) return undefined;
    const { at, curve } = result.value;
    const { glazeId, bodyId } = this.pair();
    const dips = this.observations().filter((dip) => dip.glazeId === glazeId && dip.bodyId === bodyId);
    return coatChart(curve, {
      coatMm: coatMm!,
      seconds: seconds!,
      atSecondsMm: at.coat.kind === 'ok' ? at.coat.coatMm : undefined,
      dips,
      sg: this.sg()!,
      window: this.window()?.changes.at(-1)?.window,
    });
  });
  protected readonly chartWords = computed(() => {
    const result = this.result();
    const last = result?.kind === 'ok' ? result.value.curve.at(-1) : undefined;
    return last
      ? `Coat against seconds: up to ${this.units.millimetres(last.coatMm)} after ${this.units.seconds(last.seconds)}, 80 % band ${this.units.millimetres(last.lowMm)} to ${this.units.millimetres(last.highMm)}.`
      : '';
  });

  constructor() {
    inject(Keys).bind([{ keys: ['t'], words: 'dip timer', run: () => this.openTimer() }]);
    effect(() => {
      const bucketId = this.bucket();
      if (bucketId) untracked(() => this.change({ bucketId, sg: null }));
    });
  }

  protected openTimer(): void {
    this.timer.update((timer) => ({ ...timer, open: true }));
  }

  protected leaveTimer(seconds: readonly number[]): void {
    this.timer.update((timer) => ({ ...timer, open: false, dips: [] }));
    this.timed.set(seconds);
  }

  protected change(change: Partial<Question>): void {
    this.question.update((question) => ({ ...question, ...change }));
  }

  /** Nobody counts finer than a tenth. */
  protected tenths(seconds: number): string {
    return seconds.toFixed(1);
  }

  protected text(event: Event): string {
    return (event.target as HTMLSelectElement).value;
  }

  protected number(event: Event): number {
    return Number((event.target as HTMLInputElement).value);
  }
}
