import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  FEEL_KINDS,
  feelAndSg,
  feelValue,
  NAIL_LOOKS,
  twoTargets,
  type FeelKind,
  type FeelRanges,
  type NailLook,
  type Thickness,
} from '@cazuela/core';
import { Units } from '../../../data/units';
import { formatWhen } from '../../../data/times';
import { NumberField } from '../../../parts/number-field';
import { ErrorBanner } from '../../../parts/error-banner';
import { TapTimer } from '../../../parts/tap-timer';
import { twoTargetWords } from '../cure-words';
import { FEEL_NAMES, FEEL_VERDICT_WORDS, feelValueWords, NAIL_WORDS, relationWords } from '../feel-words';
import { BucketScreen } from './bucket-screen';

const RANGED = [
  ['swirl', 'Swirl', 's'],
  ['flow', 'Flow cup', 's'],
  ['drips', 'Finger drips', ''],
] as const;

/** How thick the liquid is without a scale: swirl, flow cup, finger, nail; what they should be; and what they and the SG tell of each other. */
@Component({
  selector: 'cz-feel-panel',
  imports: [NumberField, ErrorBanner, TapTimer],
  template: `
    <p [class]="verdict().tone" role="status">{{ verdict().words }}</p>
    @if (both(); as words) {
      <p>{{ words }}</p>
    }
    <div class="benches">
      <div class="stack">
        <cz-tap-timer start="Stir, let go, tap" stop="Tap when the swirl stops" (seconds)="swirl.set($event)" />
        <form class="stack" (submit)="$event.preventDefault(); keepSwirl()">
          <cz-number-field
            label="Swirl stops after"
            unit="s"
            [decimals]="1"
            [value]="swirl()"
            [least]="0.1"
            [most]="600"
            (changed)="swirl.set($event.value)"
          />
          <label class="check"
            ><input type="checkbox" [checked]="springs()" (change)="springs.set($any($event.target).checked)" /> it sprang back a little</label
          >
          <button class="press quiet-press" type="submit" [disabled]="!swirl()">Keep the swirl</button>
        </form>
      </div>
      <div class="stack">
        <cz-tap-timer start="Lift the cup, tap" stop="Tap when the stream breaks" (seconds)="flow.set($event)" />
        <form class="stack" (submit)="$event.preventDefault(); keepFlow()">
          <cz-number-field
            label="Flow cup empty after"
            unit="s"
            [decimals]="1"
            [value]="flow()"
            [least]="0.1"
            [most]="600"
            (changed)="flow.set($event.value)"
          />
          <button class="press quiet-press" type="submit" [disabled]="!flow()">Keep the flow</button>
        </form>
      </div>
      <div class="stack">
        <form class="stack" (submit)="$event.preventDefault(); keepDrips()">
          <cz-number-field
            label="Drips from a dipped finger"
            [decimals]="0"
            [value]="drips()"
            [least]="0"
            [most]="100"
            (changed)="drips.set($event.value)"
          />
          <button class="press quiet-press" type="submit" [disabled]="drips() === null">Keep the drips</button>
        </form>
        <fieldset>
          <legend class="named">Thumbnail drawn out of it</legend>
          @for (look of nails; track look) {
            <button type="button" class="press quiet-press" (click)="screen.note({ type: 'nailLooked', shows: look })">{{ nailWords[look] }}</button>
          }
        </fieldset>
      </div>
    </div>
    @for (line of relations(); track line) {
      <p class="small">{{ line }}</p>
    }
    <details>
      <summary>What it should feel like</summary>
      <div class="ranges">
        @for (one of ranged; track one[0]) {
          <cz-number-field
            [label]="one[1] + ' from'"
            [unit]="one[2]"
            [decimals]="1"
            [value]="ranges()[one[0]]?.low ?? null"
            [least]="0"
            [most]="600"
            (changed)="edge(one[0], 'low', $event.value)"
          />
          <cz-number-field
            label="to"
            [unit]="one[2]"
            [decimals]="1"
            [value]="ranges()[one[0]]?.high ?? null"
            [least]="0"
            [most]="600"
            (changed)="edge(one[0], 'high', $event.value)"
          />
        }
        <label class="named"
          >Thumbnail<select (change)="nail($any($event.target).value)">
            <option value="" [selected]="!ranges().nail">not told</option>
            @for (look of nails; track look) {
              <option [value]="look" [selected]="look === ranges().nail">{{ nailWords[look] }}</option>
            }
          </select></label
        >
      </div>
      @if (crossed(); as words) {
        <p class="field-error" role="alert">{{ words }}</p>
      }
      <span class="row">
        <button type="button" class="press quiet-press" [disabled]="!!crossed() || screen.saving.busy()" (click)="save()">Keep these</button>
        @if (canTake()) {
          <button type="button" class="press bare" (click)="takeNow()">As it feels now</button>
        }
      </span>
      <cz-error-banner [failure]="screen.saving.failure()?.problem?.detail" (again)="save()" />
      <p class="quiet small">They go on to the next bucket of this glaze.</p>
    </details>
  `,
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

  /** A bucket that feels right now says what right is: a fifth either way. */
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
