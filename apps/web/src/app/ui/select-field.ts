import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatFormField } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { ErrorState } from './error-state';
import { Field } from './field';
import { FieldControl } from './field-control';
import { groupOptions, type FieldOption } from './options';

/**
 * A choice from a short list, the device's own list inside Material's field: `docs/decisions/fields-stand-on-one-layer.md`. Longer lists are a
 * `cz-autocomplete`.
 */
@Component({
  selector: 'cz-select',
  imports: [ErrorState, Field, MatFormField, MatInput],
  template: `
    <cz-field [of]="this">
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <select
          #box
          matNativeControl
          [id]="id"
          [disabled]="isDisabled()"
          [czErrorState]="!!problem()"
          [aria-describedby]="describedBy()"
          (change)="choose(box.value)"
          (blur)="leave()"
        >
          @if (unknown()) {
            <option value="" hidden selected>{{ placeholder() }}</option>
          }
          @for (group of groups(); track group.name) {
            @if (group.name) {
              <optgroup [label]="group.name">
                @for (option of group.options; track option[0]) {
                  <option [value]="option[0]" [selected]="option[0] === current()">{{ option[1] }}</option>
                }
              </optgroup>
            } @else {
              @for (option of group.options; track option[0]) {
                <option [value]="option[0]" [selected]="option[0] === current()">{{ option[1] }}</option>
              }
            }
          }
        </select>
      </mat-form-field>
    </cz-field>
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: SelectField, multi: true }],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SelectField<T extends string | number> extends FieldControl<T> {
  readonly options = input.required<readonly FieldOption<T>[]>();
  /** Shown while nothing of the list is chosen. */
  readonly placeholder = input('');
  protected readonly groups = computed(() => groupOptions(this.options()));
  protected readonly unknown = computed(() => !this.options().some(([value]) => value === this.current()));

  protected choose(text: string): void {
    const found = this.options().find(([value]) => String(value) === text);
    if (found) this.take(found[0]);
  }
}
