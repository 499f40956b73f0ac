import { CdkTextareaAutosize } from '@angular/cdk/text-field';
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatFormField } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { ErrorState } from './error-state';
import { Field } from './field';
import { FieldControl } from './field-control';

/** Several lines of words; it grows with them. */
@Component({
  selector: 'cz-text-area',
  imports: [CdkTextareaAutosize, ErrorState, Field, MatFormField, MatInput],
  template: `
    <cz-field [of]="this">
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <textarea
          #box
          matInput
          cdkTextareaAutosize
          [cdkAutosizeMinRows]="rows()"
          [cdkAutosizeMaxRows]="20"
          [id]="id"
          [attr.maxlength]="longest()"
          [placeholder]="placeholder()"
          [value]="current() ?? ''"
          [disabled]="isDisabled()"
          [czErrorState]="!!problem()"
          [aria-describedby]="describedBy()"
          (input)="updateOn() === 'input' && take(box.value)"
          (change)="updateOn() === 'change' && take(box.value)"
          (blur)="leave()"
        ></textarea>
      </mat-form-field>
    </cz-field>
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: TextArea, multi: true }],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TextArea extends FieldControl<string> {
  readonly longest = input(2000);
  readonly rows = input(2);
  readonly placeholder = input('');
  readonly updateOn = input<'input' | 'change'>('input');
}
