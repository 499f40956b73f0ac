import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Product } from '@cazuela/contract';
import { attempt, labelWaterPerGram, MASS_UNITS, VOLUME_UNITS, type Unit } from '@cazuela/core';
import { StudioStore } from '../../../data/studio-store';
import { Units } from '../../../data/units';
import { Choice } from '../../../parts/choice';
import { NumberField } from '../../../parts/number-field';

const BASE: Product = { kind: 'base', label: { powder: { value: 1, unit: 'kg' }, water: { value: 1, unit: 'L' } }, packGrams: 5000 };
const JAR: Product = { kind: 'jar', coats: 3, jarMl: 470, makerSaysFoodSafe: 'unsaid' };
const MASSES = Object.keys(MASS_UNITS) as Unit[];
const VOLUMES = (Object.keys(VOLUME_UNITS) as Unit[]).filter((unit) => unit !== 'drop');

/** Bought ready: a dry base with the water rule of its label, in the label's own units, or a jar to brush. */
@Component({
  selector: 'cz-product-panel',
  imports: [Choice, NumberField],
  template: `
    <cz-choice label="It is" [options]="kinds" [value]="product()?.kind ?? 'mixed'" (changed)="kind($event)" />
    @if (base(); as it) {
      <p class="quiet small">As the label says it, in its own units: so much powder to so much water.</p>
      <div class="fields">
        @for (side of sides; track side[0]) {
          <span class="amount">
            <cz-number-field
              [label]="side[1]"
              [value]="it.label[side[0]].value"
              [decimals]="3"
              [least]="0.001"
              [most]="100000"
              (changed)="$event.value && amount(side[0], { value: $event.value })"
            />
            <select [attr.aria-label]="'Unit of the ' + side[0]" (change)="amount(side[0], { unit: $any($event.target).value })">
              @for (unit of units; track unit) {
                <option [selected]="unit === it.label[side[0]].unit">{{ unit }}</option>
              }
            </select>
          </span>
        }
        <cz-number-field
          label="A pack holds"
          quantity="mass"
          [value]="it.packGrams"
          [decimals]="0"
          [least]="1"
          [most]="1000000"
          (changed)="$event.value && changed.emit({ kind: 'base', label: it.label, packGrams: $event.value, packPrice: it.packPrice })"
        />
        <cz-number-field
          [label]="'Price of a pack, ' + currency()"
          [value]="it.packPrice ?? null"
          [decimals]="2"
          [least]="0"
          (changed)="changed.emit({ kind: 'base', label: it.label, packGrams: it.packGrams, packPrice: $event.value ?? undefined })"
        />
      </div>
      <p role="status" [class]="rule().tone">{{ rule().words }}</p>
    }
    @if (jar(); as it) {
      <div class="fields">
        <cz-number-field
          label="Coats, by the label"
          [value]="it.coats"
          [decimals]="0"
          [least]="1"
          [most]="10"
          (changed)="$event.value && patchJar({ coats: $event.value })"
        />
        <cz-number-field
          label="A jar holds"
          quantity="smallVolume"
          [value]="it.jarMl"
          [decimals]="0"
          [least]="1"
          (changed)="$event.value && patchJar({ jarMl: $event.value })"
        />
        <cz-number-field
          [label]="'Price of a jar, ' + currency()"
          [value]="it.jarPrice ?? null"
          [decimals]="2"
          [least]="0"
          (changed)="patchJar({ jarPrice: $event.value ?? undefined })"
        />
      </div>
      <cz-choice
        label="For food, as its maker says"
        [options]="food"
        [value]="it.makerSaysFoodSafe"
        (changed)="patchJar({ makerSaysFoodSafe: $event })"
      />
      <p class="quiet small">A maker’s word holds for their firing and their layers. Only a leach test of your own pots speaks for yours.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.7rem;
      padding-bottom: 0.8rem;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
      gap: 0.9rem;
    }
    .amount {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 6.5rem;
      gap: 0.5rem;
      align-items: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProductPanel {
  readonly product = input<Product>();
  readonly changed = output<Product | undefined>();
  private readonly say = inject(Units);
  private readonly store = inject(StudioStore);
  protected readonly currency = computed(() => this.store.studio()?.currency ?? '');
  protected readonly kinds = [
    ['mixed', 'mixed from powders'],
    ['base', 'a bought dry base'],
    ['jar', 'a ready jar'],
  ] as const;
  protected readonly sides = [
    ['powder', 'Powder'],
    ['water', 'to water'],
  ] as const;
  protected readonly food = [
    ['unsaid', 'does not say'],
    ['yes', 'yes'],
    ['no', 'no'],
  ] as const;
  protected readonly units = [...MASSES, ...VOLUMES];
  protected readonly base = computed(() => narrow(this.product(), 'base'));
  protected readonly jar = computed(() => narrow(this.product(), 'jar'));
  /** The label in grams and millilitres, or why it cannot be used. */
  protected readonly rule = computed(() => {
    const label = this.base()?.label;
    if (!label) return { tone: '', words: '' };
    const read = attempt(() => labelWaterPerGram(label));
    return read.kind === 'ok'
      ? { tone: 'good', words: `${this.say.plain(read.value)} mL of water for each gram of powder.` }
      : { tone: 'stop', words: read.error.message };
  });

  protected kind(kind: 'mixed' | 'base' | 'jar'): void {
    this.changed.emit(kind === 'base' ? BASE : kind === 'jar' ? JAR : undefined);
  }

  protected amount(side: 'powder' | 'water', change: { value?: number; unit?: Unit }): void {
    const it = this.base();
    if (it) this.changed.emit({ ...it, label: { ...it.label, [side]: { ...it.label[side], ...change } } });
  }

  protected patchJar(change: Partial<Extract<Product, { kind: 'jar' }>>): void {
    const it = this.jar();
    if (it) this.changed.emit({ ...it, ...change });
  }
}

function narrow<K extends Product['kind']>(product: Product | undefined, kind: K): Extract<Product, { kind: K }> | undefined {
  return product?.kind === kind ? (product as Extract<Product, { kind: K }>) : undefined;
}
