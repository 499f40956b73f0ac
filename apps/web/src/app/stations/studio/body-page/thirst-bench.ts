import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { attempt, readThirstTest, type ThirstTest } from '@cazuela/core';
import { ScaleFeed } from '../../../data/devices/scale-feed';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { NumberField } from '../../../ui/number-field';

type Draft = { [Key in keyof ThirstTest]: ThirstTest[Key] | null };
const START: Draft = { dryGrams: null, afterGrams: null, soakedGrams: null, seconds: 3, faceCm2: null, faces: 2, divisionGrams: 0.1 };
const WEIGHTS = [
  ['dryGrams', '1. Dry', 'A tile of this lot, bone dry and cool: weigh it.'],
  ['afterGrams', '2. After the water', 'Hold it under for the seconds, out, blot the shine off at once, weigh it.'],
  ['soakedGrams', '3. Soaked', 'Leave it in water overnight, or boil it for two hours; blot it, weigh it. Then dry the tile.'],
] as const;

/** The thirst test without any glaze, weight by weight. */
@Component({
  selector: 'cz-thirst-bench',
  imports: [Choice, MatButton, NumberField],
  templateUrl: './thirst-bench.html',
  styles: `
    .bench {
      display: grid;
      gap: 0.8rem;
      margin: 0.6rem 0;
      padding: 0.9rem 1.1rem;
      background: var(--kaolin);
      border-radius: var(--round);
    }
    .step {
      display: grid;
      grid-template-columns: 12rem minmax(0, 1fr) auto;
      gap: 1rem;
      align-items: end;
      p {
        min-height: 64px;
        display: flex;
        align-items: center;
        margin: 0;
      }
    }
    @media (max-width: 700px) {
      .step {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThirstBench {
  readonly lotName = input.required<string>();
  readonly start = input<ThirstTest>();
  readonly kept = output<ThirstTest>();
  readonly left = output<void>();
  private readonly feed = inject(ScaleFeed);
  protected readonly units = inject(Units);
  protected readonly weights = WEIGHTS;
  protected readonly faces = [
    [2, 'both faces'],
    [1, 'one face'],
  ] as const;
  protected readonly draft = linkedSignal<Draft>(() => this.start() ?? START);
  protected readonly onScale = computed(() => {
    const now = this.feed.now();
    return now.kind === 'reading' && now.settling.settledGrams !== undefined && now.settling.settledGrams > 0 ? now.settling.settledGrams : undefined;
  });
  private readonly whole = computed<ThirstTest | undefined>(() => {
    const draft = this.draft();
    return Object.values(draft).some((value) => value === null) ? undefined : (draft as ThirstTest);
  });
  protected readonly read = computed(() => {
    const test = this.whole();
    return test && attempt(() => readThirstTest(test));
  });

  protected set(change: Partial<Draft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  protected weighed(which: (typeof WEIGHTS)[number][0], grams: number | null): void {
    this.set({ [which]: grams, ...(grams === null ? {} : { divisionGrams: this.units.divisionFor(grams) }) });
  }

  protected keep(): void {
    const test = this.whole();
    if (test) this.kept.emit(test);
  }
}
