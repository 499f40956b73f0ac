import { booleanAttribute, ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { EdgeLine } from '@cazuela/core';
import { NumberField } from '../../../../ui/number-field';
import { SelectField } from '../../../../ui/select-field';

const EDGE_KINDS = [
  ['straight', 'level edge'],
  ['slanted', 'slanted edge'],
  ['waving', 'waving edge'],
] as const;

/** How an edge goes round: level, slanted by a tilted dip, or in waves. */
@Component({
  selector: 'cz-edge-field',
  imports: [NumberField, SelectField],
  template: `
    <cz-select [label]="label()" [labelHidden]="labelHidden()" [options]="kinds" [value]="edge().kind" (changed)="choose($event)" />
    @if (edge(); as one) {
      @if (one.kind !== 'straight') {
        <cz-number-field
          keptOnly
          label="Low to high"
          quantity="length"
          [decimals]="1"
          [value]="one.riseMm"
          [least]="0"
          [most]="300"
          (changed)="rise($event.value)"
        />
      }
      @if (one.kind === 'waving') {
        <cz-number-field keptOnly label="Waves" [decimals]="0" [value]="one.waves" [least]="1" [most]="24" (changed)="waves($event.value)" />
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem;
      align-items: end;
      > * {
        flex: 1 1 110px;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EdgeField {
  readonly label = input.required<string>();
  readonly labelHidden = input(false, { transform: booleanAttribute });
  readonly edge = input.required<EdgeLine>();
  readonly changed = output<EdgeLine>();
  protected readonly kinds = EDGE_KINDS;

  protected choose(kind: EdgeLine['kind']): void {
    const now = this.edge();
    const riseMm = now.kind === 'straight' ? 10 : now.riseMm;
    this.changed.emit(kind === 'straight' ? { kind } : kind === 'slanted' ? { kind, riseMm } : { kind, riseMm, waves: 5 });
  }

  protected rise(riseMm: number | null): void {
    const now = this.edge();
    if (riseMm !== null && now.kind !== 'straight') this.changed.emit({ ...now, riseMm });
  }

  protected waves(waves: number | null): void {
    const now = this.edge();
    if (waves !== null && now.kind === 'waving') this.changed.emit({ ...now, waves: Math.round(waves) });
  }
}
