import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { Router, RouterLink } from '@angular/router';
import {
  areaCm2,
  attempt,
  chosenOrder,
  dayItemFromPiece,
  MOST_LAYERS,
  orderWarnings,
  outsideRun,
  PIECE_SHAPES,
  pieceWarnings,
  sortWarnings,
  stepWords,
  knowledgeOf,
  learnCoats,
  timeSteps,
  type CoatKnowledge,
  type GlazeFacts,
  ZONES,
  type TimedStep,
} from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { NOW } from '../../../data/clock';
import { bisqueOf, wallsOf } from '../../../data/bisque';
import { glazeOf, observationsOf } from '../../../data/coat-learning';
import { deed } from '../../../data/deed';
import { Glazes } from '../../../data/glazes';
import { Keys } from '../../../data/keys';
import { loadedFor } from '../../../data/load';
import { StudioApi } from '../../../data/studio-api';
import { localDay } from '../../../data/times';
import { Units } from '../../../data/units';
import { Coming } from '../../../parts/coming';
import { NumberField } from '../../../parts/number-field';
import { PieceSection } from '../../../parts/piece-section';
import { Says } from '../../../parts/says';
import { TwoVersions } from '../../../parts/two-versions';
import { WarningList } from '../../../parts/warning-list';
import { PieceDraft } from './piece-draft';
import { PutOnDay } from './put-on-day';
import { RunPanel } from './run-panel';
import { dipTrouble, waitWords, WAYS, ZONE_WORDS } from './piece-words';
import { WaysPanel } from './ways-panel';

/** A piece in section with its zones, coats and wax; the steps that get there; what will go wrong. */
@Component({
  selector: 'cz-piece-planner',
  imports: [
    RouterLink,
    CdkDropList,
    CdkDrag,
    CdkDragHandle,
    MatIcon,
    NumberField,
    PieceSection,
    RunPanel,
    Says,
    Coming,
    TwoVersions,
    WarningList,
    WaysPanel,
  ],
  providers: [PieceDraft],
  templateUrl: './piece-planner.html',
  styleUrl: './piece-planner.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PiecePlanner {
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  private readonly glazes = inject(Glazes);
  private readonly router = inject(Router);
  private readonly toDay = inject(PutOnDay);
  protected readonly units = inject(Units);
  protected readonly draft = inject(PieceDraft);
  protected readonly putting = deed();
  protected readonly zones = ZONES;
  protected readonly zoneWords = ZONE_WORDS;
  protected readonly ways = WAYS;
  protected readonly mostLayers = MOST_LAYERS;
  protected readonly shapes = PIECE_SHAPES;
  protected readonly all = loadedFor(
    () => this.id(),
    (id) => combineLatest({ piece: this.api.piece(id), bodies: this.api.bodies(), glazes: this.glazes.all() }),
  );
  private readonly now = inject(NOW);
  protected readonly date = signal(localDay(this.now()));
  protected readonly buckets = computed(() => this.all.value()?.glazes.buckets.filter((bucket) => bucket.contents) ?? []);
  protected readonly facts = computed(() => this.all.value()?.glazes.facts ?? []);
  protected readonly bodies = computed(() => this.all.value()?.bodies ?? []);
  protected readonly colours = computed(() => new Map(this.buckets().map((bucket) => [bucket.id, bucket.body.colour])));
  protected readonly names = computed(() => new Map(this.buckets().map((bucket) => [bucket.id, bucket.body.name])));
  protected readonly clay = computed(() => this.bodies().find((body) => body.id === this.draft.body()?.bodyId));
  protected readonly shape = computed(() => PIECE_SHAPES.find((shape) => shape.id === this.draft.body()?.plan.shapeId) ?? PIECE_SHAPES[0]!);
  protected readonly area = computed(() => areaCm2({ profile: this.shape().outside }));
  /** The studio's own dips sharpen the seconds of its plans. */
  private readonly learning = computed(() =>
    learnCoats({ observations: observationsOf(this.all.value()?.glazes.dips ?? []), walls: wallsOf(this.bodies()) }),
  );
  protected readonly clayFacts = computed(() => {
    const clay = this.clay();
    return clay && { ...bisqueOf(clay), name: clay.name };
  });
  protected readonly knowledge = computed(() => {
    const [learning, buckets, bodyId] = [this.learning(), this.buckets(), this.clay()?.id ?? ''];
    return (glaze: GlazeFacts): CoatKnowledge => {
      const bucket = buckets.find((one) => one.id === glaze.bucketId);
      return knowledgeOf(learning, { glazeId: bucket ? glazeOf(bucket) : glaze.bucketId, bodyId });
    };
  });
  protected readonly steps = computed<TimedStep[]>(() => {
    const plan = this.draft.body()?.plan;
    const clay = this.clayFacts();
    if (!plan || !clay) return [];
    const timed = attempt(() =>
      timeSteps({
        steps: chosenOrder({ plan, glazes: this.facts() }),
        glazes: this.facts(),
        body: clay,
        wallMm: this.shape().wallMm,
        knowledge: this.knowledge(),
      }),
    );
    return timed.kind === 'ok' ? timed.value : [];
  });
  protected readonly stepRows = computed(() => {
    const waxFootMm = this.draft.body()?.plan.waxFootMm ?? 0;
    return this.steps().map((step) => {
      const glazeName = this.facts().find((glaze) => glaze.bucketId === step.layer?.bucketId)?.name;
      return {
        key: step.key,
        kind: step.kind,
        colour: this.colours().get(step.layer?.bucketId ?? ''),
        words: stepWords({ step, glazeName, waxFootMm }),
        wait: waitWords(step),
        trouble: dipTrouble(step, this.units),
      };
    });
  });
  protected readonly warnings = computed(() => {
    const plan = this.draft.body()?.plan;
    if (!plan) return [];
    const glazes = this.facts();
    return sortWarnings({
      warnings: [...pieceWarnings({ plan, shape: this.shape(), glazes }), ...orderWarnings({ plan, steps: this.steps(), glazes })],
      putAside: plan.putAside,
    });
  });
  protected readonly run = computed(() => {
    const plan = this.draft.body()?.plan;
    return plan && outsideRun({ plan, shape: this.shape(), glazes: this.facts() });
  });
  protected readonly hasGlaze = computed(() => this.steps().some((step) => step.kind === 'layer'));
  protected readonly handMinutes = computed(() => this.steps().reduce((sum, step) => sum + step.handSeconds, 0) / 60);
  protected readonly isOwnOrder = computed(() => (this.draft.body()?.plan.order.length ?? 0) > 0);

  constructor() {
    // Lives until the draft ends its stream, so that the last save is not cut off.
    this.draft.saves$.subscribe();
    effect(() => {
      const piece = this.all.value()?.piece;
      if (piece) untracked(() => this.draft.open(piece));
    });
    inject(Keys).bind([{ keys: ['u'], words: 'take the last change back', run: () => this.draft.undo() }]);
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected whole(value: number): number {
    return Math.max(1, Math.round(value));
  }

  protected addLayer(zone: (typeof ZONES)[number]): void {
    const first = this.buckets()[0];
    if (first) this.draft.addLayer(zone, first.id);
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    this.move(event.previousIndex, event.currentIndex);
  }

  protected move(from: number, to: number): void {
    const order = this.steps().map((step) => step.key);
    if (to < 0 || to >= order.length || from === to) return;
    moveItemInArray(order, from, to);
    this.draft.plan({ order });
  }

  protected putAside(entry: { rule: string; reason: string }): void {
    this.draft.plan({ putAside: [...this.draft.body()!.plan.putAside, entry] });
  }

  protected takeBack(rule: string): void {
    this.draft.plan({ putAside: this.draft.body()!.plan.putAside.filter((entry) => entry.rule !== rule) });
  }

  protected putOnDay(): void {
    const body = this.draft.body();
    if (!body || !this.date()) return;
    const item = dayItemFromPiece({
      pieceId: this.id(),
      name: body.name,
      count: body.count,
      waxFootMm: body.plan.waxFootMm,
      steps: this.steps(),
      glazes: this.facts(),
      newId: uuid,
    });
    const date = this.date();
    this.putting.run(this.toDay.put(date, item), () => void this.router.navigate(['/day'], { queryParams: { date } }));
  }
}
