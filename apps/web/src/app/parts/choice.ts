import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';

export type ChoiceOption<T> = readonly [value: T, words: string];
let counter = 0;

/** A choice of a few, all visible: a label over buttons of which one is pressed. */
@Component({
  selector: 'cz-choice',
  imports: [MatButtonToggle, MatButtonToggleGroup],
  template: `
    <span class="named" [id]="id">{{ label() }}</span>
    <mat-button-toggle-group
      [attr.aria-labelledby]="id"
      [hideSingleSelectionIndicator]="true"
      [value]="value()"
      (change)="changed.emit($event.value)"
    >
      @for (option of options(); track option[0]) {
        <mat-button-toggle [value]="option[0]">{{ option[1] }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.2rem;
      align-content: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Choice<T extends string | number> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly ChoiceOption<T>[]>();
  readonly value = input.required<T>();
  readonly changed = output<T>();
  protected readonly id = `choice-${++counter}`;
}
