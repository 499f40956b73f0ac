import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { bucketSummarySchema, type BucketBody } from '@cazuela/contract';
import { bucketDrift, daysInRange } from '@cazuela/core';
import { NOW } from '../../../data/clock';
import { PreferencesStore } from '../../../data/preferences';
import { deed } from '../../../data/deed';
import { Keys } from '../../../data/keys';
import { StudioApi } from '../../../data/studio-api';
import { sayWhen } from '../../../data/times';
import { Units } from '../../../data/units';
import { BucketDrawing } from '../../../parts/bucket-drawing';
import { Coming } from '../../../parts/coming';
import { LineChart } from '../../../parts/line-chart';
import { NumberField, type TypedNumber } from '../../../parts/number-field';
import { Says } from '../../../parts/says';
import { TwoVersions } from '../../../parts/two-versions';
import { driftWords, eventWords } from '../bucket-words';
import { BucketScreen } from './bucket-screen';
import { DropCounter } from './drop-counter';
import { LabelPanel } from './label-panel';
import { MeasurePanel } from './measure-panel';
import { PourPanel } from './pour-panel';
import { sgChart } from './sg-chart';
import { StainPanel } from './stain-panel';

const MS_PER_DAY = 86_400_000;
/** Steps of the history shown before the rest is folded away. */
const NEWEST = 8;

@Component({
  selector: 'cz-bucket-page',
  imports: [
    RouterLink,
    MatIcon,
    BucketDrawing,
    DropCounter,
    LabelPanel,
    MeasurePanel,
    PourPanel,
    StainPanel,
    NumberField,
    LineChart,
    Says,
    Coming,
    TwoVersions,
  ],
  providers: [BucketScreen],
  templateUrl: './bucket-page.html',
  styleUrl: './bucket-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketPage {
  readonly id = input.required<string>();
  /** Carried along when a part was poured off to be stained. */
  readonly stain = input<string>();
  private readonly api = inject(StudioApi);
  private readonly preferences = inject(PreferencesStore).value;
  protected readonly units = inject(Units);
  protected readonly screen = inject(BucketScreen);
  private readonly now = inject(NOW);
  protected readonly saving = deed();
  protected readonly editing = signal<BucketBody | undefined>(undefined);
  protected readonly litres = signal<TypedNumber>({ value: null });
  protected readonly swirl = signal<number | null>(null);
  protected readonly allHistory = signal(false);
  /** The other buckets are asked for when somebody wants to pour. */
  protected readonly pours = signal(false);
  protected readonly when = sayWhen;
  protected readonly drawn = computed(() => {
    const bucket = this.screen.bucket()!;
    const contents = this.screen.contents();
    return { ...bucket.body, volumeMl: contents?.volumeMl, sg: contents?.sg, sgSd: contents?.sgSd };
  });
  protected readonly rows = computed(() => {
    const rows = this.screen
      .history()
      .map((moment) => ({ ...moment, words: eventWords(moment.event, this.units) }))
      .reverse();
    return this.allHistory() ? rows : rows.slice(0, NEWEST);
  });
  /** What its readings say of the water that leaves by itself. */
  protected readonly drift = computed(() => {
    const [bucket, contents] = [this.screen.bucket(), this.screen.contents()];
    if (!bucket || !contents?.measuredAt) return '';
    const drift = bucketDrift({ events: this.screen.events() });
    if (drift.kind !== 'ok') return '';
    const ageDays = (this.now().getTime() - Date.parse(contents.measuredAt)) / MS_PER_DAY;
    const { sgLow: lowSg, sgHigh: highSg } = bucket.body;
    return driftWords(drift, daysInRange({ drift, sg: contents.sg, ageDays, lowSg, highSg }), this.units);
  });
  protected readonly chart = computed(() => {
    // Read so that the chart is drawn anew in the other theme's colours.
    this.preferences();
    const bucket = this.screen.bucket();
    return bucket ? sgChart(this.screen.history(), bucket.body) : undefined;
  });
  protected readonly stale = computed(() => {
    const failure = this.saving.failure();
    const current = failure?.problem.code === 'stale' ? bucketSummarySchema.safeParse(failure.problem.current) : undefined;
    const say = (body: BucketBody): string => `${body.name}, SG ${this.units.sg(body.sgLow)}–${this.units.sg(body.sgHigh)}`;
    return current?.success
      ? { detail: failure!.problem.detail, version: current.data.version, theirs: say(current.data.body), mine: say(this.editing()!) }
      : undefined;
  });

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.screen.open(id));
    });
    inject(Keys).bind([
      { keys: ['s'], words: 'stirred just now', run: () => this.screen.note({ type: 'stirred' }) },
      { keys: ['u'], words: 'take the last step back', run: () => this.undoLast() },
    ]);
  }

  protected correct(action: { kind: 'water' | 'pourOff'; grams: number }): void {
    const grams = Math.round(action.grams);
    this.screen.note(
      action.kind === 'water'
        ? { type: 'waterAdded', grams, entered: { value: grams, unit: 'mL' } }
        : { type: 'waterPouredOff', grams, entered: { value: grams, unit: 'mL' } },
    );
  }

  protected measureVolume(): void {
    const { value, entered } = this.litres();
    if (value === null || value <= 0) return;
    this.screen.note({ type: 'volumeMeasured', volumeMl: value, ...(entered ? { entered } : {}) });
    this.litres.set({ value: null });
  }

  protected timeSwirl(): void {
    const seconds = this.swirl();
    if (seconds === null || seconds <= 0) return;
    this.screen.note({ type: 'swirlTimed', seconds });
    this.swirl.set(null);
  }

  protected addNote(field: HTMLInputElement): void {
    if (field.value.trim()) this.screen.note({ type: 'noted', text: field.value.trim() });
    field.value = '';
  }

  protected undo(eventId: string): void {
    this.screen.note({ type: 'undone', eventId });
  }

  protected edit(change: Partial<BucketBody>): void {
    this.editing.update((body) => ({ ...body!, ...change }));
  }

  protected save(version = this.screen.bucket()!.version): void {
    this.saving.run(this.api.updateBucket(this.id(), version, this.editing()!), () => this.stopEditing());
  }

  protected stopEditing(): void {
    this.editing.set(undefined);
    this.saving.clear();
    this.screen.all.reload();
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  private undoLast(): void {
    const last = this.screen
      .history()
      .filter((moment) => !moment.undone && moment.event.type !== 'filled')
      .at(-1);
    if (last) this.undo(last.event.id);
  }
}
