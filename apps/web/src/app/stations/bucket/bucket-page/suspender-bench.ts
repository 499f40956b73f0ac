import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { attempt, BENTONITE, GUM, planBentonite, planGum } from '@cazuela/core';
import { Units } from '../../../data/units';
import { NumberField } from '../../../parts/number-field';
import { BucketScreen } from './bucket-screen';

/** Bentonite slaked in hot water, or gum solution: how much, what it does to the SG and the coat, booked with one tap. */
@Component({
  selector: 'cz-suspender-bench',
  imports: [NumberField],
  template: `
    @if (what() === 'bentonite') {
      <div class="fields">
        <cz-number-field
          label="Bentonite"
          hint="of the dry glaze, 1 is usual, 2 the most"
          unit="%"
          [value]="percent()"
          [least]="0.1"
          [most]="5"
          (changed)="percent.set($event.value)"
        />
        <cz-number-field
          label="Hot water"
          hint="mL to a gram"
          [value]="waterPerGram()"
          [least]="1"
          [most]="40"
          (changed)="waterPerGram.set($event.value)"
        />
      </div>
      @if (bentonite(); as it) {
        @if (it.kind === 'refused') {
          <p class="field-error" role="alert">{{ it.error.message }}</p>
        } @else {
          <p class="does" role="status">
            <span class="figure">{{ units.mass(it.value.grams) }}</span> into <span class="figure">{{ units.millilitres(it.value.waterMl) }}</span> of
            hot water. The bucket then stands at {{ units.sg(it.value.sgAfter) }} and holds {{ units.litres(it.value.newVolumeMl) }}.
          </p>
          @if (it.value.overMost) {
            <p class="look">{{ units.percent(it.value.percentAfter) }} with what is in it: over {{ most }} % the coat cracks as it dries.</p>
          }
          <ol>
            <li>Respirator on. Sprinkle it on the hot water, never water on it: it clots.</li>
            <li>Leave it to slake, overnight if you can; blend it smooth.</li>
            <li>Stir it in, sieve, measure: its water has moved the SG.</li>
          </ol>
          @if (powder()) {
            <button type="button" class="press" (click)="addBentonite(it.value.grams, it.value.waterMl)">Bentonite and its water went in</button>
          } @else {
            <p class="look">No bentonite on the powder shelf: add it there first.</p>
          }
        }
      }
    } @else {
      <div class="fields">
        <cz-number-field
          label="Gum solution"
          hint="1.5 %, mL to a litre of glaze"
          unit="mL"
          [value]="perLitre()"
          [least]="1"
          [most]="400"
          (changed)="perLitre.set($event.value)"
        />
        <label class="check"
          ><input type="checkbox" [checked]="brushing()" (change)="brushing.set($any($event.target).checked)" /> make a brushing glaze of it</label
        >
      </div>
      @if (gum(); as it) {
        @if (it.kind === 'refused') {
          <p class="field-error" role="alert">{{ it.error.message }}</p>
        } @else {
          <p class="does" role="status">
            <span class="figure">{{ units.millilitres(it.value.millilitres) }}</span> of gum solution; with it at most
            <span class="figure">{{ units.millilitres(it.value.mostWaterMl) }}</span> of water.
          </p>
          @if (it.value.overMost) {
            <p class="look">
              {{ units.millilitres(it.value.perLitreAfter) }} a litre with what is in it: over {{ brushing() ? gumMost * 10 : gumMost }} it dries too
              slowly to handle.
            </p>
          }
          <p class="small">
            It slows drying and thirst, so the same seconds leave less; the dry coat is tougher, dusts less, and brushes longer. How much less, a step
            tile tells. It spoils: smell it after some weeks.
          </p>
          <button type="button" class="press" (click)="screen.note({ type: 'gumAdded', millilitres: round(it.value.millilitres) })">
            Gum went in
          </button>
        }
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
      gap: 1rem;
      align-items: end;
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

  protected round = (millilitres: number): number => Math.round(millilitres);

  protected addBentonite(grams: number, waterMl: number): void {
    const { id: powderId, name, densityGMl: density } = this.powder()!;
    this.screen.note({ type: 'powderAdded', reason: 'suspend', parts: [{ powderId, name, part: 'addition', grams, density }] });
    const water = Math.round(waterMl);
    this.screen.note({ type: 'waterAdded', grams: water, entered: { value: water, unit: 'mL' } });
  }
}
