import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  FEEL_KINDS,
  feelAndSg,
  feelRemedy,
  feelValue,
  NAIL_LOOKS,
  SLURRY_STATES,
  twoTargets,
  type FeelKind,
  type FeelRanges,
  type NailLook,
  type Thickness,
} from '@cazuela/core';
import { Units } from '../../../../data/units/units';
import { formatWhen } from '../../../../data/units/times';
import { NumberField } from '../../../../ui/number-field';
import { ErrorBanner } from '../../../../ui/error-banner';
import { TapTimer } from '../../../../parts/tap-timer';
import { twoTargetWords } from '../cures/cure-words';
import { FEEL_NAMES, FEEL_VERDICT_WORDS, feelValueWords, NAIL_WORDS, relationWords } from './feel-words';
import { BucketScreen } from '../bucket-screen';
import { SelectField } from '../../../../ui/select-field';
import { Checkbox } from '../../../../ui/checkbox';
import { Expansion } from '../../../../ui/expansion';
import type { FieldOption } from '../../../../ui/options';

const RANGED = [
  ['swirl', 'Swirl', 's'],
  ['flow', 'Flow cup', 's'],
  ['drips', 'Finger drips', ''],
] as const;

/** How thick the liquid is without a scale: swirl, flow cup, finger, nail; what they should be; and what they and the SG tell of each other. */
@Component({
  selector: 'cz-feel-panel',
  imports: [Checkbox, ErrorBanner, Expansion, MatButton, NumberField, SelectField, TapTimer],
  templateUrl: './feel-panel.html',
  styles: `
    :host {
      display: grid;
      gap: 0.7rem;
    }
    .benches {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
      gap: 1.4rem;
    }
    .ranges {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
      gap: 0.8rem;
      margin: 0.5rem 0;
    }
    fieldset {
      display: grid;
      gap: 0.4rem;
      border: 0;
      padding: 0;
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FeelPanel {
  protected readonly screen = inject(BucketScreen);
  private readonly units = inject(Units);
  protected readonly when = formatWhen;
  protected readonly nails = NAIL_LOOKS;
  protected readonly nailWords = NAIL_WORDS;
  protected readonly ranged = RANGED;
  protected readonly swirl = signal<number | null>(null);
  protected readonly springs = signal(false);
  protected readonly flow = signal<number | null>(null);
  protected readonly drips = signal<number | null>(null);
  private readonly edited = signal<FeelRanges | undefined>(undefined);
  protected readonly ranges = computed<FeelRanges>(() => this.edited() ?? this.screen.bucket()?.body.feel ?? {});
  protected readonly verdict = computed(() => {
    const { tone, words } = FEEL_VERDICT_WORDS[this.screen.byFeel()];
    const feel = this.screen.contents()?.feel;
    const said = feel ? FEEL_KINDS.flatMap((kind) => this.said(kind, feelValue(kind, feel))).join(', ') : '';
    if (!feel) return { tone: 'quiet', words: 'Not felt yet. Stir it, and tap.' };
    return { tone, words: `${words ? `${words}: ` : 'Felt '}${said}, ${formatWhen(feel.at)}.` };
  });
  /** SG and liquid at once, where both are known and both have a range. */
  protected readonly both = computed(() => {
    const [contents, bucket, feel] = [this.screen.contents(), this.screen.bucket(), this.screen.byFeel()];
    if (!contents?.sgSd || !bucket || this.screen.reads() === 'feel') return '';
    if (feel !== 'inRange' && feel !== 'tooThick' && feel !== 'tooThin') return '';
    const liquid: Thickness = feel === 'inRange' ? 'right' : feel === 'tooThick' ? 'thick' : 'thin';
    const { sgLow, sgHigh } = bucket.body;
    const sg: Thickness = contents.sg > sgHigh ? 'thick' : contents.sg < sgLow ? 'thin' : 'right';
    return twoTargetWords(twoTargets({ sg, liquid }));
  });
  /** What readings by feel and SG tell of each other, kind by kind. */
  protected readonly relations = computed(() => {
    const events = this.screen.events();
    const contents = this.screen.contents();
    return FEEL_KINDS.flatMap((kind) => {
      const value = contents?.feel && feelValue(kind, contents.feel);
      const words = relationWords(feelAndSg({ events, kind }), { value, sg: contents?.sg }, this.units);
      return words ? [words] : [];
    });
  });
  protected readonly crossed = computed(() =>
    RANGED.some(([kind]) => (this.ranges()[kind]?.low ?? 0) > (this.ranges()[kind]?.high ?? Infinity))
      ? 'The “from” must not be above the “to”.'
      : '',
  );
  protected readonly canTake = computed(() => this.screen.contents()?.feel !== undefined);
  protected readonly thumbnailOptions = computed((): FieldOption[] => [
    ['', 'not told'],
    ...this.nails.map((look) => [look, this.nailWords[look]] as const),
  ]);

  /** Where nothing but feel judges the bucket: an amount to try, then it is felt again. With an SG, `both` says what to do. */
  protected readonly remedy = computed(() => {
    const contents = this.screen.contents();
    if (!contents || this.screen.reads() === 'sg' || (this.screen.reads() !== 'feel' && contents.sgSd !== undefined)) return undefined;
    const found = feelRemedy({ verdict: this.screen.byFeel(), volumeMl: contents.volumeMl });
    const millilitres = found ? this.units.pourable(found.millilitres) : 0;
    if (!found || millilitres <= 0) return undefined;
    const amount = this.units.millilitres(millilitres);
    return found.kind === 'addWater'
      ? { ...found, millilitres, words: `Try ${amount} of water, stir well, and feel it again.`, done: `${amount} went in` }
      : {
          ...found,
          millilitres,
          words: `Let it settle over night, pour ${amount} of clear water off and keep it, stir, and feel it again.`,
          done: `${amount} poured off`,
        };
  });
  protected readonly states = SLURRY_STATES;
  protected readonly stateWords = { flocculated: 'thickened, stops at once', normal: 'as usual', deflocculated: 'thin, runs on' } as const;

  protected tried(): void {
    const remedy = this.remedy();
    if (!remedy) return;
    const grams = remedy.millilitres;
    this.screen.note({ type: remedy.kind === 'addWater' ? 'waterAdded' : 'waterPouredOff', grams, entered: { value: grams, unit: 'mL' } });
  }

  protected keepSwirl(): void {
    const seconds = this.swirl();
    if (!seconds) return;
    this.screen.note({ type: 'swirlTimed', seconds, ...(this.springs() ? { springsBack: true } : {}) });
    this.swirl.set(null);
    this.springs.set(false);
  }

  protected keepFlow(): void {
    const seconds = this.flow();
    if (seconds) this.screen.note({ type: 'flowTimed', seconds });
    this.flow.set(null);
  }

  protected keepDrips(): void {
    const drips = this.drips();
    if (drips !== null) this.screen.note({ type: 'dripsCounted', drips: Math.round(drips) });
    this.drips.set(null);
  }

  protected edge(kind: 'swirl' | 'flow' | 'drips', end: 'low' | 'high', value: number | null): void {
    const range = this.ranges()[kind];
    const other = end === 'low' ? 'high' : 'low';
    if (value === null) return this.edited.set({ ...this.ranges(), [kind]: undefined });
    this.edited.set({ ...this.ranges(), [kind]: { [other]: range?.[other] ?? value, [end]: value } as { low: number; high: number } });
  }

  protected nail(look: string): void {
    this.edited.set({ ...this.ranges(), nail: (look || undefined) as NailLook | undefined });
  }

  /** A bucket that feels right now sets its ranges: a fifth up and down. */
  protected takeNow(): void {
    const feel = this.screen.contents()!.feel!;
    const around = (value: number | undefined): { low: number; high: number } | undefined =>
      value === undefined ? undefined : { low: Math.floor(value * 8) / 10, high: Math.ceil(value * 12) / 10 };
    this.edited.set({ swirl: around(feel.swirlSeconds), flow: around(feel.flowSeconds), drips: around(feel.drips), nail: feel.nail });
  }

  protected save(): void {
    const told = Object.entries(this.ranges()).filter(([, range]) => range !== undefined);
    this.screen.change({ feel: Object.fromEntries(told) as FeelRanges }, () => this.edited.set(undefined));
  }

  private said(kind: FeelKind, value: number | undefined): string[] {
    return value === undefined ? [] : [`${FEEL_NAMES[kind]} ${feelValueWords(kind, value)}`];
  }
}
