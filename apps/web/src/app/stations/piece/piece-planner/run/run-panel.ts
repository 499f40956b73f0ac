import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  attempt,
  flowInFiring,
  heightAlong,
  quickBand,
  quickRun,
  runChances,
  sideKey,
  sidesToRun,
  startForEdge,
  tallMm,
  USUAL_CONE,
  widestMm,
  type FiringAsked,
  type GlazeFacts,
  type PairFlow,
  type PiecePlan,
  type PieceShape,
  type RunMoment,
  type SafeLineQuestion,
  type SideToRun,
} from '@cazuela/core';
import { drag, type D3DragEvent } from 'd3-drag';
import { select } from 'd3-selection';
import { auditTime, catchError, combineLatest, EMPTY, map, of, startWith, switchMap, timer, type Observable } from 'rxjs';
import { sessionSignal } from '../../../../data/offline/kept-signal';
import { Units } from '../../../../data/units/units';
import { Choice } from '../../../../ui/choice';
import { NumberField } from '../../../../ui/number-field';
import { PieceRuns, type RunState } from './piece-runs';
import { COOLING_WORDS, firingSchema, PLACE_WORDS, USUAL_FIRING, type AskedFiring } from './run-asked';
import { FILM_EXAGGERATION, RunDrawing } from './run-drawing';
import { marksOf } from './run-marks';
import { coatsFor } from './run-request';
import { basisOfRun, poolWords, reachWords, safeLineWords, sideWords, unknownsOf } from './run-words';
import { SelectField } from '../../../../ui/select-field';
import { Slider } from '../../../../ui/slider';
import { CONE_OPTIONS } from '../../../../data/units/cone-options';
import { ExplainedText } from '../../../../parts/words/explained-text';

/** Two thousand runs start once a drag has rested this long, ms. */
const REST_MS = 250;
/** During a drag the quick band follows this often, ms. */
const LIVE_MS = 40;
/** Cones at which flow figures still mean something. */
const USUAL_CONES = ['4', '5', '6', '7', '8'];

/** How far the glaze will run on this piece in this firing: drawn, in figures with a range, and where it may start. */
@Component({
  selector: 'cz-run-panel',
  imports: [Choice, ExplainedText, MatButton, MatProgressBar, NumberField, SelectField, Slider],
  templateUrl: './run-panel.html',
  styleUrl: './run-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunPanel {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  readonly glazes = input.required<readonly GlazeFacts[]>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly clay = input('#E4D8C2');
  /** Pairs whose overlap was measured here. */
  readonly overlaps = input<readonly PairFlow[]>([]);
  /** Seconds of each layer's dip, if its coat were another. */
  readonly secondsOf = input<(plan: PiecePlan) => ReadonlyMap<string, number>>(() => new Map());
  /** The piece is being dragged: runs of its old form are stopped. */
  readonly moving = input<Observable<boolean>>(of(false));
  /** A change of the plan, taken with one tap. */
  readonly planned = output<Partial<PiecePlan>>();
  /** A runner tile wanted of these buckets. */
  readonly tile = output<readonly string[]>();
  private readonly runs = inject(PieceRuns);
  protected readonly units = inject(Units);
  protected readonly coolings = COOLING_WORDS;
  protected readonly places = PLACE_WORDS;
  protected readonly exaggeration = FILM_EXAGGERATION;
  protected readonly asked = sessionSignal<AskedFiring>('firing', USUAL_FIRING, (kept) => firingSchema.safeParse(kept).data);
  protected readonly stopped = signal(false);
  /** How often the same question was asked again. */
  private readonly round = signal(0);
  protected readonly look = signal(12);
  protected readonly wantedEdgeMm = signal<number | null>(null);
  protected readonly cone = computed(() => this.plan().cone ?? USUAL_CONE);
  /** The plan's own cone too, however far away. */
  protected readonly cones = computed(() => CONE_OPTIONS.filter(([cone]) => USUAL_CONES.includes(cone) || cone === this.cone()));
  private readonly question = computed<SafeLineQuestion>(
    () => {
      const { holdMinutes, cooling, place } = this.asked();
      const firing: FiringAsked = { cone: this.cone(), cooling, place, ...(holdMinutes === null ? {} : { holdMinutes }) };
      const ratio = attempt(() => flowInFiring(firing));
      const {
        putAside: _aside,
        order: _order,
        versions: _versions,
        pins: _pins,
        decoratingColours: _decoratingColours,
        unwanted: _unwanted,
        ...plan
      } = this.plan();
      return {
        // Only what decides the run: another order of steps asks for nothing new.
        plan: { ...plan, order: [], putAside: [] },
        shape: this.shape(),
        glazes: this.glazes(),
        firingRatio: ratio.kind === 'ok' ? ratio.value : 1,
        overlaps: this.overlaps(),
      };
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  /** Every path down that has glaze on it: outside, inside, handle or lugs, each panel. */
  private readonly sides = computed(() => {
    const made = attempt(() => sidesToRun(this.question()));
    return made.kind === 'ok' ? made.value : [];
  });
  protected readonly outside = computed(() => this.sides().find(({ side }) => side === 'outside'));
  protected readonly inside = computed(() => this.sides().find(({ side }) => side === 'inside'));
  private readonly asking = computed(() => ({ question: this.question(), round: this.round(), stopped: this.stopped() }));
  private readonly answered = toSignal(
    combineLatest([toObservable(this.asking), toObservable(this.moving).pipe(switchMap((moving) => moving))]).pipe(
      switchMap(([{ question, round, stopped }, moves]) =>
        stopped || moves || this.isAnswered(question, round) ? EMPTY : this.answerOf(question, round),
      ),
    ),
  );
  /** What the workers answered, while it belongs to the plan that is shown. */
  protected readonly state = computed(() => {
    const answered = this.answered();
    return answered?.question === this.question() ? answered?.state : undefined;
  });
  /** One coarse solve for the band during a drag: outside the frame in which the drawing follows. */
  private readonly quick = toSignal(
    toObservable(this.question).pipe(
      auditTime(LIVE_MS),
      map((question) => {
        const made = attempt(() => quickRun({ ...question, side: 'outside' }));
        return made.kind === 'ok' && made.value ? { question, quick: made.value } : undefined;
      }),
    ),
  );
  protected readonly working = computed(() => !this.stopped() && this.state() !== undefined && !this.state()!.finished);
  protected readonly drawing = computed(() => new RunDrawing(this.shape()));
  /** The fine film when it is there, the coarse one until then. */
  protected readonly films = computed(() => {
    const [state, quick] = [this.state(), this.quick()?.quick];
    const parts = this.runSides().flatMap((side): [SideToRun, RunMoment][] => {
      const moments = state?.moments?.[side.side];
      const moment = moments?.[Math.min(moments.length - 1, this.look())];
      if (moment) return [[side, moment]];
      return quick && side.side === 'outside' ? [[quick.side, quick.middle]] : [];
    });
    return parts.flatMap(([side, moment]) =>
      this.drawing()
        .film(side, moment)
        .map((d, index) => ({ d, colour: this.colours().get(side.layers[index]!.layer.bucketId) ?? '#999999' })),
    );
  });
  /** Two thousand runs when they are there, the quick band until then. */
  private readonly chances = computed(() => {
    const [side, drawn, quick] = [this.outside(), this.state()?.drawn?.outside, this.quick()];
    if (side && drawn) return runChances(side, drawn);
    return side && quick ? quickBand(quick.quick) : undefined;
  });
  protected readonly reach = computed(() => {
    const [side, chances] = [this.outside(), this.chances()];
    return side && chances ? reachWords(side, chances, this.units) : undefined;
  });
  protected readonly otherSides = computed(() =>
    this.sides().flatMap((side) => {
      if (side.side === 'outside' || side.side === 'inside') return [];
      const drawn = this.state()?.drawn?.[sideKey(side)];
      return drawn ? [sideWords(side, runChances(side, drawn), this.plan(), this.shape())] : [];
    }),
  );
  protected readonly safe = computed(() => {
    const line = this.state()?.safeLine;
    return line && this.outside() ? safeLineWords(line, this.plan().waxFootMm) : undefined;
  });
  protected readonly wish = computed(() => {
    const [wanted, side, quick] = [this.wantedEdgeMm(), this.outside(), this.quick()?.quick];
    if (wanted === null || !side || !quick) return undefined;
    const asked = attempt(() => startForEdge(this.question(), wanted));
    if (asked.kind !== 'ok') return undefined;
    const coats = coatsFor({
      plan: this.plan(),
      quick,
      wantedMm: wanted,
      names: side.layers.map(({ layer, name }) => [layer.id, name]),
      secondsOf: this.secondsOf(),
      units: this.units,
    });
    return { startMm: Math.max(0, Math.round(asked.value)), coats };
  });
  private readonly last = computed(() => this.state()?.moments?.outside?.at(-1));
  protected readonly edges = computed(() => {
    const [side, last] = [this.outside(), this.last()];
    if (!side || !last || side.layers.length < 2) return [];
    return side.layers.flatMap(({ name }, index) => {
      const front = last.layerFrontMm[index];
      return front === undefined
        ? []
        : [`${name}, coat ${index + 1}: its own edge ends about ${this.units.roughly(heightAlong(side.strip, front))} up.`];
    });
  });
  protected readonly pools = computed(() => {
    const last = this.state()?.moments?.inside?.at(-1);
    return last && poolWords(Math.max(...last.heightMm), last.heightMm[5] ?? 0, this.units);
  });
  private readonly runSides = computed(() => [this.outside(), this.inside()].flatMap((side) => (side ? [side] : [])));
  protected readonly unknown = computed(() => unknownsOf(this.runSides(), this.overlaps()));
  /** Fired feet behind the glazes that run here. */
  private readonly feet = computed(() => {
    const used = new Set(this.runSides().flatMap((side) => side.layers.map((layer) => layer.layer.bucketId)));
    return this.glazes().reduce((sum, { bucketId, flow }) => sum + (used.has(bucketId) ? (flow.feet ?? 0) : 0), 0);
  });
  protected readonly basis = computed(() => basisOfRun(this.runSides(), this.overlaps(), this.feet(), this.state()?.drawn !== undefined));
  protected readonly marks = computed(() => {
    const [side, drawing] = [this.outside(), this.drawing()];
    return side ? marksOf(side, this.chances(), drawing, drawing.x(widestMm(this.shape())), this.units) : [];
  });
  /** Where four of five edges end. */
  protected readonly bandOnPaper = computed(() => {
    const [side, drawing, chances] = [this.outside(), this.drawing(), this.chances()];
    if (!side || !chances) return undefined;
    const [high, low] = [heightAlong(side.strip, side.startMm + chances.lowMm), heightAlong(side.strip, side.startMm + chances.highMm)];
    const y = drawing.y(high);
    return { y, height: Math.max(1, drawing.y(low) - y), width: drawing.x(widestMm(this.shape())) + 20 };
  });
  protected readonly said = computed(() => `The melted glaze on the section. ${this.reach()?.edge ?? ''}`);
  protected readonly wantedShown = computed(() => {
    const [wanted, side, chances] = [this.wantedEdgeMm(), this.outside(), this.chances()];
    return wanted ?? (side && chances ? Math.round(heightAlong(side.strip, side.startMm + chances.middleMm)) : 0);
  });
  protected readonly wantedX = computed(() => this.drawing().x(widestMm(this.shape())) + 136);
  protected readonly wantedY = computed(() => this.drawing().y(this.wantedShown()));
  private readonly sheet = viewChild<ElementRef<SVGSVGElement>>('sheet');
  private readonly knob = viewChild<ElementRef<SVGGElement>>('wanted');

  constructor() {
    const dragBehavior = drag<SVGGElement, unknown>()
      .container(() => this.sheet()!.nativeElement)
      .subject(() => ({ x: this.wantedX(), y: this.wantedY() }))
      .on('drag', (event: D3DragEvent<SVGGElement, unknown, unknown>) => this.want(this.drawing().heightAt(event.y)));
    afterRenderEffect(() => {
      const knob = this.knob();
      if (knob) select<SVGGElement, unknown>(knob.nativeElement).call(dragBehavior);
    });
  }

  /** A drag that returned to its start finds its runs as they were. */
  private isAnswered(question: SafeLineQuestion, round: number): boolean {
    const answered = untracked(this.answered);
    return answered?.question === question && answered.round === round && answered.state.finished;
  }

  private answerOf(
    question: SafeLineQuestion,
    round: number,
  ): Observable<{ question: SafeLineQuestion; round: number; state: RunState } | undefined> {
    return timer(REST_MS).pipe(
      switchMap(() => this.runs.run(question)),
      catchError((error: unknown) => of({ failure: error instanceof Error ? error.message : String(error), finished: true } as RunState)),
      map((state) => ({ question, round, state })),
      startWith(undefined),
    );
  }

  protected change(change: Partial<AskedFiring>): void {
    this.stopped.set(false);
    this.asked.update((asked) => ({ ...asked, ...change }));
  }

  protected again(): void {
    this.stopped.set(false);
    this.round.update((round) => round + 1);
  }

  protected pressWanted(event: KeyboardEvent): void {
    const by = { ArrowUp: 1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    this.want(this.wantedShown() + by);
  }

  private want(heightMm: number): void {
    this.wantedEdgeMm.set(Math.round(Math.min(tallMm(this.shape()), Math.max(0, heightMm))));
  }
}
