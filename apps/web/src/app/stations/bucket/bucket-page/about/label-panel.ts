import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Bucket } from '@cazuela/contract';
import { StudioApi } from '../../../../data/http/studio-api';
import { Units } from '../../../../data/units/units';
import { NumberField } from '../../../../ui/number-field';
import { SelectField } from '../../../../ui/select-field';

/** Labels by what they measure; a sheet is A4. */
const SIZES = [
  ['62x29', '62 × 29 mm'],
  ['89x36', '89 × 36 mm'],
  ['100x62', '100 × 62 mm'],
  ['a4-70x42', 'A4, 21 of 70 × 42 mm'],
  ['a4-99x38', 'A4, 14 of 99 × 38 mm'],
  ['a4-105x74', 'A4, 8 of 105 × 74 mm'],
] as const;
const PLACES: Readonly<Record<string, number>> = { 'a4-70x42': 21, 'a4-99x38': 14, 'a4-105x74': 8 };

/** What belongs on the lid: large, for those who write it on tape, and as a label with a code that opens the bucket. */
@Component({
  selector: 'cz-label-panel',
  imports: [MatButton, NumberField, SelectField],
  template: `
    <div class="tape">
      <span class="code figure">{{ bucket().code }}</span>
      <span class="name">{{ bucket().body.name }}</span>
      <span>{{ words() }}</span>
      @if (stains(); as words) {
        <span>{{ words }}</span>
      }
    </div>
    <div class="field-row">
      <cz-select label="Label size" [options]="sizes" [value]="size()" (changed)="size.set($event)" />
      <cz-number-field label="How many" [value]="copies()" [decimals]="0" [least]="1" [most]="60" (changed)="copies.set($event.value)" />
      @if (places() > 1) {
        <cz-number-field
          label="First free place"
          hint="counted along the rows"
          [value]="first()"
          [decimals]="0"
          [least]="1"
          [most]="places()"
          (changed)="first.set($event.value)"
        />
      }
      <a matButton="outlined" target="_blank" [href]="href()">Print the label</a>
    </div>
    <p class="quiet small">Its code opens this bucket on any device that reaches Cazuela under this address.</p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.7rem;
    }
    .tape {
      display: grid;
      padding: 0.7rem 0.9rem;
      border: 2px solid var(--iron);
      border-radius: 4px;
      background: var(--paper);
    }
    .code {
      font-size: 2.6rem;
      line-height: 1.1;
    }
    .name {
      font: 700 1.25rem/1.2 var(--heading);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LabelPanel {
  readonly bucket = input.required<Bucket>();
  private readonly api = inject(StudioApi);
  private readonly units = inject(Units);
  protected readonly sizes = SIZES;
  protected readonly size = signal<string>(SIZES[0][0]);
  protected readonly places = computed(() => PLACES[this.size()] ?? 1);
  /** What is left of a sheet, or one from a roll, until a count is typed. */
  protected readonly copies = linkedSignal<number | null>(() => Math.max(1, this.places() - (this.first() ?? 1) + 1));
  protected readonly first = linkedSignal<number, number | null>({ source: this.places, computation: () => 1 });
  protected readonly href = computed(() => {
    const first = this.places() > 1 ? `&first=${whole(this.first(), this.places())}` : '';
    return this.api.fileUrl(`/buckets/${this.bucket().id}/labels.pdf?size=${this.size()}&copies=${whole(this.copies(), 60)}${first}`);
  });
  protected readonly stains = computed(() => {
    const { contents } = this.bucket();
    const stains = contents?.parts.filter(({ part, grams }) => part === 'stain' && grams > 0) ?? [];
    return stains.map(({ name, grams }) => `${name} ${this.units.percent((100 * grams) / contents!.baseDryGrams)}`).join(', ');
  });
  protected readonly words = computed(() => {
    const { body, createdAt, events, recipeVersion, contents } = this.bucket();
    const madeAt = events.find((event) => event.type === 'filled')?.at ?? createdAt;
    const version = recipeVersion ? `version ${recipeVersion}, ` : '';
    const measured = contents?.measuredAt ? `, measured ${this.units.sg(contents.sg)}` : '';
    return `${version}${madeAt.slice(0, 10)}. SG ${this.units.sg(body.sgLow)}–${this.units.sg(body.sgHigh)}${measured}.`;
  });
}

const whole = (typed: number | null, most: number): number => Math.min(most, Math.max(1, Math.round(typed ?? 1)));
