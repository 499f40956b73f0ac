import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { attempt, BENTONITE, GUM, planBentonite, planGum } from '@cazuela/core';
import { Units } from '../../../../data/units/units';
import { NumberField } from '../../../../ui/number-field';
import { BucketScreen } from '../bucket-screen';
import { Checkbox } from '../../../../ui/checkbox';
import { Sure } from '../../../../ui/sure';

/** Bentonite slaked in hot water, or gum solution: how much, what it does to the SG and the coat, booked with one tap. */
@Component({
  selector: 'cz-suspender-bench',
  imports: [Checkbox, MatButton, NumberField, Sure],
  templateUrl: './suspender-bench.html',
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
    }
    .does {
      font-size: 1.1rem;
    }
    ol {
      margin: 0;
      padding-left: 1.2rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SuspenderBench {
  readonly what = input.required<'bentonite' | 'gum'>();
  protected readonly screen = inject(BucketScreen);
  protected readonly units = inject(Units);
  protected readonly most = BENTONITE.mostPercent;
  protected readonly gumMost = GUM.mostMlPerLitre;
  protected readonly percent = signal<number | null>(BENTONITE.usualPercent);
  protected readonly waterPerGram = signal<number | null>(BENTONITE.waterMlPerGram);
  protected readonly perLitre = signal<number | null>(GUM.usualMlPerLitre);
  protected readonly brushing = signal(false);
  protected readonly powder = computed(() => this.screen.powders().find((powder) => /bentonite/i.test(powder.name)));
  protected readonly bentonite = computed(() => {
    const [contents, percent, waterMlPerGram] = [this.screen.contents(), this.percent(), this.waterPerGram()];
    if (!contents || percent === null || waterMlPerGram === null) return undefined;
    const insideGrams = contents.parts.filter((part) => part.powderId === this.powder()?.id).reduce((sum, part) => sum + part.grams, 0);
    const { dryGrams, waterGrams, density } = contents;
    const bentoniteDensity = this.powder()?.densityGMl ?? 2.5;
    return attempt(() => planBentonite({ dryGrams, waterGrams, density, insideGrams, percent, bentoniteDensity, waterMlPerGram }));
  });
  protected readonly gum = computed(() => {
    const [contents, mlPerLitre] = [this.screen.contents(), this.perLitre()];
    if (!contents || mlPerLitre === null) return undefined;
    return attempt(() =>
      planGum({ volumeMl: contents.volumeMl, insideMl: contents.additives?.gumMl ?? 0, mlPerLitre, forBrushing: this.brushing() }),
    );
  });

  /** Over the brim. */
  protected odd(newVolumeMl: number): string | undefined {
    const { capacityMl } = this.screen.bucket()!.body;
    return newVolumeMl > capacityMl
      ? `It would be ${this.units.litres(newVolumeMl)}, and the bucket holds ${this.units.litres(capacityMl)}: ladle part off first.`
      : undefined;
  }

  protected round = (millilitres: number): number => Math.round(millilitres);

  protected addBentonite(grams: number, waterMl: number): void {
    const { id: powderId, name, densityGMl: density } = this.powder()!;
    this.screen.note({ type: 'powderAdded', reason: 'suspend', parts: [{ powderId, name, part: 'addition', grams, density }] });
    const water = Math.round(waterMl);
    this.screen.note({ type: 'waterAdded', grams: water, entered: { value: water, unit: 'mL' } });
  }
}
