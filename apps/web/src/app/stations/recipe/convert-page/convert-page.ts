import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { additionSum, attempt, convertMix, dryGrams, recipeDensity, waterPerDryGram, type PresentPowder } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import * as z from 'zod';
import { apiResource } from '../../../data/http/api-resource';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { StudioApi } from '../../../data/http/studio-api';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { NumberField } from '../../../ui/number-field';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import type { FieldOption } from '../../../ui/options';
import { ResourceState } from '../../../ui/resource-state';
import { EmptyState } from '../../../ui/empty-state';
import { Sure } from '../../../ui/sure';
import { BenchLog } from '../../../data/offline/bench-log';

const questionSchema = z.object({
  toId: z.string(),
  from: z.enum(['batch', 'bucket', 'shelf']),
  baseGrams: z.number().nullable(),
  volumeMl: z.number().nullable(),
  sg: z.number().nullable(),
  bucketId: z.string(),
});
type Question = z.infer<typeof questionSchema>;
const START: Question = { toId: '', from: 'batch', baseGrams: 1000, volumeMl: 5000, sg: null, bucketId: '' };

/** From this recipe to another one: what to add to a dry batch or to a bucket, or the line that forbids it. */
@Component({
  selector: 'cz-convert-page',
  imports: [AutocompleteField, Choice, EmptyState, MatButton, NumberField, ResourceState, RouterLink, Sure],
  templateUrl: './convert-page.html',
  styleUrl: './convert-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConvertPage {
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  private readonly log = inject(BenchLog);
  private readonly router = inject(Router);
  protected readonly sources = [
    ['batch', 'a dry batch'],
    ['bucket', 'a bucket, measured'],
    ['shelf', 'a bucket of ours'],
  ] as const;
  protected readonly all = apiResource(() =>
    combineLatest({ recipes: this.api.recipes(), powders: this.api.powders(), buckets: this.api.buckets() }),
  );
  protected readonly question = sessionSignal<Question>('convert', START, (kept) => questionSchema.safeParse(kept).data);
  protected readonly from = computed(() => this.all.value()?.recipes.find((recipe) => recipe.id === this.id()));
  protected readonly others = computed(() => (this.all.value()?.recipes ?? []).filter((recipe) => recipe.id !== this.id()));
  protected readonly to = computed(() => this.others().find((recipe) => recipe.id === this.question().toId) ?? this.others()[0]);
  protected readonly buckets = computed(() =>
    (this.all.value()?.buckets ?? []).filter((bucket) => bucket.recipeId === this.id() && (bucket.contents?.dryGrams ?? 0) > 0),
  );
  protected readonly bucket = computed(() => this.buckets().find((one) => one.id === this.question().bucketId) ?? this.buckets()[0]);
  protected readonly sg = computed(() => {
    const body = this.from()?.body;
    return this.question().sg ?? (body ? (body.sgLow + body.sgHigh) / 2 : null);
  });
  /** What is there now: its powders and, in a bucket, its water. */
  protected readonly present = computed(() => {
    const powders = this.all.value()?.powders;
    const from = this.from();
    if (!powders || !from) return undefined;
    const { from: source, baseGrams, volumeMl } = this.question();
    return attempt((): { parts: PresentPowder[]; waterGrams: number } | undefined => {
      const { lines } = from.body;
      if (source === 'shelf') {
        const contents = this.bucket()?.contents;
        return contents ? { parts: contents.parts, waterGrams: contents.waterGrams } : undefined;
      }
      if (source === 'batch') return baseGrams === null ? undefined : { parts: lines.map((line) => share(line, baseGrams)), waterGrams: 0 };
      const sg = this.sg();
      if (volumeMl === null || sg === null) return undefined;
      const dry = dryGrams({ volumeMl, sg, density: recipeDensity({ lines, powders }) });
      const base = dry / (1 + additionSum({ lines }) / 100);
      return { parts: lines.map((line) => share(line, base)), waterGrams: volumeMl * sg - dry };
    });
  });
  protected readonly answer = computed(() => {
    const powders = this.all.value()?.powders;
    const [to, present] = [this.to(), this.present()];
    if (!powders || !to || !present) return undefined;
    if (present.kind === 'refused') return present;
    if (!present.value) return undefined;
    const { parts, waterGrams } = present.value;
    return attempt(() => {
      const conversion = convertMix({ present: parts, target: to.body.lines });
      if (conversion.kind === 'impossible') return { ...conversion, names: conversion.powderIds.map((id) => this.nameOf(id)) };
      const sg = (to.body.sgLow + to.body.sgHigh) / 2;
      const density = recipeDensity({ lines: to.body.lines, powders });
      const wanted = conversion.totalGrams * waterPerDryGram({ sg, density });
      return {
        ...conversion,
        rows: conversion.add.map(({ powderId, grams }) => ({ powderId, name: this.nameOf(powderId), grams })),
        wet: waterGrams > 0,
        waterMl: wanted - waterGrams,
        sg,
        volumeMl: conversion.totalGrams / density + Math.max(wanted, waterGrams),
        factor: conversion.totalGrams / parts.reduce((sum, part) => sum + part.grams, 0),
      };
    });
  });
  protected readonly recipeOptions = computed((): FieldOption[] =>
    this.others().map((one) => [one.id, `${one.body.name}, version ${one.version}`] as const),
  );
  protected readonly bucketOptions = computed((): FieldOption[] =>
    this.buckets().map((bucket) => [bucket.id, `${bucket.code} ${bucket.body.name}, ${this.units.litres(bucket.contents!.volumeMl)}`] as const),
  );

  /** Over the brim of the bucket it happens in. */
  protected odd(volumeMl: number): string | undefined {
    const capacityMl = this.bucket()?.body.capacityMl;
    return capacityMl !== undefined && volumeMl > capacityMl
      ? `It would be ${this.units.litres(volumeMl)}, and the bucket holds ${this.units.litres(capacityMl)}: pour part off first, or do it in a larger one.`
      : undefined;
  }

  /** Booked in the bucket as it was done: powder, water, and what it is now. */
  protected wentIn(): void {
    const [answer, bucket, to, powders] = [this.answer(), this.bucket(), this.to(), this.all.value()?.powders];
    if (answer?.kind !== 'ok' || answer.value.kind !== 'ok' || !bucket || !to || !powders) return;
    const { rows, waterMl } = answer.value;
    const parts = rows.map(({ powderId, name, grams }) => {
      const part = to.body.lines.find((line) => line.powderId === powderId)?.part ?? 'base';
      return { powderId, name, part, grams, density: powders.find((one) => one.id === powderId)?.densityGMl ?? 2.6 };
    });
    if (parts.length > 0) this.log.note('bucket', bucket.id, { type: 'powderAdded', reason: 'thicken', parts });
    if (waterMl >= 1) this.log.note('bucket', bucket.id, { type: 'waterAdded', grams: Math.round(waterMl) });
    this.log.note('bucket', bucket.id, { type: 'noted', text: `Turned into ${to.body.name}, version ${to.version}.` });
    void this.router.navigate(['/bucket', bucket.id]);
  }

  protected change(change: Partial<Question>): void {
    this.question.update((question) => ({ ...question, ...change }));
  }

  private nameOf(powderId: string): string {
    return this.all.value()?.powders.find((powder) => powder.id === powderId)?.name ?? 'a powder no longer listed';
  }
}

const share = (line: { powderId: string; percent: number }, baseGrams: number): PresentPowder => ({
  powderId: line.powderId,
  grams: (baseGrams * line.percent) / 100,
});
