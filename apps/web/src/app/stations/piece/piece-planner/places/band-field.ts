import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Turn } from '@cazuela/core';
import { NumberField } from '../../../../ui/number-field';

/** A band of the wall: how far up it reaches, and of a panel which part of the turn. */
export interface Band {
  fromMm: number;
  toMm: number;
  turn?: Turn | undefined;
}

/** The fields of a band, in the row they belong to. */
@Component({
  selector: 'cz-band-field',
  imports: [NumberField],
  template: `
    @for (edge of edges; track edge[0]) {
      <cz-number-field
        keptOnly
        [label]="edge[1]"
        hint="up"
        quantity="length"
        [decimals]="1"
        [value]="band()[edge[0]]"
        (changed)="$event.value !== null && moved(edge[0], $event.value)"
      />
    }
    @if (band().turn; as turn) {
      @for (side of sides; track side[0]) {
        <cz-number-field
          keptOnly
          [label]="side[1]"
          unit="%"
          [decimals]="0"
          [value]="100 * turn[side[0]]"
          [least]="0"
          [most]="100"
          (changed)="$event.value !== null && turned(turn, side[0], $event.value)"
        />
      }
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BandField {
  readonly band = input.required<Band>();
  readonly changed = output<Partial<Band>>();
  protected readonly edges = [
    ['fromMm', 'From'],
    ['toMm', 'To'],
  ] as const;
  protected readonly sides = [
    ['from', 'Round from'],
    ['to', 'Round to'],
  ] as const;

  protected moved(edge: 'fromMm' | 'toMm', mm: number): void {
    this.changed.emit({ [edge]: mm });
  }

  protected turned(turn: Turn, side: keyof Turn, percent: number): void {
    this.changed.emit({ turn: { ...turn, [side]: percent / 100 } });
  }
}
