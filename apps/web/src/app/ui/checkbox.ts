import { ChangeDetectionStrategy, Component } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatCheckbox } from '@angular/material/checkbox';
import { FieldControl } from './field-control';

/** Yes or no, with its words beside it. */
@Component({
  selector: 'cz-checkbox',
  imports: [MatCheckbox],
  template: `
    <mat-checkbox [checked]="current() ?? false" [disabled]="isDisabled()" (change)="take($event.checked)" (blur)="leave()">{{
      label()
    }}</mat-checkbox>
    <ng-content />
    @if (problem(); as words) {
      <p class="field-error" role="alert">{{ words }}</p>
    }
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: Checkbox, multi: true }],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Checkbox extends FieldControl<boolean> {}
