import { ChangeDetectionStrategy, Component } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatFormField } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { Field } from './field';
import { FieldControl } from './field-control';

/** A colour as #RRGGBB, chosen with the device's own colour chooser. */
@Component({
  selector: 'cz-colour-field',
  imports: [Field, MatFormField, MatInput],
  template: `
    <cz-field [of]="this">
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <input
          #box
          matInput
          type="color"
          [id]="id"
          [value]="current() ?? ''"
          [disabled]="isDisabled()"
          [aria-describedby]="describedBy()"
          (change)="take(box.value.toUpperCase())"
          (blur)="leave()"
        />
      </mat-form-field>
    </cz-field>
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: ColourField, multi: true }],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ColourField extends FieldControl<string> {}
