import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { attempt, equalCoats, labelCoats, type EqualCoat, type CoatMethod } from '@cazuela/core';
import * as z from 'zod';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { Units } from '../../../data/units/units';
import { NumberField } from '../../../ui/number-field';
import { AreaField } from '../area-field';
import { CoatScreen } from '../coat-screen';
import { METHOD_NAMES } from '../coat-words';

const askedSchema = z.object({ areaCm2: z.number().nullable(), labelCoats: z.number().nullable() });

/** The wanted coat by every application method, with glaze and labor of each; and what a label's coats come to. */
@Component({
  selector: 'cz-equal-coats-panel',
  imports: [AreaField, NumberField],
  templateUrl: './equal-coats-panel.html',
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem 1rem;
      align-items: end;
      margin-bottom: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EqualCoatsPanel {
  protected readonly screen = inject(CoatScreen);
  private readonly units = inject(Units);
  protected readonly asked = sessionSignal(
    'equal-coats',
    { areaCm2: 100 as number | null, labelCoats: null as number | null },
    (kept) => askedSchema.safeParse(kept).data,
  );
  protected readonly rows = computed(() => {
    const [contents, situation, coatMm, area] = [
      this.screen.bucket()?.contents,
      this.screen.situation(),
      this.screen.question().coatMm,
      this.asked().areaCm2,
    ];
    if (!contents || !situation || !coatMm || !area) return undefined;
    const volumeMlPerDryGram = contents.volumeMl / contents.dryGrams;
    const asked = attempt(() =>
      equalCoats({ coatMm, areaCm2: area, situation, volumeMlPerDryGram, passReadings: this.screen.passReadings() }, this.screen.knowledge()),
    );
    return asked.kind === 'ok' ? asked.value.map((one) => ({ method: one.method, name: METHOD_NAMES[one.method], ...this.words(one) })) : undefined;
  });
  protected readonly label = computed(() => {
    const [coats, coatMm] = [this.asked().labelCoats, this.screen.question().coatMm];
    if (!coats || !coatMm) return '';
    const { givesMm, lowMm, highMm, wantsCoats } = labelCoats({ coats, coatMm }, this.screen.passReadings());
    const gives = `The label’s ${coats} brushed ${coats === 1 ? 'coat gives' : 'coats give'} about ${this.units.coat(givesMm)} (${this.units.coat(lowMm)} to ${this.units.coat(highMm)})`;
    return wantsCoats === coats
      ? `${gives}: the ${this.units.coat(coatMm)} you want.`
      : `${gives}; for ${this.units.coat(coatMm)} put on ${wantsCoats}.`;
  });

  protected change(change: Partial<z.infer<typeof askedSchema>>): void {
    this.asked.update((asked) => ({ ...asked, ...change }));
  }

  private words(one: EqualCoat): Record<'how' | 'gives' | 'glaze' | 'labor' | 'basis', string> {
    const { method, seconds, passes, givesMm, laborSeconds, waitMinutes, glazeMl, readings } = one;
    if (seconds !== undefined && seconds.kind !== 'ok') return { how: 'not by this way, see above', gives: '', glaze: '', labor: '', basis: '' };
    const how =
      seconds?.kind === 'ok'
        ? `${this.units.seconds(seconds.seconds)}${CONTACT_WORDS[method] ?? ''}`
        : `${passes} ${passes === 1 ? 'pass' : 'passes'}`;
    const wait = waitMinutes > 0 ? `${laborSeconds === undefined ? '' : ', and '}${this.units.minutes(waitMinutes)} drying between` : '';
    const work = laborSeconds === undefined ? '' : laborSeconds < 90 ? `${laborSeconds} s` : this.units.minutes(laborSeconds / 60);
    const range = one.lowMm === undefined ? '' : ` (${one.lowMm.toFixed(2)}–${this.units.coat(one.highMm!)})`;
    const basis = readings === undefined ? 'as said above' : readings === 0 ? (PASS_BASIS[method] ?? 'starting guess') : `${readings} measured`;
    return {
      how,
      gives: this.units.coat(givesMm) + (this.units.coatUnit() === 'mm' ? range : ''),
      glaze: this.units.millilitres(glazeMl),
      labor: work + wait,
      basis,
    };
  }
}

const CONTACT_WORDS: Partial<Record<CoatMethod, string>> = { pour: ' before it is poured out', ladle: ' under the stream' };
const PASS_BASIS: Partial<Record<CoatMethod, string>> = { sponge: 'no figure known: taken as a brush drawn dry' };
