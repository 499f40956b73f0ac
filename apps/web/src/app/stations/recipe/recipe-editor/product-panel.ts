import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Product } from '@cazuela/contract';
import { attempt, labelWaterPerGram, MASS_UNITS, VOLUME_UNITS, type Unit } from '@cazuela/core';
import { StudioStore } from '../../../data/state/studio-store';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { NumberField } from '../../../ui/number-field';
import { SelectField } from '../../../ui/select-field';
import { plainOptions } from '../../../ui/options';

const BASE: Product = { kind: 'base', label: { powder: { value: 1, unit: 'kg' }, water: { value: 1, unit: 'L' } }, packGrams: 5000 };
const JAR: Product = { kind: 'jar', coats: 3, jarMl: 470, makerSaysFoodSafe: 'unsaid' };
const MASSES = Object.keys(MASS_UNITS) as Unit[];
const VOLUMES = (Object.keys(VOLUME_UNITS) as Unit[]).filter((unit) => unit !== 'drop');

/** Water that labels ask for, mL for each gram of powder. */
const USUAL_WATER_ML = [0.5, 2.5] as const;

/** Bought ready: a dry base with the water rule of its label, in the label's own units, or a jar to brush. */
@Component({
  selector: 'cz-product-panel',
  imports: [Choice, NumberField, SelectField],
  templateUrl: './product-panel.html',
  styles: `
    :host {
      display: grid;
      gap: 0.7rem;
      padding-bottom: 0.8rem;
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
  protected readonly units = plainOptions([...MASSES, ...VOLUMES]);
  protected readonly base = computed(() => narrow(this.product(), 'base'));
  protected readonly jar = computed(() => narrow(this.product(), 'jar'));
  /** The label in grams and millilitres, or why it cannot be used. */
  protected readonly rule = computed(() => {
    const label = this.base()?.label;
    if (!label) return { tone: '', words: '' };
    const read = attempt(() => labelWaterPerGram(label));
    return read.kind === 'ok'
      ? read.value >= USUAL_WATER_ML[0] && read.value <= USUAL_WATER_ML[1]
        ? { tone: 'good', words: `${this.say.plain(read.value)} mL of water for each gram of powder.` }
        : {
            tone: 'look',
            words: `${this.say.plain(read.value)} mL of water for each gram of powder: labels mostly say ${USUAL_WATER_ML.join(' to ')}. Are both units right?`,
          }
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
