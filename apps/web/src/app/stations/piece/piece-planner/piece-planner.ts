import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import { LIMITS, type PieceBody } from '@cazuela/contract';
import { attempt, dayItemFromPiece, variedPlan, type DayItem, type TimedStep } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { NOW } from '../../../data/state/clock';
import { createMutation } from '../../../data/http/mutation';
import { localDay } from '../../../data/units/times';
import { Loading } from '../../../ui/loading';
import { ErrorBanner } from '../../../ui/error-banner';
import { TwoVersions } from '../../../parts/two-versions';
import { CoatsPanel } from './coats/coats-panel';
import { MasksPanel } from './coats/masks-panel';
import { PlanRunner } from '../runner-bench/plan-runner';
import { FilesPanel } from './files/files-panel';
import { PieceDraft } from './draft/piece-draft';
import { PieceHeadline } from './figures/piece-headline';
import { PieceScreen } from './piece-screen';
import { PieceSheet } from './board/piece-sheet';
import { PieceSums } from './figures/piece-sums';
import { PlanWarnings } from './figures/plan-warnings';
import { DecoratingColoursPanel } from './coats/decorating-colours-panel';
import { AddToDay } from './steps/add-to-day';
import { RunPanel } from './run/run-panel';
import { SetPanel } from './set/set-panel';
import { StepsPanel } from './steps/steps-panel';
import { VersionsNote } from './files/versions-note';
import { AlternativesPanel } from './alternatives/alternatives-panel';
import { TextField } from '../../../ui/text-field';
import { DateField } from '../../../ui/date-field';
import { Tabs } from '../../../ui/tabs';
import { RecordMenu } from '../../../parts/records/record-menu';
import { PutAwayNote } from '../../../parts/records/put-away-note';
import { NotMixedNote } from './coats/not-mixed-note';
import { addressed, titleOf } from '../../../data/state/address';

/** Room for ", 12 of 36" behind a name. */
const COUNTED_LENGTH = 12;

type Bench = 'alternatives' | 'run' | 'set' | 'files';

/** A piece in section with its form, zones, coats and masks; the steps that get there; what will go wrong. */
@Component({
  selector: 'cz-piece-planner',
  imports: [
    AlternativesPanel,
    CoatsPanel,
    DateField,
    DecoratingColoursPanel,
    ErrorBanner,
    FilesPanel,
    Loading,
    MasksPanel,
    MatButton,
    NotMixedNote,
    PieceHeadline,
    PieceSheet,
    PieceSums,
    PlanWarnings,
    PutAwayNote,
    RecordMenu,
    RunPanel,
    SetPanel,
    StepsPanel,
    Tabs,
    TextField,
    TwoVersions,
    VersionsNote,
  ],
  providers: [PieceDraft, PieceScreen],
  templateUrl: './piece-planner.html',
  styleUrl: './piece-planner.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PiecePlanner {
  readonly id = input.required<string>();
  /** From the address: the bench below the plan. */
  readonly bench = input<string>();
  protected readonly askedBench = addressed('bench', () => this.bench());
  private readonly router = inject(Router);
  private readonly toDay = inject(AddToDay);
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  protected readonly putting = createMutation();
  protected readonly tiling = createMutation();
  private readonly runner = inject(PlanRunner);
  private readonly now = inject(NOW);
  protected readonly date = signal(localDay(this.now()));
  protected readonly clay = computed(() => this.screen.clay()?.colour ?? '#E4D8C2');
  protected readonly benches = computed((): (readonly [Bench, string])[] => {
    const count = this.screen.settledBody()?.count ?? 1;
    return [
      ['alternatives', 'Ways to get there'],
      ['run', 'How far it will run'],
      ...(count > 1 ? [['set', `The set of ${count}`] as const] : []),
      ['files', 'Print and files'],
    ];
  });
  /** One piece alone is no set any more. */
  protected readonly openBench = computed(() => this.benches().find(([id]) => id === this.askedBench())?.[0] ?? 'alternatives');

  constructor() {
    titleOf(() => this.screen.settledBody()?.name);
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

  /** Plans the tile that would tell, and opens it. */
  protected planTile(bucketIds: readonly string[]): void {
    const facts = bucketIds.flatMap((id) => this.screen.facts().find((glaze) => glaze.bucketId === id) ?? []);
    this.tiling.run(this.runner.plan(facts, this.screen.buckets()), () => void this.router.navigate(['/piece/runners']));
  }

  /** All alike as one item of the day, or each piece of a set by itself. */
  protected putOnDay(): void {
    const body = this.draft.body();
    if (!body || !this.date()) return;
    const set = this.screen.set();
    const pieces = set?.kind === 'ok' ? set.value : [];
    const made = attempt(() =>
      pieces.length > 0
        ? pieces.map((piece, at) =>
            this.dayItem(
              body,
              this.screen.stepsFor(variedPlan(body.plan, piece)),
              `${body.name.slice(0, LIMITS.nameLength - COUNTED_LENGTH)}, ${at + 1} of ${pieces.length}`,
              1,
            ),
          )
        : [this.dayItem(body, this.screen.steps(), body.name, body.count)],
    );
    if (made.kind !== 'ok') return;
    const date = this.date();
    this.putting.run(this.toDay.put(date, made.value), () => void this.router.navigate(['/day'], { queryParams: { date } }));
  }

  private dayItem(body: PieceBody, steps: readonly TimedStep[], name: string, count: number): DayItem {
    return dayItemFromPiece({
      pieceId: this.id(),
      name,
      count,
      waxFootMm: body.plan.waxFootMm,
      steps,
      glazes: this.screen.facts(),
      names: this.screen.names(),
      newId: uuid,
    });
  }
}
