import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { attempt, dryCoatAdvice, dryCoatOf, powderShares, weighedParts } from '@cazuela/core';
import type { BucketSummary } from '@cazuela/contract';
import { Units } from '../../../data/units/units';
import { NumberField } from '../../../ui/number-field';
import { CoatScreen } from '../coat-screen';
import { becauseWords, FAULT_WORDS, REMEDY_WORDS } from './drying-words';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import type { FieldOption } from '../../../ui/options';

/** What the coat will do as it dries, alone or over another, and what can be done about it before the dip and after. */
@Component({
  selector: 'cz-drying-panel',
  imports: [AutocompleteField, MatButton, NumberField],
  templateUrl: './drying-panel.html',
  styles: `
    .advice {
      margin: 0.8rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DryingPanel {
  protected readonly screen = inject(CoatScreen);
  protected readonly units = inject(Units);
  protected readonly underId = signal('');
  protected readonly underMm = signal<number | null>(0.5);
  private readonly upper = computed(() => this.shareOf(this.screen.bucket()));
  private readonly under = computed(() => this.shareOf(this.screen.buckets().find((one) => one.id === this.underId())));
  protected readonly shares = computed(() => {
    const [upper, under] = [this.upper(), this.under()];
    if (upper === undefined) return 'What is in this bucket is not known powder by powder: how much it shrinks cannot be told.';
    const is = { powdery: 'powdery', sound: 'sound', shrinks: 'shrinks' }[
      dryCoatOf({ shrinkShare: upper, coatMm: this.screen.question().coatMm ?? 0.5 })
    ];
    const beneath = under === undefined ? '' : `; the one beneath ${under.toFixed(0)}`;
    return `Shrink share ${upper.toFixed(0)} of 100 g dry (${is})${beneath}. From its powders, by rules of the bench, not measured.`;
  });
  protected readonly advice = computed(() => {
    const [upper, under, coatMm, underMm] = [this.upper(), this.under(), this.screen.question().coatMm, this.underMm()];
    if (upper === undefined || !coatMm) return [];
    const beneath = under !== undefined && underMm ? { under: { coatMm: underMm, shrinkShare: under } } : {};
    const asked = attempt(() => dryCoatAdvice({ coatMm, shrinkShare: upper, ...beneath }));
    if (asked.kind === 'refused') return [];
    return asked.value.map((one) => ({
      fault: one.fault,
      ...FAULT_WORDS[one.fault],
      why: becauseWords(one.because, this.units),
      remedies: one.remedies.map((remedy) => ({
        ...REMEDY_WORDS[remedy],
        act: remedy === 'thinner' ? thinnerMm(coatMm, one.because.rule === 'F2' ? one.because.coatMm - coatMm : 0) : undefined,
      })),
    }));
  });
  protected readonly overOptions = computed((): FieldOption[] => [
    ['', 'bare bisque'],
    ...this.screen.buckets().map((one) => [one.id, `${one.body.name}, ${one.code}`] as const),
  ]);

  private shareOf(bucket: BucketSummary | undefined): number | undefined {
    if (!bucket?.contents) return undefined;
    const parts = weighedParts({ parts: bucket.contents.parts, powders: this.screen.all.value()?.powders ?? [] });
    return parts.length > 0 ? powderShares({ parts }).shrinkShare : undefined;
  }
}

/** Half a millimetre where that helps, but never so much that the whole exceeds a millimetre; undefined where it is thin already. */
function thinnerMm(coatMm: number, beneathMm: number): number | undefined {
  const most = Math.min(0.5, 1 - beneathMm);
  return most >= 0.1 && most < coatMm ? Number(most.toFixed(2)) : undefined;
}
