import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { areaCm2, insideProfile, PIECE_SHAPES } from '@cazuela/core';
import { NumberField } from '../../ui/number-field';
import { CoatScreen } from './coat-screen';
import { SelectField } from '../../ui/select-field';

/** The glazed area of a piece: typed, or taken from a form. */
@Component({
  selector: 'cz-area-field',
  imports: [NumberField, SelectField],
  template: `
    <cz-select label="Glazed area of a" placeholder="…" [options]="shapes()" [value]="shapeId()" (changed)="take($event)" />
    <cz-number-field label="Area" unit="cm²" [decimals]="0" [value]="areaCm2()" [least]="1" [most]="50000" (changed)="changed.emit($event.value)" />
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem 1rem;
      align-items: end;
    }
    cz-number-field {
      width: 8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AreaField {
  readonly areaCm2 = input.required<number | null>();
  readonly changed = output<number | null>();
  private readonly screen = inject(CoatScreen);
  protected readonly shapeId = signal('');
  protected readonly shapes = computed(() => {
    const face = { outside: 'outside', inside: 'inside', both: 'in and out' }[this.screen.question().face];
    return PIECE_SHAPES.map(({ id, name }) => [id, `${name}, ${face}`] as const);
  });

  protected take(shapeId: string): void {
    this.shapeId.set(shapeId);
    const shape = PIECE_SHAPES.find((one) => one.id === shapeId);
    if (!shape) return;
    const face = this.screen.question().face;
    const inside = face === 'outside' ? 0 : areaCm2({ profile: insideProfile(shape) });
    const outside = face === 'inside' ? 0 : areaCm2({ profile: shape.outside });
    this.changed.emit(Math.round(inside + outside));
  }
}
