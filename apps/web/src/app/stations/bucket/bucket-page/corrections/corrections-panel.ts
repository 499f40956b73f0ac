import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { BucketPart, Correction } from '@cazuela/core';
import { Units } from '../../../../data/units/units';
import { correctionWords } from './correction-words';
import { BucketScreen } from '../bucket-screen';
import { Expansion } from '../../../../ui/expansion';

/** Every correction into the range side by side: what to do first, what it costs, what prevents it. */
@Component({
  selector: 'cz-corrections-panel',
  imports: [Expansion, MatButton, RouterLink],
  templateUrl: './corrections-panel.html',
  styles: `
    .corrections {
      margin: 0.5rem 0;
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
      gap: 0 1.4rem;
    }
    li {
      display: grid;
      gap: 0.3rem;
      align-content: start;
      justify-items: start;
      padding: 0.6rem 0;
      border-top: 3px solid var(--copper);
    }
    li.blocked {
      border-top-color: var(--line);
    }
    h3 {
      font-size: 1.05rem;
    }
    table {
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CorrectionsPanel {
  protected readonly screen = inject(BucketScreen);
  protected readonly units = inject(Units);
  /** A single correction is the advice itself. */
  protected readonly corrections = computed(() =>
    (this.screen.corrections()?.options ?? []).map((correction) => ({
      correction,
      key: correction.kind + (correction.kind === 'otherBucket' ? correction.other.id : ''),
      ml: Math.floor(correction.firstMl),
      ...correctionWords(correction, this.units),
    })),
  );

  /** Its own powder in the shares that are in it now, stain included: the recipe is kept. */
  protected powder(grams: number): BucketPart[] {
    const { parts, dryGrams } = this.screen.contents()!;
    return parts.map((part) => ({ ...part, grams: (part.grams * grams) / dryGrams }));
  }

  protected take(correction: Correction): void {
    const grams = this.units.pourable(correction.firstMl);
    const entered = { value: grams, unit: 'mL' } as const;
    if (correction.kind === 'water') this.screen.note({ type: 'waterAdded', grams, entered });
    else if (correction.kind === 'pourOff') this.screen.note({ type: 'waterPouredOff', grams, entered });
    else if (correction.kind === 'powder') this.screen.note({ type: 'powderAdded', reason: 'thicken', parts: this.powder(correction.firstGrams) });
  }
}
