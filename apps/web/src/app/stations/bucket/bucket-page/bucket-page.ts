import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { Keys } from '../../../data/devices/keys';
import { localDay, formatWhen } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { BucketDrawing } from '../../../parts/bucket-drawing';
import { CodeCheck } from '../../../parts/code-check';
import { Loading } from '../../../ui/loading';
import { ErrorBanner } from '../../../ui/error-banner';
import { STIRRING_WORDS } from './cures/cure-words';
import { FEEL_VERDICT_WORDS } from './feel/feel-words';
import { AmountsPanel } from './amounts/amounts-panel';
import { BucketForm } from './about/bucket-form';
import { BucketScreen } from './bucket-screen';
import { DippingPanel } from './dipping/dipping-panel';
import { FeelPanel } from './feel/feel-panel';
import { HistoryPanel } from './history/history-panel';
import { LabelPanel } from './about/label-panel';
import { LevelForm } from './measure/level-form';
import { MeasurePanel } from './measure/measure-panel';
import { PourPanel } from './pour/pour-panel';
import { SettlingPanel } from './cures/settling-panel';
import { StainPanel } from './pour/stain-panel';
import { UnreadableBucket } from './unreadable-bucket';
import { CorrectionsPanel } from './corrections/corrections-panel';
import { Expansion } from '../../../ui/expansion';
import { SentenceForm } from '../../../ui/sentence-form';
import { Tabs } from '../../../ui/tabs';
import { ExplainedText } from '../../../parts/words/explained-text';
import { titleOf } from '../../../data/state/address';
import { TakeBack } from '../../../parts/take-back';

const BENCHES = [
  ['dipping', 'What dips in it'],
  ['feel', 'By feel'],
  ['stain', 'Stain it'],
  ['amounts', 'In and out'],
  ['settling', 'Settling'],
  ['level', 'Level'],
  ['pour', 'Pour'],
  ['label', 'Label'],
  ['notes', 'Notes'],
] as const;
type Bench = (typeof BENCHES)[number][0];

@Component({
  selector: 'cz-bucket-page',
  imports: [
    AmountsPanel,
    BucketDrawing,
    BucketForm,
    CodeCheck,
    CorrectionsPanel,
    DippingPanel,
    ErrorBanner,
    Expansion,
    ExplainedText,
    FeelPanel,
    HistoryPanel,
    LabelPanel,
    LevelForm,
    Loading,
    MatButton,
    MeasurePanel,
    PourPanel,
    RouterLink,
    SentenceForm,
    SettlingPanel,
    StainPanel,
    Tabs,
    UnreadableBucket,
  ],
  providers: [BucketScreen],
  templateUrl: './bucket-page.html',
  styleUrl: './bucket-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketPage {
  readonly id = input.required<string>();
  /** From the address: what was poured off to be stained. */
  readonly stain = input<string>();
  /** From the address: a bucket that wants some of this one, and how much. */
  readonly pour = input<string>();
  readonly ml = input<string>();
  protected readonly units = inject(Units);
  protected readonly screen = inject(BucketScreen);
  protected readonly editing = signal(false);
  protected readonly when = formatWhen;
  protected readonly stirWords = STIRRING_WORDS;
  /** What the potter most likely came for. */
  private readonly first = computed((): Bench => {
    if (this.pour()) return 'pour';
    if (this.stain()) return 'stain';
    if (this.screen.contents()?.contaminated) return 'notes';
    return this.screen.reads() === 'feel' ? 'feel' : 'dipping';
  });
  /** That one stands first; the others keep their order. */
  protected readonly benches = computed(() => [...BENCHES].sort((a, b) => Number(b[0] === this.first()) - Number(a[0] === this.first())));
  protected readonly bench = linkedSignal<Bench, Bench>({
    source: this.first,
    // What is open stays open, unless the address asks for another.
    computation: (first, before) => (before === undefined || first === 'pour' || first === 'stain' ? first : before.value),
  });
  protected readonly drawn = computed(() => {
    const { name, colour, capacityMl, sgLow, sgHigh } = this.screen.bucket()!.body;
    const contents = this.screen.contents();
    return { name, colour, capacityMl, sgLow, sgHigh, volumeMl: contents?.volumeMl, sg: contents?.sg, sgSd: contents?.sgSd };
  });
  protected readonly feelSays = computed(() => FEEL_VERDICT_WORDS[this.screen.byFeel()]);
  protected readonly all = computed(() => [this.screen.bucket()!, ...this.screen.others()]);
  protected readonly readToday = computed(() => {
    const at = this.screen.contents()?.codeReadAt;
    return at !== undefined && localDay(new Date(at)) === localDay(new Date(this.screen.nowAt()));
  });

  constructor() {
    titleOf(() => this.screen.bucket()?.body.name);
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

  protected keepText(text: string, type: 'noted' | 'contaminated'): void {
    this.screen.note({ type, text });
  }

  protected reopen(): void {
    const { closedAt: _closedAt, ...body } = this.screen.bucket()!.body;
    this.screen.replace(body);
  }

  private readonly others = inject(TakeBack);

  private undoLast(): void {
    const last = this.screen
      .history()
      .filter((moment) => !moment.undone && (moment.event.type !== 'filled' || moment.event.pairEventId))
      .at(-1);
    if (last) this.others.ask(last.event, () => this.screen.note({ type: 'undone', eventId: last.event.id }));
  }
}
