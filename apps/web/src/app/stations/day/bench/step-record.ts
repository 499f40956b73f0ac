import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { APPLICATION_METHODS, BENCH_SIGHTS, type ApplicationMethod, type BenchSight, type DayItem, type DayStep } from '@cazuela/core';
import { ScaleFeed } from '../../../data/devices/scale-feed';
import { Units } from '../../../data/units/units';
import { Checkbox } from '../../../ui/checkbox';
import { NumberField } from '../../../ui/number-field';
import type { FieldOption } from '../../../ui/options';
import { SelectField } from '../../../ui/select-field';
import { SIGHT_WORDS, WORK_WORDS } from '../day-words';
import { StepDraft, type StepSaid } from './step-draft';

/** How a coat was really put on, for the lot and piece by piece: another way, another SG, weighed before and after, prints touched up. */
@Component({
  selector: 'cz-step-record',
  imports: [Checkbox, MatButton, NumberField, SelectField],
  template: `
    <button type="button" matButton="text" [attr.aria-expanded]="isOpen()" (click)="isOpen.set(!isOpen())">
      Otherwise than planned, piece by piece
    </button>
    @if (isOpen()) {
      <div class="field-row">
        <cz-select label="Done by" [options]="methods()" [value]="said().method ?? ''" (changed)="setMethod($event)" />
        <cz-number-field label="SG then" [value]="said().sg ?? null" [least]="1.01" [most]="2.2" (changed)="say({ sg: $event.value ?? undefined })" />
        <cz-number-field
          label="Coat, by eye or pin"
          quantity="coat"
          [value]="said().coatMm ?? null"
          [least]="0.05"
          [most]="20"
          (changed)="say({ coatMm: $event.value ?? undefined })"
        />
      </div>
      <cz-checkbox
        label="Prints of fingers and tongs touched up"
        [value]="said().isTouchedUp ?? false"
        (changed)="say({ isTouchedUp: $event || undefined })"
      />
      <fieldset class="sights">
        <legend class="small quiet">Seen while at it: it tells later why a piece has a fault</legend>
        @for (sight of sights; track sight) {
          <cz-checkbox [label]="sightWords[sight]" [value]="said().seen?.includes(sight) ?? false" (changed)="see(sight, $event)" />
        }
      </fieldset>
      <div class="pieces" role="group" aria-label="Piece by piece">
        <div class="piece small quiet" aria-hidden="true"><span></span><span>Seconds</span><span>Before</span><span>After</span></div>
        @for (piece of pieces(); track piece.at) {
          <div class="piece">
            <span class="figure">{{ piece.at + 1 }}</span>
            <cz-number-field
              [label]="'Piece ' + (piece.at + 1) + ', seconds'"
              labelHidden
              unit="s"
              [value]="piece.seconds ?? null"
              [least]="0.1"
              [most]="3600"
              (changed)="set(piece.at, { seconds: $event.value ?? undefined })"
            />
            <cz-number-field
              [label]="'Piece ' + (piece.at + 1) + ', before'"
              labelHidden
              quantity="mass"
              [value]="piece.beforeGrams ?? null"
              [least]="0"
              (changed)="set(piece.at, { beforeGrams: $event.value ?? undefined })"
            />
            <cz-number-field
              [label]="'Piece ' + (piece.at + 1) + ', after'"
              labelHidden
              quantity="mass"
              [value]="piece.afterGrams ?? null"
              [least]="0"
              (changed)="set(piece.at, { afterGrams: $event.value ?? undefined })"
            />
            <span class="small quiet">{{ piece.gain }}</span>
          </div>
        }
      </div>
      @if (weighed(); as next) {
        <button type="button" matButton="outlined" [disabled]="grams() === undefined" (click)="weigh()">
          {{ next }}{{ grams() === undefined ? ': the scale settles' : ', ' + units.mass(grams()!) }}
        </button>
      }
      <p class="small quiet">
        Weigh a piece dry, and again right after the dip: what it gained is its glaze. Wipe the foot after weighing, not before.
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
      width: 100%;
    }
    [aria-expanded] {
      padding-inline: 0;
    }
    .field-row {
      margin-top: 0.4rem;
    }
    cz-select,
    .field-row cz-number-field {
      width: 12rem;
    }
    .sights {
      margin: 0.3rem 0;
      padding: 0;
      border: 0;
    }
    .pieces {
      max-height: 22rem;
      overflow-y: auto;
      margin: 0.5rem 0;
    }
    .piece {
      display: grid;
      grid-template-columns: 1.6rem repeat(3, minmax(0, 8rem)) minmax(0, 1fr);
      align-items: center;
      gap: 0.5rem;
      padding: 0.2rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepRecord {
  readonly step = input.required<DayStep>();
  readonly item = input.required<DayItem>();
  private readonly draft = inject(StepDraft);
  private readonly feed = inject(ScaleFeed);
  protected readonly units = inject(Units);
  protected readonly sights = BENCH_SIGHTS;
  protected readonly sightWords = SIGHT_WORDS;
  protected readonly isOpen = signal(false);
  protected readonly said = computed(() => this.draft.of(this.step().id));
  protected readonly methods = computed((): FieldOption<ApplicationMethod | ''>[] => [
    ['', 'as planned'],
    ...APPLICATION_METHODS.filter((method) => method !== this.step().method).map((method) => [method, WORK_WORDS[method]] as const),
  ]);
  protected readonly pieces = computed(() =>
    Array.from({ length: this.item().count }, (_, at) => {
      const piece = this.said().pieces?.[at] ?? {};
      const { beforeGrams, afterGrams } = piece;
      const gainGrams = beforeGrams === undefined || afterGrams === undefined ? undefined : afterGrams - beforeGrams;
      const gain = gainGrams === undefined ? '' : gainGrams > 0 ? `+ ${this.units.mass(gainGrams)}` : 'lighter than before: weigh it again';
      return { ...piece, at, gain };
    }),
  );
  /** What the scale says while it rests. */
  protected readonly grams = computed(() => {
    const now = this.feed.now();
    const grams = now.kind === 'reading' ? now.settling.settledGrams : undefined;
    // An empty scale weighs no piece.
    return grams !== undefined && grams > 0 ? grams : undefined;
  });
  private readonly nextWeight = computed(() => {
    const piece = this.pieces().find(({ beforeGrams, afterGrams }) => beforeGrams === undefined || afterGrams === undefined);
    return piece && { at: piece.at, field: piece.beforeGrams === undefined ? ('beforeGrams' as const) : ('afterGrams' as const) };
  });
  /** What the next weight would be of; empty without a scale, or when all are weighed. */
  protected readonly weighed = computed(() => {
    const next = this.nextWeight();
    if (!next || !this.feed.scale()) return '';
    return `Take the weight of piece ${next.at + 1} ${next.field === 'beforeGrams' ? 'before' : 'after'}`;
  });

  protected say(change: Partial<StepSaid>): void {
    this.draft.say(this.step().id, change);
  }

  protected see(sight: BenchSight, isSeen: boolean): void {
    const others = (this.said().seen ?? []).filter((one) => one !== sight);
    const seen = isSeen ? [...others, sight] : others;
    this.say({ seen: seen.length > 0 ? seen : undefined });
  }

  protected setMethod(method: ApplicationMethod | ''): void {
    this.say({ method: method || undefined });
  }

  protected set(at: number, change: Parameters<StepDraft['piece']>[2]): void {
    this.draft.piece(this.step().id, at, change);
  }

  protected weigh(): void {
    const [next, grams] = [this.nextWeight(), this.grams()];
    if (next && grams !== undefined) this.set(next.at, { [next.field]: grams });
  }
}
