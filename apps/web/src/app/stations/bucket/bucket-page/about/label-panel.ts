import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Bucket } from '@cazuela/contract';
import { StudioApi } from '../../../../data/http/studio-api';
import { Units } from '../../../../data/units/units';
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

/** What belongs on the lid: large, for those who write it on tape, and as a label with a code that opens the bucket. */
@Component({
  selector: 'cz-label-panel',
  imports: [MatButton, SelectField],
  template: `
    <div class="tape">
      <span class="code figure">{{ bucket().code }}</span>
      <span class="name">{{ bucket().body.name }}</span>
      <span>{{ words() }}</span>
    </div>
    <div class="field-row">
      <cz-select label="Label size" [options]="sizes" [value]="size()" (changed)="size.set($event)" />
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
  protected readonly href = computed(() => this.api.fileUrl(`/buckets/${this.bucket().id}/labels.pdf?size=${this.size()}`));
  protected readonly words = computed(() => {
    const { body, createdAt, events, recipeVersion, contents } = this.bucket();
    const madeAt = events.find((event) => event.type === 'filled')?.at ?? createdAt;
    const version = recipeVersion ? `version ${recipeVersion}, ` : '';
    const measured = contents?.measuredAt ? `, measured ${this.units.sg(contents.sg)}` : '';
    return `${version}${madeAt.slice(0, 10)}. SG ${this.units.sg(body.sgLow)}–${this.units.sg(body.sgHigh)}${measured}.`;
  });
}
