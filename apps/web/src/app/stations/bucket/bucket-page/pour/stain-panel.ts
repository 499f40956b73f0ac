import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import {
  attempt,
  densityOfPowders,
  rescueParts,
  stainInside,
  stainToRaise,
  sumGrams,
  USUAL_STAIN_PERCENT,
  waterToRestoreSg,
  type BucketPart,
} from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../../data/http/mutation';
import { StudioApi } from '../../../../data/http/studio-api';
import { StudioStore } from '../../../../data/state/studio-store';
import { Units } from '../../../../data/units/units';
import { Choice } from '../../../../ui/choice';
import { NumberField, type TypedNumber } from '../../../../ui/number-field';
import { ErrorBanner } from '../../../../ui/error-banner';
import { BucketScreen } from '../bucket-screen';
import { AutocompleteField } from '../../../../ui/autocomplete-field';
import type { FieldOption } from '../../../../ui/options';
import { Sure } from '../../../../ui/sure';

/** A smaller difference counts as the same percentage. */
const SAME_PERCENT = 0.005;

/** No glaze takes more stain, percent of the dry base. */
const MOST_STAIN_PERCENT = 20;

/** Stain the bucket or part of it, raise it, or rescue it by adding base; always with the water that restores the SG. */
@Component({
  selector: 'cz-stain-panel',
  imports: [AutocompleteField, Choice, ErrorBanner, MatButton, NumberField, Sure],
  templateUrl: './stain-panel.html',
  styles: `
    .does {
      margin: 0.8rem 0 0.5rem;
      font-size: 1.1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StainPanel {
  /** From the address: the bucket that the part was poured from. */
  readonly startPercent = input<string>();
  private readonly api = inject(StudioApi);
  private readonly store = inject(StudioStore);
  private readonly router = inject(Router);
  protected readonly screen = inject(BucketScreen);
  protected readonly units = inject(Units);
  protected readonly shares = [
    ['all', 'all of it'],
    ['part', 'a part'],
  ] as const;
  protected readonly splitting = createMutation();
  protected readonly usual = USUAL_STAIN_PERCENT;
  protected readonly powderId = signal<string | undefined>(undefined);
  protected readonly percent = linkedSignal<number | null>(() =>
    this.startPercent() && Number.isFinite(Number(this.startPercent())) ? Number(this.startPercent()) : 2,
  );
  protected readonly share = signal<'all' | 'part'>('all');
  protected readonly partMl = signal<TypedNumber>({ value: null });
  protected readonly stains = computed(() => this.screen.powders().filter((powder) => powder.role === 'colourant'));
  /** What the bucket is stained with already, else the first stain on the shelf. */
  protected readonly stain = computed(() => {
    const held = this.screen.contents()?.parts.find((part) => part.part === 'stain' && part.grams > 0)?.powderId;
    const id = this.powderId() ?? held;
    return this.stains().find((powder) => powder.id === id) ?? this.stains().find((powder) => /stain/i.test(powder.name)) ?? this.stains()[0];
  });
  /** What it holds of this stain, also where a recipe did not call it one. */
  protected readonly held = computed(() => stainInside({ parts: this.screen.contents()?.parts ?? [], stainId: this.stain()?.id }));
  protected readonly work = computed(() => {
    const inside = this.screen.contents();
    const stain = this.stain();
    const target = this.percent();
    if (!inside || !stain || target === null) return undefined;
    const { baseDryGrams, percent } = this.held();
    return attempt(() => {
      if (Math.abs(target - percent) < SAME_PERCENT) return { kind: 'same' } as const;
      const targetSg = this.screen.targetSg();
      if (target < percent) {
        const parts = rescueParts({ parts: inside.parts, stainId: stain.id, targetPercent: target });
        const grams = sumGrams(parts);
        const restored = waterToRestoreSg({ ...inside, stainGrams: grams, stainDensity: densityOfPowders({ parts }), targetSg });
        return { kind: 'rescue', grams, parts, restored, overflows: restored.volumeMl > this.screen.bucket()!.body.capacityMl } as const;
      }
      const grams = stainToRaise({ baseDryGrams, percent, targetPercent: target });
      const restored = waterToRestoreSg({ ...inside, stainGrams: grams, stainDensity: stain.densityGMl, targetSg });
      return { kind: 'add', grams, restored, overflows: restored.volumeMl > this.screen.bucket()!.body.capacityMl } as const;
    });
  });
  /** Over the brim, or more colour than any glaze takes. */
  protected readonly odd = computed(() => {
    const [work, percent] = [this.work(), this.percent()];
    if (work?.kind !== 'ok' || work.value.kind === 'same') return undefined;
    if ((percent ?? 0) > MOST_STAIN_PERCENT)
      return `${this.units.percent(percent!)} is more than any glaze takes: over ${MOST_STAIN_PERCENT} % it goes stiff and dull. Is it the percent of the dry base?`;
    return work.value.overflows
      ? `It would be ${this.units.litres(work.value.restored.volumeMl)}, more than this bucket holds: pour part off first.`
      : undefined;
  });
  protected readonly fieldError = computed(() => {
    const work = this.work();
    return work?.kind === 'refused' ? work.error.message : undefined;
  });
  protected readonly stainOptions = computed((): FieldOption[] => this.stains().map((powder) => [powder.id, powder.name] as const));

  protected addStain(grams: number, waterGrams = 0): void {
    const stain = this.stain()!;
    this.screen.note({
      type: 'powderAdded',
      reason: 'stain',
      parts: [{ powderId: stain.id, name: stain.name, part: 'stain', grams, density: stain.densityGMl }],
    });
    this.addWater(waterGrams);
  }

  protected rescue(parts: BucketPart[], waterGrams = 0): void {
    this.screen.note({ type: 'powderAdded', reason: 'rescue', parts });
    this.addWater(waterGrams);
  }

  private addWater(waterGrams: number): void {
    const water = Math.round(waterGrams);
    if (water > 0) this.screen.note({ type: 'waterAdded', grams: water, entered: { value: water, unit: 'mL' } });
  }

  protected split(): void {
    const bucket = this.screen.bucket()!;
    const { value, entered } = this.partMl();
    if (value === null) return;
    const split = {
      newBucketId: uuid(),
      takenEventId: uuid(),
      filledEventId: uuid(),
      at: new Date().toISOString(),
      by: this.store.by(),
      name: `${bucket.body.name}, stained`.slice(0, 80),
      takenMl: value,
      ...(entered ? { entered } : {}),
    };
    this.splitting.run(
      this.api.splitBucket(bucket.id, split),
      (made) => void this.router.navigate(['/bucket', made.id], { queryParams: { stain: this.percent() } }),
    );
  }
}
