import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { FieldControl } from './field-control';
import type { FieldOption } from './options';

/** A choice of a few, all visible: a label over buttons of which one is pressed. */
@Component({
  selector: 'cz-choice',
  imports: [MatButtonToggle, MatButtonToggleGroup],
  template: `
    <span class="named" [class.visually-hidden]="labelHidden()" [id]="id">{{ label() }}</span>
    <mat-button-toggle-group
      [attr.aria-labelledby]="id"
      [hideSingleSelectionIndicator]="true"
      [value]="current()"
      [disabled]="isDisabled()"
      (change)="take($event.value)"
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
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: Choice, multi: true }],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Choice<T extends string | number> extends FieldControl<T> {
  readonly options = input.required<readonly FieldOption<T>[]>();
}
