import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { BucketSummary } from '@cazuela/contract';
import { attempt, equalCoats, type CoatKnowledge, type CoatSituation, type EqualCoat, type EqualWay } from '@cazuela/core';
import { Units } from '../../data/units';

const WAY_WORDS: Readonly<Record<EqualWay, string>> = {
  dip: 'Dip',
  pour: 'Pour in and out, or ladle',
  brushLoaded: 'Brush, loaded',
  brushDry: 'Brush, drawn dry',
  spray: 'Spray',
};
/** What a tile or a small pot measures: for another, glaze and time scale with it. */
const AREA_CM2 = 100;

/** The wanted coat by every way of putting it on, with what each takes of glaze and hands. */
@Component({
  selector: 'cz-equal-coats-panel',
  template: `
    <details>
      <summary>The same coat another way</summary>
      @if (rows(); as list) {
        <div class="sheet-frame" tabindex="0" role="region" aria-label="The same coat another way">
          <table class="sheet">
            <tr>
              <th scope="col">Way</th>
              <th scope="col">How</th>
              <th scope="col" class="num">gives</th>
              <th scope="col" class="num">glaze for {{ area }} cm²</th>
              <th scope="col">hands</th>
            </tr>
            @for (row of list; track row.way) {
              <tr>
                <td>{{ row.name }}</td>
                <td>{{ row.how }}</td>
                <td class="num">{{ row.gives }}</td>
                <td class="num">{{ row.glaze }}</td>
                <td>{{ row.hands }}</td>
              </tr>
            }
          </table>
        </div>
      }
      <p class="quiet small">
        Dip and pour lean on what is said above. A pass of the brush (0.13 mm loaded, 0.08 drawn dry) and of the spray gun (0.05) are starting guesses
        for any glaze: weigh one to know yours. Coats at right angles, each dry to the touch. Spraying: respirator and a booth that draws.
      </p>
    </details>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EqualCoatsPanel {
  readonly bucket = input.required<BucketSummary>();
  readonly situation = input.required<CoatSituation>();
  readonly knowledge = input.required<CoatKnowledge>();
  readonly coatMm = input.required<number>();
  private readonly units = inject(Units);
  protected readonly area = AREA_CM2;
  protected readonly rows = computed(() => {
    const { volumeMl, dryGrams } = this.bucket().contents!;
    const asked = attempt(() =>
      equalCoats(
        { coatMm: this.coatMm(), areaCm2: AREA_CM2, situation: this.situation(), volumeMlPerDryGram: volumeMl / dryGrams },
        this.knowledge(),
      ),
    );
    return asked.kind === 'ok' ? asked.value.map((one) => ({ way: one.way, name: WAY_WORDS[one.way], ...this.words(one) })) : undefined;
  });

  private words({ seconds, passes, givesMm, handSeconds, waitMinutes, glazeMl }: EqualCoat): Record<'how' | 'gives' | 'glaze' | 'hands', string> {
    const cannot = seconds !== undefined && seconds.kind !== 'ok';
    const how =
      seconds?.kind === 'ok'
        ? this.units.seconds(seconds.seconds)
        : cannot
          ? 'not by this way, see above'
          : `${passes} ${passes === 1 ? 'pass' : 'passes'}`;
    const wait = waitMinutes > 0 ? `, and ${this.units.minutes(waitMinutes)} drying between` : '';
    const work = handSeconds === undefined ? '' : handSeconds < 90 ? `${handSeconds} s` : this.units.minutes(handSeconds / 60);
    return {
      how,
      gives: cannot ? '' : this.units.millimetres(givesMm),
      glaze: cannot ? '' : this.units.millilitres(glazeMl),
      hands: cannot ? '' : work + wait,
    };
  }
}
