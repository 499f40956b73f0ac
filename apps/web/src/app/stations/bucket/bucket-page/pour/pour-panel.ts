import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import type { Bucket } from '@cazuela/contract';
import { attempt, mergedContents, splitBucket, type BucketContents } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../../data/http/mutation';
import { StudioApi } from '../../../../data/http/studio-api';
import { StudioStore } from '../../../../data/state/studio-store';
import { Units } from '../../../../data/units/units';
import { NumberField } from '../../../../ui/number-field';
import { ErrorBanner } from '../../../../ui/error-banner';
import { BucketScreen } from '../bucket-screen';
import { TextField } from '../../../../ui/text-field';
import { AutocompleteField } from '../../../../ui/autocomplete-field';
import type { FieldOption } from '../../../../ui/options';
import { Sure } from '../../../../ui/sure';

const SCRAPS = '';
const NEW = 'new';
const WASTE = 'waste';
/** What a test jar or a brushing jar takes, mL. */
const JAR_ML = 500;

/** Part of a bucket, or all of it, poured into another one, a new one, the scraps or the waste; the result is shown first. */
@Component({
  selector: 'cz-pour-panel',
  imports: [AutocompleteField, ErrorBanner, MatButton, NumberField, Sure, TextField],
  templateUrl: './pour-panel.html',
  styles: `
    form {
      max-width: 32rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PourPanel {
  readonly bucket = input.required<Bucket>();
  readonly contents = input.required<BucketContents>();
  /** From the address: the bucket that wants it. */
  readonly into = input<string>();
  readonly amountMl = input<string>();
  protected readonly screen = inject(BucketScreen);
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly store = inject(StudioStore);
  private readonly units = inject(Units);
  protected readonly pouring = createMutation();
  protected readonly toId = signal(SCRAPS);
  protected readonly typedName = signal<string | undefined>(undefined);
  protected readonly name = computed(() => this.typedName() ?? `${this.bucket().body.name}, a part`.slice(0, 80));
  protected readonly millilitres = signal<number | null>(null);
  private readonly target = computed(() => this.screen.others().find((one) => one.id === this.toId()));
  protected readonly mixes = computed(() => {
    const target = this.target();
    return target !== undefined && target.contents !== null && target.recipeVersionId !== this.bucket().recipeVersionId;
  });
  /** What the other bucket becomes. */
  protected readonly becomes = computed(() => {
    const [target, takenMl] = [this.target(), this.millilitres()];
    if (!target || !takenMl) return '';
    const mixed = attempt(() => mergedContents(target.contents, splitBucket({ contents: this.contents(), takenMl })));
    if (mixed.kind === 'refused') return mixed.error.message;
    const { volumeMl, sg, stainPercent } = mixed.value;
    const stain = stainPercent > 0 ? `, ${this.units.percent(stainPercent)} stain` : '';
    return `${target.code} then holds ${this.units.litres(volumeMl)} at ${this.units.sg(sg)}${stain}.`;
  });
  /** More than is here, or more than fits there. */
  protected readonly odd = computed(() => {
    const [target, takenMl] = [this.target(), this.millilitres()];
    if (!takenMl) return undefined;
    const { volumeMl } = this.contents();
    if (takenMl > volumeMl * 1.001) return `Only ${this.units.litres(volumeMl)} are in it by the records: is the amount right, or its unit?`;
    const there = (target?.contents?.volumeMl ?? 0) + takenMl;
    return target && there > target.body.capacityMl
      ? `${target.code} holds ${this.units.litres(target.body.capacityMl)}, and would have ${this.units.litres(there)}: pour less, or into a larger one.`
      : undefined;
  });
  protected readonly intoOptions = computed((): FieldOption[] => [
    ['', 'the scraps'],
    ['new', 'a new bucket or jar'],
    ...this.screen.others().map((one) => [one.id, `${one.code} ${one.body.name}`] as const),
    ['waste', 'the waste bucket, lost'],
  ]);

  constructor() {
    effect(() => {
      const [into, amount] = [this.into(), Number(this.amountMl())];
      untracked(() => {
        if (into) this.toId.set(into);
        if (into && amount > 0) this.millilitres.set(amount);
      });
    });
  }

  /** A jar's worth into a vessel of its own: to test, to stain, to brush from. */
  protected jar(): void {
    this.toId.set(NEW);
    this.typedName.set(`${this.bucket().body.name}, a jar`.slice(0, 80));
    this.millilitres.set(Math.min(JAR_ML, this.contents().volumeMl));
  }

  protected pour(): void {
    const takenMl = this.millilitres();
    if (!takenMl) return;
    if (this.toId() === WASTE) {
      this.screen.note({ type: 'glazeTaken', millilitres: Math.min(takenMl, this.contents().volumeMl), reason: 'waste' });
      this.millilitres.set(null);
      return;
    }
    const head = { takenEventId: uuid(), filledEventId: uuid(), at: new Date().toISOString(), by: this.store.by(), takenMl };
    const poured =
      this.toId() === NEW
        ? this.api.splitBucket(this.bucket().id, { ...head, newBucketId: uuid(), name: this.name().trim() || this.bucket().body.name })
        : this.api.pourInto(this.bucket().id, { ...head, toId: this.toId() || null, scrapsId: uuid() });
    this.pouring.run(poured, (into) => void this.router.navigate(['/bucket', into.id]));
  }
}
