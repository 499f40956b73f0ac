import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  input,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import {
  attempt,
  heightAlong,
  isTurnedOver,
  quickRun,
  tallMm,
  widestMm,
  type PiecePlan,
  type PieceShape,
  type RunMoment,
  type SideToRun,
} from '@cazuela/core';
import { drag, type D3DragEvent } from 'd3-drag';
import { select } from 'd3-selection';
import { takeWhile, timer } from 'rxjs';
import { Units } from '../../../../data/units/units';
import { Slider } from '../../../../ui/slider';
import { PlanRun } from './plan-run';
import { FILM_EXAGGERATION, RunDrawing } from './run-drawing';
import { marksOf } from './run-marks';

/** Moments of the firing that are drawn. */
const LOOKS = 12;
/** From one moment to the next when it is played, ms. */
const FRAME_MS = 250;

/** The piece in the fire: the melted film on its section through the firing, where its edge ends, the safe line, and the edge that is wanted. */
@Component({
  selector: 'cz-fire-view',
  imports: [MatIcon, MatIconButton, Slider],
  templateUrl: './fire-view.html',
  styleUrl: './fire-view.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FireView {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly clay = input('#E4D8C2');
  protected readonly run = inject(PlanRun);
  protected readonly units = inject(Units);
  protected readonly exaggeration = FILM_EXAGGERATION;
  protected readonly looks = LOOKS;
  protected readonly look = signal(LOOKS);
  protected readonly playing = signal(false);
  private readonly destroyed = inject(DestroyRef);
  protected readonly outside = computed(() => this.run.sides().find(({ side }) => side === 'outside'));
  /** A wanted end is of an edge that runs towards the shelf. */
  protected readonly canWant = computed(() => this.outside() !== undefined && !isTurnedOver(this.plan()));
  protected readonly drawing = computed(() => new RunDrawing(this.shape(), isTurnedOver(this.plan())));
  /** The fine film when it is there, a coarse one until then. */
  protected readonly films = computed(() => {
    const moments = this.run.state()?.moments ?? {};
    const parts = this.run
      .sides()
      .filter(({ side }) => side === 'outside' || side === 'inside')
      .flatMap((side): [SideToRun, RunMoment][] => {
        const all = moments[side.side];
        const moment = all?.[Math.min(all.length - 1, this.look())];
        if (moment) return [[side, moment]];
        const quick = side.side === 'outside' ? this.quick() : undefined;
        return quick ? [[quick.side, quick.middle]] : [];
      });
    return parts.flatMap(([side, moment]) =>
      this.drawing()
        .film(side, moment)
        .map((d, index) => ({ d, colour: this.colours().get(side.layers[index]!.layer.bucketId) ?? '#999999' })),
    );
  });
  private readonly quick = computed(() => {
    const question = this.run.question();
    const made = question ? attempt(() => quickRun({ ...question, side: 'outside' })) : undefined;
    return made?.kind === 'ok' ? made.value : undefined;
  });
  private readonly chances = computed(() => this.run.forecast()?.sides.find(({ side }) => side === 'outside'));
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
  protected readonly safeY = computed(() => {
    const line = this.run.safeLine();
    return line?.kind === 'ok' && this.canWant() ? this.drawing().y(line.waxFootMm) : undefined;
  });
  protected readonly wantedShown = computed(() => this.run.wantedEdgeMm() ?? Math.round(this.chances()?.middleEdgeMm ?? 0));
  protected readonly wantedX = computed(() => this.drawing().x(widestMm(this.shape())) + 136);
  protected readonly wantedY = computed(() => this.drawing().y(this.wantedShown()));
  protected readonly mostMm = computed(() => Math.round(tallMm(this.shape())));
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

  /** From the cold glaze to the end of the firing. */
  protected play(): void {
    this.playing.update((playing) => !playing);
    if (!this.playing()) return;
    this.look.set(0);
    timer(FRAME_MS, FRAME_MS)
      .pipe(
        takeWhile(() => this.playing() && this.look() < LOOKS),
        takeUntilDestroyed(this.destroyed),
      )
      .subscribe({ next: () => this.look.update((look) => look + 1), complete: () => this.playing.set(false) });
  }

  protected pressWanted(event: KeyboardEvent): void {
    const by = { ArrowUp: 1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    this.want(this.wantedShown() + by);
  }

  private want(heightMm: number): void {
    this.run.wantedEdgeMm.set(Math.round(Math.min(tallMm(this.shape()), Math.max(0, heightMm))));
  }
}
