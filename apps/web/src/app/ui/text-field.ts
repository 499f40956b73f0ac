import { ChangeDetectionStrategy, Component, input, output, viewChild, type ElementRef } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatFormField } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { ErrorState } from './error-state';
import { Field } from './field';
import { FieldControl } from './field-control';

/** A line of words, or a search. */
@Component({
  selector: 'cz-text-field',
  imports: [ErrorState, Field, MatFormField, MatInput],
  template: `
    <cz-field [of]="this">
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <input
          #box
          matInput
          autocomplete="off"
          [id]="id"
          [type]="type()"
          [attr.inputmode]="inputMode()"
          [attr.maxlength]="longest()"
          [placeholder]="placeholder()"
          [attr.list]="suggestions().length > 0 ? id + '-list' : null"
          [value]="current() ?? ''"
          [disabled]="isDisabled()"
          [czErrorState]="!!problem()"
          [aria-describedby]="describedBy()"
          (input)="updateOn() === 'input' && take(box.value)"
          (change)="updateOn() === 'change' && take(box.value)"
          (blur)="leave()"
          (keydown.enter)="entered.emit(box.value)"
        />
        <datalist [id]="id + '-list'">
          @for (one of suggestions(); track one) {
            <option [value]="one"></option>
          }
        </datalist>
      </mat-form-field>
    </cz-field>
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: TextField, multi: true }],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TextField extends FieldControl<string> {
  readonly type = input<'text' | 'search'>('text');
  readonly inputMode = input<'text' | 'decimal'>('text');
  /** Most characters that can be typed. */
  readonly longest = input(80);
  readonly placeholder = input('');
  /** Words used before, offered while typing. */
  readonly suggestions = input<readonly string[]>([]);
  /** When a change is told: at every key, or when the field is left. */
  readonly updateOn = input<'input' | 'change'>('input');
  readonly entered = output<string>();
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');

  focus(): void {
    this.box().nativeElement.focus();
    this.box().nativeElement.select();
  }
}
