import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Texture } from '@cazuela/core';
import { NumberField } from '../../../../ui/number-field';
import { SelectField } from '../../../../ui/select-field';
import type { FieldOption } from '../../../../ui/options';

const TEXTURE_WORDS: readonly (readonly [Texture['kind'], string])[] = [
  ['smooth', 'smooth clay'],
  ['grooves', 'grooves'],
  ['flutes', 'flutes'],
  ['carved', 'carved'],
  ['trailed', 'trailed slip'],
];

/** A texture of another kind, with usual sizes where it had none. */
export function textureOf(kind: Texture['kind'], before: Texture): Texture {
  switch (kind) {
    case 'smooth':
      return { kind };
    case 'flutes':
      return before.kind === 'flutes' ? before : { kind, pitchMm: 8, valleyMm: 5 };
    default:
      return { kind, depthMm: 'depthMm' in before ? before.depthMm : 0.5 };
  }
}

/** The surface of the clay in one place: what holds melt back, and what leads it down. */
@Component({
  selector: 'cz-texture-field',
  imports: [NumberField, SelectField],
  template: `
    <cz-select
      class="quiet-field"
      labelHidden
      [label]="'Surface ' + where()"
      [options]="words()"
      [value]="texture()?.kind ?? (inherits() ? '' : 'smooth')"
      (changed)="kind($event)"
    />
    @if (texture(); as one) {
      @if (one.kind === 'flutes') {
        <cz-number-field
          label="From flute to flute"
          quantity="length"
          [value]="one.pitchMm"
          [least]="1"
          [most]="60"
          (changed)="$event.value && changed.emit({ kind: 'flutes', pitchMm: $event.value, valleyMm: one.valleyMm })"
        />
        <cz-number-field
          label="Valley width"
          quantity="length"
          [value]="one.valleyMm"
          [least]="0.5"
          [most]="60"
          (changed)="$event.value && changed.emit({ kind: 'flutes', pitchMm: one.pitchMm, valleyMm: $event.value })"
        />
      } @else if (one.kind !== 'smooth') {
        <cz-number-field
          label="Depth"
          quantity="length"
          [value]="one.depthMm"
          [least]="0.05"
          [most]="10"
          (changed)="$event.value && changed.emit({ kind: one.kind, depthMm: $event.value })"
        />
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.8rem;
      align-items: center;
    }
    cz-number-field {
      flex: 0 1 9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TextureField {
  /** "outside", "of strip 1". */
  readonly where = input.required<string>();
  readonly texture = input<Texture>();
  /** Whether it may be as the clay around it. */
  readonly inherits = input(false);
  readonly changed = output<Texture | undefined>();
  protected readonly words = computed((): readonly FieldOption<Texture['kind'] | ''>[] => [
    ...(this.inherits() ? ([['', 'clay as around it']] as const) : []),
    ...TEXTURE_WORDS,
  ]);

  protected kind(kind: Texture['kind'] | ''): void {
    if (kind === '') return this.changed.emit(undefined);
    const texture = textureOf(kind, this.texture() ?? { kind: 'smooth' });
    this.changed.emit(kind === 'smooth' && !this.inherits() ? undefined : texture);
  }
}
