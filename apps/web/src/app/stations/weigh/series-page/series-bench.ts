import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { SeriesDocument } from '@cazuela/contract';
import { seriesSheet } from '@cazuela/core';
import * as z from 'zod';
import { Keys } from '../../../data/devices/keys';
import { deviceSignal } from '../../../data/offline/kept-signal';
import { Units } from '../../../data/units/units';
import { NumberField } from '../../../ui/number-field';
import { stepWords } from './series-question';

/** Two presses closer than this are one press. */
const REST_MS = 350;
const keptSchema = z.record(z.string(), z.array(z.number()));

/** A series driven at the bench, a tile at a time: what goes in, the water back to the SG, the code of the tile. There again after a reload. */
@Component({
  selector: 'cz-series-bench',
  imports: [MatButton, MatIcon, NumberField],
  templateUrl: './series-bench.html',
  styleUrl: './series-bench.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SeriesBench {
  readonly series = input.required<SeriesDocument>();
  readonly busy = input(false);
  /** All tiles are dipped; with what really went in, where stain did. */
  readonly dipped = output<readonly number[] | undefined>();
  protected readonly units = inject(Units);
  private readonly kept = deviceSignal<Record<string, number[]>>('series-bench', {}, (kept) => keptSchema.safeParse(kept).data);
  private readonly field = viewChild(NumberField);
  protected readonly wrong = signal(false);
  protected readonly weighed = computed(() => this.kept()[this.series().id] ?? []);
  protected readonly steps = computed(() => {
    const { code, body } = this.series();
    return seriesSheet({ code, question: body.kind === 'blend' ? body : { ...body, weighedGrams: this.weighed() } }).steps;
  });
  protected readonly at = computed(() => this.weighed().length);
  protected readonly step = computed(() => this.steps()[this.at()]);
  protected readonly words = computed(() => {
    const step = this.step();
    return step && stepWords(step, this.series().body, this.units);
  });
  protected readonly takesStain = computed(() => this.series().body.kind !== 'blend' && (this.step()?.stainGrams ?? 0) > 0);
  protected readonly grams = linkedSignal<number | null>(() => this.step()?.stainGrams ?? 0);

  constructor() {
    inject(Keys).bind([
      { keys: [' ', 'enter'], words: 'dipped: next tile', inFields: true, restsMs: REST_MS, when: () => !!this.step(), run: () => this.next() },
      { keys: ['backspace'], words: 'back: the tile before', when: () => this.at() > 0, run: () => this.back() },
    ]);
  }

  protected next(): void {
    const grams = this.grams();
    this.wrong.set(grams === null || !!this.field()?.problem());
    if (!this.wrong() && grams !== null) this.put([...this.weighed(), grams]);
  }

  protected back(): void {
    this.put(this.weighed().slice(0, -1));
  }

  protected finish(): void {
    this.dipped.emit(this.series().body.kind === 'blend' ? undefined : this.weighed());
  }

  private put(weighed: number[]): void {
    this.kept.update((kept) => ({ ...kept, [this.series().id]: weighed }));
  }
}
