import { BreakpointObserver } from '@angular/cdk/layout';
import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, signal, untracked, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { LIMITS, type PieceBody } from '@cazuela/contract';
import { attempt, dayItemFromPiece, glazeIdOf, seenCombinations, shapeOf, USUAL_CONE, variedPlan, type DayItem, type PiecePlan } from '@cazuela/core';
import { map } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../data/http/mutation';
import { addressed, titleOf } from '../../../data/state/address';
import { Keys } from '../../../data/devices/keys';
import { NOW } from '../../../data/state/clock';
import { MadeBefore } from '../../../parts/made-before';
import { DayItems } from '../../../data/state/day-items';
import { localDay } from '../../../data/units/times';
import { PutAwayNote } from '../../../parts/records/put-away-note';
import { RecordMenu } from '../../../parts/records/record-menu';
import { TwoVersions } from '../../../parts/two-versions';
import { DateField } from '../../../ui/date-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { Notice } from '../../../ui/notice';
import { Loading } from '../../../ui/loading';
import { Tabs } from '../../../ui/tabs';
import { TextField } from '../../../ui/text-field';
import { PlanRunner } from '../runner-bench/plan-runner';
import { AlternativesPanel } from './alternatives/alternatives-panel';
import { ComparePanel } from './compare/compare-panel';
import { PieceFields } from './board/piece-fields';
import { PieceSheet, type SheetMode } from './board/piece-sheet';
import { PieceDraft } from './draft/piece-draft';
import { PieceHeadline } from './figures/piece-headline';
import { PieceSums } from './figures/piece-sums';
import { PlanVerdict } from './figures/plan-verdict';
import { FilesPanel } from './files/files-panel';
import { VersionsNote } from './files/versions-note';
import { PieceScreen } from './piece-screen';
import { PartFields } from './parts/part-fields';
import { PlanParts } from './parts/plan-parts';
import { DecoratingColoursPanel } from './places/decorating-colours-panel';
import { MasksPanel } from './places/masks-panel';
import { NotMixedNote } from './places/not-mixed-note';
import { PlacePanel } from './places/place-panel';
import { placesOf } from './places/plan-place';
import { BARE, PlanPlaces, POTS } from './places/plan-places';
import { PlanRun } from './run/plan-run';
import { QuickLooks } from './run/quick-looks';
import { RunPanel } from './run/run-panel';
import { SetPanel } from './set/set-panel';
import { StepsPanel } from './steps/steps-panel';

/** Room for ", 12 of 36" behind a name. */
const COUNTED_LENGTH = 12;

type Bench = 'place' | 'steps' | 'alternatives' | 'run' | 'set' | 'files';
/** From here on places and coats have a column of their own. */
const WIDE = '(min-width: 1181px)';

/** On one screen: the piece drawn, the place that is chosen with its coats, and what comes of it, with the steps that get there. */
@Component({
  selector: 'cz-piece-planner',
  imports: [
    AlternativesPanel,
    ComparePanel,
    DateField,
    DecoratingColoursPanel,
    ErrorBanner,
    FilesPanel,
    Loading,
    MadeBefore,
    MasksPanel,
    MatButton,
    NgTemplateOutlet,
    NotMixedNote,
    PartFields,
    PieceFields,
    PieceHeadline,
    PieceSheet,
    PieceSums,
    PlacePanel,
    PlanParts,
    PlanPlaces,
    PlanVerdict,
    PutAwayNote,
    RecordMenu,
    RouterLink,
    RunPanel,
    SetPanel,
    StepsPanel,
    Tabs,
    TextField,
    TwoVersions,
    VersionsNote,
  ],
  providers: [PieceDraft, QuickLooks, PlanRun, PieceScreen],
  templateUrl: './piece-planner.html',
  styleUrl: './piece-planner.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PiecePlanner {
  readonly id = input.required<string>();
  /** From the address: the bench that is open, and the place that is chosen. */
  readonly bench = input<string>();
  readonly at = input<string>();
  protected readonly askedBench = addressed('bench', () => this.bench());
  private readonly askedPlace = addressed('at', () => this.at());
  protected readonly mode = signal<SheetMode>('zones');
  protected readonly isWide = toSignal(
    inject(BreakpointObserver)
      .observe(WIDE)
      .pipe(map(({ matches }) => matches)),
    { initialValue: true },
  );
  /** A zone, a strip, what is kept bare or the small pots; empty for the piece itself. */
  protected readonly place = Object.assign(() => (this.isPlace(this.askedPlace()) ? this.askedPlace() : ''), {
    choose: (place: string): void => {
      this.askedPlace.choose(place);
      if (!this.isWide()) this.askedBench.choose('place');
    },
  });
  private readonly verdict = viewChild(PlanVerdict);
  private readonly router = inject(Router);
  private readonly toDay = inject(DayItems);
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  protected readonly putting = createMutation();
  protected readonly tiling = createMutation();
  private readonly runner = inject(PlanRunner);
  private readonly now = inject(NOW);
  protected readonly date = signal(localDay(this.now()));
  /** These pots are on the chosen day already: pressed twice, or a second set of them. */
  protected readonly isOnDay = linkedSignal(() => (this.date(), false));
  protected readonly clay = computed(() => this.screen.clay()?.colour ?? '#E4D8C2');
  protected readonly benches = computed((): (readonly [Bench, string])[] => {
    const count = this.screen.settledBody()?.count ?? 1;
    return [
      ...(this.isWide() ? [] : [['place', 'Coats'] as const]),
      ['steps', 'Steps'],
      ['alternatives', 'Alternatives'],
      ['run', 'Run'],
      ...(count > 1 ? [['set', `Set of ${count}`] as const] : []),
      ['files', 'Files'],
    ];
  });
  /** One piece alone is no set any more. */
  protected readonly openBench = computed(() => this.benches().find(([id]) => id === this.askedBench())?.[0] ?? this.benches()[0]![0]);

  /** A strip that is gone, or an address from elsewhere, is no place. */
  private isPlace(id: string): boolean {
    const plan = this.screen.settledBody()?.plan;
    if (!plan) return false;
    if (id === POTS) return (plan.decoratingColours?.length ?? 0) > 0;
    return id === BARE || placesOf(plan, this.screen.restedShape()).some((place) => place.id === id);
  }

  constructor() {
    titleOf(() => this.screen.settledBody()?.name);
    inject(Keys).bind([{ keys: ['v'], words: 'to the verdict', run: () => this.toVerdict() }]);
    const notice = inject(Notice);
    effect(() => {
      if (this.draft.merged() > 0) notice.tell('Changed meanwhile by somebody else: both changes are kept.');
    });
    // Lives until the draft ends its stream, so that the last save is not cut off.
    this.draft.saves$.subscribe();
    this.draft.versionOf = (bucketId) => this.screen.versionOf(bucketId);
    effect(() => this.screen.id.set(this.id()));
    // Opened once: a list that comes anew leaves the draft as it is.
    const fetched = computed(() => this.screen.all.value()?.piece);
    effect(() => {
      const piece = fetched();
      if (piece) untracked(() => this.draft.open(piece));
    });
  }

  /** What the plan shows, for the wall. */
  protected readonly combinations = computed(() => {
    const plan = this.draft.settledBody()?.plan;
    const glazeOf = new Map(this.screen.buckets().map((bucket) => [bucket.id, glazeIdOf(bucket)]));
    return plan ? seenCombinations(plan, (bucketId) => glazeOf.get(bucketId)) : [];
  });
  protected readonly usualCone = USUAL_CONE;

  /** Reading goes on at the verdict, whatever was worked at. */
  protected toVerdict(): void {
    this.verdict()?.focus();
  }

  /** Plans the tile that would tell, and opens it. */
  protected planTile(bucketIds: readonly string[]): void {
    const facts = bucketIds.flatMap((id) => this.screen.facts().find((glaze) => glaze.bucketId === id) ?? []);
    this.tiling.run(this.runner.plan(facts, this.screen.buckets()), () => void this.router.navigate(['/piece/runners']));
  }

  /** All alike as one item of the day, or each piece of a set by itself; lid and saucer as items of their own. */
  protected putOnDay(again = false): void {
    const body = this.draft.whole();
    if (!body || !this.date()) return;
    const made = attempt(() => [...this.pieceItems(body), ...this.partItems(body)]);
    if (made.kind !== 'ok') return;
    const date = this.date();
    this.putting.run(this.toDay.put(date, made.value, { again }), (day) => {
      const isPut = made.value.every((item) => day?.items.some(({ id }) => id === item.id));
      this.isOnDay.set(!isPut);
      if (isPut) void this.router.navigate(['/day'], { queryParams: { date } });
    });
  }

  private pieceItems(body: PieceBody): DayItem[] {
    const set = this.screen.set();
    const pieces = set?.kind === 'ok' ? set.value : [];
    if (pieces.length === 0) return [this.dayItem(body.plan, body.name, body.count)];
    const name = body.name.slice(0, LIMITS.nameLength - COUNTED_LENGTH);
    return pieces.map((piece, at) => this.dayItem(variedPlan(body.plan, piece), `${name}, ${at + 1} of ${pieces.length}`, 1));
  }

  private partItems(body: PieceBody): DayItem[] {
    return (body.parts ?? []).map(({ name, plan }) =>
      this.dayItem(plan, `${body.name.slice(0, LIMITS.nameLength - name.length - 2)}, ${name}`, body.count),
    );
  }

  /** Which plan the pots follow, and of which clay they are. */
  private lotFacts(): Pick<DayItem, 'pieceVersion' | 'clayBodyId' | 'clayLotId'> {
    const body = this.draft.whole();
    const pieceVersion = this.draft.version();
    return {
      ...(pieceVersion === undefined ? {} : { pieceVersion }),
      ...(body ? { clayBodyId: body.bodyId } : {}),
      ...(body?.lotId ? { clayLotId: body.lotId } : {}),
    };
  }

  private dayItem(plan: PiecePlan, name: string, count: number): DayItem {
    const isShown = plan === this.screen.settledBody()?.plan;
    return dayItemFromPiece({
      pieceId: this.id(),
      name,
      count,
      waxFootMm: plan.waxFootMm,
      steps: isShown ? this.screen.steps() : this.screen.stepsFor(plan, shapeOf(plan).wallMm),
      glazes: this.screen.facts(),
      names: this.screen.names(),
      plan,
      shape: shapeOf(plan),
      lot: this.lotFacts(),
      forecast: isShown ? this.screen.run.forecast() : this.screen.forecastOf(plan),
      newId: uuid,
    });
  }
}
