import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatFormField, MatSuffix } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatTimepicker, MatTimepickerInput, MatTimepickerToggle } from '@angular/material/timepicker';
import { format, isValid, parse } from 'date-fns';
import { provideDates } from './dates';
import { ErrorState } from './error-state';
import { Field } from './field';
import { FieldControl } from './field-control';

/** A time of 24 hours, as "18:30". */
@Component({
  selector: 'cz-time-field',
  imports: [ErrorState, Field, MatFormField, MatInput, MatSuffix, MatTimepicker, MatTimepickerInput, MatTimepickerToggle],
  template: `
    <cz-field [of]="this">
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <input
          #time
          matInput
          class="figure"
          autocomplete="off"
          [id]="id"
          [matTimepicker]="times"
          [value]="date()"
          [disabled]="isDisabled()"
          [czErrorState]="!!problem()"
          [aria-describedby]="describedBy()"
          (valueChange)="choose($event)"
          (change)="readTime(time.value)"
          (blur)="leave()"
        />
        <mat-timepicker-toggle matIconSuffix [for]="times" />
        <mat-timepicker #times interval="30min" />
      </mat-form-field>
    </cz-field>
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: TimeField, multi: true }, provideDates()],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimeField extends FieldControl<string> {
  protected readonly date = computed(() => {
    const date = parse(this.current() ?? '', 'HH:mm', new Date(0));
    return isValid(date) ? date : null;
  });
  private readonly unread = signal('');

  protected override ownProblem(): string | undefined {
    return this.unread() && `“${this.unread().slice(0, 20)}” cannot be read: type a time like 18:30.`;
  }

  protected choose(time: Date | null): void {
    // The picker tells its first value too: that is no change.
    if (time && isValid(time) && format(time, 'HH:mm') !== this.current()) this.take(format(time, 'HH:mm'));
  }

  protected readTime(text: string): void {
    this.unread.set(/^\s*([01]?\d|2[0-3])([:.]?[0-5]\d)?\s*$/.test(text) ? '' : text);
  }
}
