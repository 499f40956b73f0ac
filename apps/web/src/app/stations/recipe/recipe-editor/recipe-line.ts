import { ChangeDetectionStrategy, Component, computed, input, output, viewChild } from '@angular/core';
import { MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { MatIcon } from '@angular/material/icon';
import type { RecipeLine as Line } from '@cazuela/core';
import { Checkbox } from '../../../ui/checkbox';
import { NumberField, type TypedNumber } from '../../../ui/number-field';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import type { FieldOption } from '../../../ui/options';

/** One line of a recipe. A component of its own, so that a key press draws that line and not the powder lists of all of them. */
@Component({
  selector: 'cz-recipe-line',
  imports: [AutocompleteField, Checkbox, MatIcon, MatIconButton, MatTooltip, NumberField],
  template: `
    <cz-autocomplete
      labelHidden
      [label]="'Powder of ' + place()"
      [options]="options()"
      [value]="line().powderId"
      (changed)="powderChosen.emit($event)"
    />
    <cz-number-field
      labelHidden
      [label]="'Percent of ' + place()"
      unit="%"
      [value]="line().percent"
      [usual]="line().part === 'base' ? [0, 100] : [0, 30]"
      [decimals]="3"
      [least]="0"
      [most]="1000"
      (changed)="typed.emit($event)"
    />
    <span class="moves">
      @if (line().part !== 'base') {
        <cz-checkbox
          label="stain"
          matTooltip="Its percentage is told apart: raised, rescued, laddered"
          [value]="line().part === 'stain'"
          (changed)="marked.emit($event)"
        />
      }
      <button type="button" matIconButton aria-label="Move up" matTooltip="Move up" [disabled]="first()" (click)="moved.emit(-1)">
        <mat-icon svgIcon="up" aria-hidden="true" />
      </button>
      <button type="button" matIconButton aria-label="Move down" matTooltip="Move down" [disabled]="last()" (click)="moved.emit(1)">
        <mat-icon svgIcon="down" aria-hidden="true" />
      </button>
      <button type="button" matIconButton aria-label="Take the line out" matTooltip="Take the line out" (click)="removed.emit()">
        <mat-icon svgIcon="close" aria-hidden="true" />
      </button>
    </span>
  `,
  styleUrl: './recipe-line.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipeLine {
  readonly line = input.required<Line>();
  /** Counted from 0 within its part. */
  readonly index = input.required<number>();
  readonly first = input.required<boolean>();
  readonly last = input.required<boolean>();
  /** The powders, grouped by what they are for. */
  readonly options = input.required<readonly FieldOption[]>();
  readonly powderChosen = output<string>();
  readonly typed = output<TypedNumber>();
  /** Marked as stain, or no longer. */
  readonly marked = output<boolean>();
  readonly moved = output<1 | -1>();
  readonly removed = output();
  private readonly percentField = viewChild.required(NumberField);
  protected readonly place = computed(() => `line ${this.index() + 1}${this.line().part === 'base' ? ' of the base' : ' over the base'}`);

  /** The hand goes to its percentage. */
  focus(): void {
    this.percentField().focus();
  }
}
