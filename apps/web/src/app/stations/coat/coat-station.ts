import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { coatCompared, sgForCoat, stirringDue, stirringNeed, suspensionRisk, wallUsed, weighedParts, type CoatPrediction } from '@cazuela/core';
import { Clock } from '../../data/state/clock';
import { Keys } from '../../data/devices/keys';
import { PreferencesStore } from '../../data/state/preferences';
import { deviceSignal, sessionSignal } from '../../data/offline/kept-signal';
import { Units } from '../../data/units/units';
import { Choice } from '../../ui/choice';
import { LineChart, type ChartPoint } from '../../parts/line-chart';
import { NumberField } from '../../ui/number-field';
import { COMPARISON_COLOURS, coatChart } from './answer/coat-chart';
import { CoatMapPanel } from './map/coat-map-panel';
import { BENCHES, benchSchema, followAddress, type Bench } from './coat-address';
import { CoatScreen } from './coat-screen';
import { cannotWords, comparedWords, basisWords, standWords, tooShortWords, waitWords, windowWords } from './coat-words';
import { DipBench, timerKeptSchema, type TimerKept } from './dips/dip-bench';
import { DipsPanel } from './dips/dips-panel';
import { DryingPanel } from './drying/drying-panel';
import { EqualCoatsPanel } from './other-methods/equal-coats-panel';
import { GlazeUsePanel } from './glaze-use/glaze-use-panel';
import { HistoryPanel } from './history/history-panel';
import { ScaleBucketPanel } from './on-the-scale/scale-bucket-panel';
import { CoatSection } from './answer/coat-section';
import { StepTilePanel } from './tiles/step-tile-panel';
import { WindowPanel } from './window/window-panel';
import { SelectField } from '../../ui/select-field';
import { AutocompleteField } from '../../ui/autocomplete-field';
import { Checkbox } from '../../ui/checkbox';
import type { FieldOption } from '../../ui/options';
import { Slider } from '../../ui/slider';
import { Tabs } from '../../ui/tabs';
import { ResourceState } from '../../ui/resource-state';
import { EmptyState } from '../../ui/empty-state';
import { ExplainedText } from '../../parts/words/explained-text';

/** The pointer picks up what is this near, px. */
const REACH_PX = 26;
/** Above this share of the wall's water, a coat over it must wait until it is dry through. */
const DRY_THROUGH_SHARE = 0.7;

/** Seconds for a coat and a coat for seconds, for this bucket on this body, both ways at once. */
/** Closer than this, an SG is the bucket's own. */
const SAME_SG = 0.0005;

@Component({
  selector: 'cz-coat-station',
  imports: [
    AutocompleteField,
    Checkbox,
    Choice,
    CoatMapPanel,
    CoatSection,
    DipBench,
    DipsPanel,
    DryingPanel,
    EmptyState,
    EqualCoatsPanel,
    ExplainedText,
    GlazeUsePanel,
    HistoryPanel,
    LineChart,
    MatButton,
    NumberField,
    ResourceState,
    RouterLink,
    ScaleBucketPanel,
    SelectField,
    Slider,
    StepTilePanel,
    Tabs,
    WindowPanel,
  ],
  providers: [CoatScreen],
  templateUrl: './coat-station.html',
  styleUrl: './coat-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CoatStation {
  /** From the address: the bucket. */
  readonly bucket = input<string>();
  /** From the address: the body of a tile that is to be read. */
  readonly body = input<string>();
  /** A tile that was looked up by its code. */
  readonly tile = input<string>();
  /** From the address: a window that is to be looked at. */
  readonly window = input<string>();
  /** From the address: which panel is open. */
  readonly panel = input<string>();
  protected readonly screen = inject(CoatScreen);
  private readonly nowAt = inject(Clock).at;
  private readonly preferences = inject(PreferencesStore).value;
  protected readonly units = inject(Units);
  protected readonly faces = [
    ['outside', 'outside'],
    ['inside', 'inside'],
    ['both', 'both'],
  ] as const;
  protected readonly views = [
    ['curve', 'seconds'],
    ['map', 'seconds and SG'],
  ] as const;
  protected readonly alsoOptions = [
    ['sg', 'SG wanted'],
    ['second', 'second dip'],
    ['walls', 'thin and thick wall'],
  ] as const;
  protected readonly alsoColours = COMPARISON_COLOURS;
  protected readonly benches = BENCHES;
  protected readonly bench = sessionSignal<{ bench: Bench }>('coat-bench', { bench: 'dips' }, (kept) => benchSchema.safeParse(kept).data);
  protected readonly stands = computed(() => {
    const contents = this.screen.bucket()?.contents;
    if (!contents) return [];
    const risk = suspensionRisk({ parts: weighedParts({ parts: contents.parts, powders: this.screen.all.value()?.powders ?? [] }) });
    const need =
      risk &&
      stirringNeed({ suspension: risk.suspension, flocculated: contents.slurryState === 'flocculated', epsomGrams: contents.additives?.epsomGrams });
    const due = need && stirringDue({ need, stirredAt: contents.stirredAt, nowAt: this.nowAt() });
    return standWords(contents, due ? need.every : undefined);
  });
  protected readonly windowSays = computed(() => {
    const [result, window, coatMm] = [this.screen.result(), this.screen.window(), this.screen.question().coatMm];
    const lnSd = result?.kind === 'ok' ? result.value.band?.lnSd : undefined;
    return window && coatMm && lnSd !== undefined ? windowWords(window, { coatMm, lnSd }, this.units) : '';
  });
  /** The full-screen dip timer, and the seconds it returned. */
  protected readonly timer = deviceSignal<TimerKept>(
    'dip-timer',
    { open: false, dips: [], silent: false },
    (kept) => timerKeptSchema.safeParse(kept).data,
  );
  /** The SG is another than the bucket's: all answers are "what if". */
  protected readonly whatIf = computed(() => {
    const [asked, inside] = [this.screen.question().sg, this.screen.bucket()?.contents?.sg];
    return asked !== null && inside !== undefined && Math.abs(asked - inside) >= SAME_SG
      ? `What if it were ${this.units.sgFine(asked)}: the bucket stands at ${this.units.sgFine(inside)}.`
      : '';
  });
  protected readonly basis = computed(() =>
    basisWords(this.screen.knowledge().basis, this.screen.lessons.coverage(), this.screen.bisque()?.lot?.thirst !== undefined),
  );
  protected readonly cannot = computed(() => {
    const [result, coatMm, sg] = [this.screen.result(), this.screen.question().coatMm, this.screen.sg()];
    return result?.kind === 'ok' && coatMm !== null && sg !== null ? cannotWords(result.value.wanted, { coatMm, sg }, this.units) : undefined;
  });
  protected readonly tooShort = computed(() => {
    const [result, coatMm] = [this.screen.result(), this.screen.question().coatMm];
    if (result?.kind !== 'ok' || coatMm === null || result.value.wanted.kind !== 'ok' || !result.value.tooShort) return undefined;
    return tooShortWords(result.value.tooShort, { coatMm, seconds: result.value.wanted.seconds }, this.units);
  });
  protected readonly compared = computed(() => {
    const [coatMm, glaze] = [this.screen.question().coatMm, this.screen.glaze()];
    return coatMm && glaze ? comparedWords(coatCompared({ coatMm, ...glaze }), this.units) : '';
  });
  protected readonly waitVerdict = computed(() => {
    const [wait, state] = [this.screen.wait(), this.screen.wallState()];
    const result = this.screen.result();
    if (!wait || !state || result?.kind !== 'ok') return undefined;
    const touched = this.screen.question().treatments.length > 0;
    return touched || result.value.wanted.kind === 'wallSaturated' ? waitWords(wait, state, touched, this.units) : undefined;
  });
  /** What is left of the wall once this coat is on. */
  protected readonly fullAfter = computed(() => {
    const [state, result] = [this.screen.wallState(), this.screen.result()];
    const coat = result?.kind === 'ok' ? result.value.band?.coat : undefined;
    if (!state || coat?.kind !== 'ok') return undefined;
    const used = wallUsed({ ...state, takenMm: state.takenMm + coat.waterTakenMm * this.screen.faces().length });
    return used > DRY_THROUGH_SHARE ? Math.round(100 * used) : undefined;
  });
  /** Axes stay fixed during a drag in the picture. */
  private readonly held = signal<{ what: 'coat' | 'sg' | 'seconds'; mostSeconds: number; mostMm: number } | undefined>(undefined);
  protected readonly chart = computed(() => {
    this.preferences();
    const result = this.screen.result();
    const { seconds, coatMm } = this.screen.question();
    if (result?.kind !== 'ok' || result.value.curve.length === 0) return undefined;
    const { at, curve } = result.value;
    return coatChart(curve, {
      coatMm: coatMm!,
      seconds: seconds!,
      atSecondsMm: at.coat.kind === 'ok' ? at.coat.coatMm : undefined,
      dips: this.screen.pairDips(),
      sg: this.screen.sg()!,
      window: this.screen.window(),
      also: this.screen.also(),
      held: this.held(),
    });
  });
  /** What one dip differs from another averages out over many. */
  protected meanWords(band: CoatPrediction | undefined): string {
    return band?.meanLowMm === undefined ? '' : `Many such dips average ${this.units.coat(band.meanLowMm)} to ${this.units.coat(band.meanHighMm!)}.`;
  }

  protected readonly chartWords = computed(() => {
    const result = this.screen.result();
    const last = result?.kind === 'ok' ? result.value.curve.at(-1) : undefined;
    return last
      ? `Coat against seconds: up to ${this.units.coat(last.coatMm)} after ${this.units.seconds(last.seconds)}, the next dip four times in five ${this.units.coat(last.lowMm)} to ${this.units.coat(last.highMm)}.`
      : '';
  });
  protected readonly bucketOptions = computed((): FieldOption[] =>
    this.screen.buckets().map((one) => [one.id, `${one.body.name}, ${one.code}`] as const),
  );
  protected readonly clayBodyOptions = computed((): FieldOption[] =>
    this.screen.bodies().map((one) => [one.id, `${one.name}, bisque ${one.bisqueCone}`] as const),
  );
  protected readonly bisqueLotOptions = computed((): FieldOption[] =>
    (this.screen.body()?.lots ?? []).map((one) => [one.id, `${one.name}, cone ${one.bisqueCone}`] as const),
  );

  constructor() {
    inject(Keys).bind([{ keys: ['t'], words: 'dip timer', run: () => this.openTimer() }]);
    followAddress(this, this.screen, (bench) => this.bench.set({ bench }));
  }

  protected openTimer(): void {
    this.timer.update((timer) => ({ ...timer, open: true }));
  }

  protected leaveTimer(seconds: readonly number[]): void {
    this.timer.update((timer) => ({ ...timer, open: false, dips: [] }));
    this.screen.timed.set(seconds);
    if (seconds.length > 0) this.bench.set({ bench: 'dips' });
  }

  protected toggleAlso(which: (typeof this.alsoOptions)[number][0], on: boolean): void {
    const also = this.screen.question().also.filter((one) => one !== which);
    this.screen.change({ also: on ? [...also, which] : also });
  }

  /** The dashed line is the wanted coat, the curve the SG, the dot the time: the nearest one is dragged. */
  protected grab(point: ChartPoint): void {
    const { coatMm, seconds } = this.screen.question();
    const result = this.screen.result();
    const predict = this.screen.predictor();
    if (result?.kind !== 'ok' || !predict || coatMm === null || seconds === null) return;
    const { at, curve, mostSeconds } = result.value;
    const onCurve = predict(Math.max(0, point.x)).coat;
    const away = (mm: number): number => Math.abs(point.y - mm) / point.perPixelY;
    const dot = at.coat.kind === 'ok' ? Math.hypot((point.x - seconds) / point.perPixelX, away(at.coat.coatMm)) : Infinity;
    const near = [
      // The dot first: it lies on the curve.
      { what: 'seconds' as const, px: dot - REACH_PX / 2 },
      { what: 'coat' as const, px: away(coatMm) },
      { what: 'sg' as const, px: onCurve.kind === 'ok' ? away(onCurve.coatMm) : Infinity },
    ].sort((a, b) => a.px - b.px)[0]!;
    if (near.px > REACH_PX) return;
    const mostMm = Math.max(1.6 * coatMm, curve.at(-1)?.highMm ?? 0);
    this.held.set({ what: near.what, mostSeconds, mostMm });
  }

  protected drag(point: ChartPoint): void {
    const held = this.held();
    const situation = this.screen.situation();
    if (!held || !situation) return;
    const within = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
    if (held.what === 'coat') this.screen.change({ coatMm: Number(within(point.y, 0.05, 5).toFixed(2)) });
    if (held.what === 'seconds') this.screen.change({ seconds: Number(within(point.x, 0, 60).toFixed(1)) });
    if (held.what === 'sg' && point.y > 0.01 && point.x > 0.05) {
      const answer = sgForCoat({ ...situation, seconds: point.x, coatMm: point.y }, this.screen.knowledge());
      const sg = answer.kind === 'ok' ? answer.sg : answer.mostSg;
      this.screen.change({ sg: Number(within(sg, 1.02, 2.2).toFixed(3)) });
    }
  }

  protected drop(): void {
    this.held.set(undefined);
  }

  /** Nobody counts finer than a tenth of a second. */
  protected tenths(seconds: number): string {
    return seconds.toFixed(1);
  }
}
