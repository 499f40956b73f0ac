import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked, viewChild } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { Router } from '@angular/router';
import { LIMITS, type PieceBody } from '@cazuela/contract';
import { areaCm2, attempt, CONES, dayItemFromPiece, formOf, KILN_SETTINGS, variedPlan, type DayItem, type TimedStep } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { NOW } from '../../../data/clock';
import { deed } from '../../../data/deed';
import { Keys } from '../../../data/keys';
import { localDay } from '../../../data/times';
import { Units } from '../../../data/units';
import { Choice } from '../../../parts/choice';
import { Coming } from '../../../parts/coming';
import { NumberField } from '../../../parts/number-field';
import { Says } from '../../../parts/says';
import { TwoVersions } from '../../../parts/two-versions';
import { WarningList } from '../../../parts/warning-list';
import { CoatsPanel } from './coats-panel';
import { FormPanel } from './form-panel';
import { MasksPanel } from './masks-panel';
import { PlanRunner } from '../runner-bench/plan-runner';
import { FilesPanel } from './files-panel';
import { PieceBoard, type BoardMode } from './piece-board';
import { PieceDraft } from './piece-draft';
import { PieceScreen } from './piece-screen';
import { SETTING_WORDS } from './piece-words';
import { PutOnDay } from './put-on-day';
import { RoundView } from './round-view';
import { RunPanel } from './run-panel';
import { SetPanel } from './set-panel';
import { VersionsNote } from './versions-note';
import { WaysPanel } from './ways-panel';

const ARROW_KEYS_HELD_MS = 600;
/** Room for ", 12 of 36" behind a name. */
const COUNTED_LENGTH = 12;

/** A piece in section with its form, zones, coats and masks; the steps that get there; what will go wrong. */
@Component({
  selector: 'cz-piece-planner',
  imports: [
    CdkDropList,
    CdkDrag,
    CdkDragHandle,
    Choice,
    CoatsPanel,
    Coming,
    FilesPanel,
    FormPanel,
    MasksPanel,
    MatIcon,
    NumberField,
    PieceBoard,
    RoundView,
    RunPanel,
    Says,
    SetPanel,
    TwoVersions,
    VersionsNote,
    WarningList,
    WaysPanel,
  ],
  providers: [PieceDraft, PieceScreen],
  templateUrl: './piece-planner.html',
  styleUrl: './piece-planner.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PiecePlanner {
  readonly id = input.required<string>();
  private readonly router = inject(Router);
  private readonly toDay = inject(PutOnDay);
  protected readonly units = inject(Units);
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  protected readonly putting = deed();
  protected readonly tiling = deed();
  private readonly runner = inject(PlanRunner);
  protected readonly settings = KILN_SETTINGS;
  protected readonly settingWords = SETTING_WORDS;
  protected readonly cones = CONES.map(({ cone }) => cone);
  protected readonly modes = [
    ['zones', 'Zones'],
    ['form', 'Form'],
    ['round', 'In the round'],
  ] as const;
  protected readonly mode = signal<BoardMode | 'round'>('zones');
  protected readonly boardMode = computed((): BoardMode => (this.mode() === 'form' ? 'form' : 'zones'));
  protected readonly snaps = signal(true);
  protected readonly chosen = signal<string | undefined>(undefined);
  private readonly now = inject(NOW);
  protected readonly date = signal(localDay(this.now()));
  protected readonly area = computed(() => areaCm2({ profile: this.screen.shape().outside }));
  protected readonly runToMm = computed(() => {
    const run = this.screen.run();
    return run && run.edgeMm - run.run95Mm;
  });
  protected readonly isOwnOrder = computed(() => (this.draft.body()?.plan.order.length ?? 0) > 0);
  private readonly formPanel = viewChild(FormPanel);
  private keysHeld: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    // Lives until the draft ends its stream, so that the last save is not cut off.
    this.draft.saves$.subscribe();
    this.draft.versionOf = (bucketId) => this.screen.versionOf(bucketId);
    effect(() => this.screen.id.set(this.id()));
    effect(() => {
      const piece = this.screen.all.value()?.piece;
      if (piece) untracked(() => this.draft.open(piece));
    });
    inject(Keys).bind([
      { keys: ['u'], words: 'take the last change back', run: () => this.draft.undo() },
      { keys: ['r'], words: 'do it again', run: () => this.draft.redo() },
      { keys: ['f'], words: 'the form, or the zones', run: () => this.mode.update((mode) => (mode === 'form' ? 'zones' : 'form')) },
    ]);
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected whole(value: number): number {
    return Math.max(1, Math.round(value));
  }

  /** Arrow keys come in a row: one step to undo for all of them. */
  protected nudge(change: Parameters<PieceDraft['drag']>[0]): void {
    this.draft.drag(change);
    clearTimeout(this.keysHeld);
    this.keysHeld = setTimeout(() => this.draft.drop(), ARROW_KEYS_HELD_MS);
  }

  protected pointKey({ at, key }: { at: number; key: 'delete' | 'corner' | 'add' }): void {
    const { points } = formOf(this.draft.body()!.plan);
    if (key === 'add') this.formPanel()?.addPoint(at);
    else if (key === 'delete') this.formPanel()?.removePoint(at);
    else this.draft.form({ points: points.map((point, index) => (index === at ? { ...point, corner: point.corner ? undefined : true } : point)) });
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    this.move(event.previousIndex, event.currentIndex);
  }

  protected move(from: number, to: number): void {
    const order = this.screen.steps().map((step) => step.key);
    if (to < 0 || to >= order.length || from === to) return;
    moveItemInArray(order, from, to);
    this.draft.plan({ order });
  }

  /** Pinned, a step stays before the one that follows it now, whatever the search finds. */
  protected pin(at: number): void {
    const keys = this.screen.steps().map((step) => step.key);
    const [before, after] = [keys[at], keys[at + 1]];
    const pins = this.draft.body()!.plan.pins ?? [];
    const kept = pins.filter((pin) => pin.before !== before);
    if (!before || !after) return;
    this.draft.plan({ pins: kept.length < pins.length ? kept : [...kept, { before, after }] });
  }

  protected putAside(entry: { rule: string; reason: string }): void {
    this.draft.plan({ putAside: [...this.draft.body()!.plan.putAside, entry] });
  }

  protected takeBack(rule: string): void {
    this.draft.plan({ putAside: this.draft.body()!.plan.putAside.filter((entry) => entry.rule !== rule) });
  }

  /** One tap plans the tile that would tell, and goes to it. */
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
