import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatDatepicker, MatDatepickerInput, MatDatepickerToggle } from '@angular/material/datepicker';
import { MatFormField, MatSuffix } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatTimepicker, MatTimepickerInput, MatTimepickerToggle } from '@angular/material/timepicker';
import { format, isValid, parse } from 'date-fns';
import { provideDates } from './dates';
import { ErrorState } from './error-state';
import { Field } from './field';
import { FieldControl } from './field-control';

const LOCAL_MINUTE = "yyyy-MM-dd'T'HH:mm";

/** A day and a time of 24 hours, as "2026-03-10T18:30" in the device's own time. */
@Component({
  selector: 'cz-date-time-field',
  imports: [
    ErrorState,
    Field,
    MatDatepicker,
    MatDatepickerInput,
    MatDatepickerToggle,
    MatFormField,
    MatInput,
    MatSuffix,
    MatTimepicker,
    MatTimepickerInput,
    MatTimepickerToggle,
  ],
  template: `
    <cz-field [of]="this">
      <div class="both">
        <mat-form-field appearance="outline" subscriptSizing="dynamic">
          <input
            #day
            matInput
            class="figure"
            autocomplete="off"
            [matDatepicker]="picker"
            [id]="id"
            [value]="date()"
            [disabled]="isDisabled()"
            [czErrorState]="!!problem()"
            [aria-describedby]="describedBy()"
            (dateChange)="chooseDay($event.value, day.value)"
            (blur)="leave()"
          />
          <mat-datepicker-toggle matIconSuffix [for]="picker" />
          <mat-datepicker #picker />
        </mat-form-field>
        <mat-form-field class="time" appearance="outline" subscriptSizing="dynamic">
          <input
            #time
            matInput
            class="figure"
            autocomplete="off"
            [attr.aria-label]="label() + ', time'"
            [matTimepicker]="times"
            [value]="date()"
            [disabled]="isDisabled()"
            [czErrorState]="!!problem()"
            (valueChange)="chooseTime($event)"
            (change)="readTime(time.value)"
            (blur)="leave()"
          />
          <mat-timepicker-toggle matIconSuffix [for]="times" />
          <mat-timepicker #times interval="30min" />
        </mat-form-field>
      </div>
    </cz-field>
  `,
  styles: `
    .both {
      display: flex;
      gap: 0.4rem;
    }
    mat-form-field {
      flex: 1 1 9.5rem;
    }
    .time {
      flex: 0 1 7rem;
    }
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: DateTimeField, multi: true }, provideDates()],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DateTimeField extends FieldControl<string> {
  protected readonly date = computed(() => {
    const date = parse(this.current() ?? '', LOCAL_MINUTE, new Date(0));
    return isValid(date) ? date : null;
  });
  private readonly unread = signal('');

  protected override ownProblem(): string | undefined {
    return this.unread() && `“${this.unread().slice(0, 20)}” cannot be read: type a day, and a time like 18:30.`;
  }

  protected chooseDay(day: Date | null, text: string): void {
    this.unread.set(day ? '' : text.trim());
    const time = this.date() ?? new Date(0);
    if (day) this.keep(day.getFullYear(), day.getMonth(), day.getDate(), time.getHours(), time.getMinutes());
  }

  protected chooseTime(time: Date | null): void {
    const day = this.date() ?? time;
    if (time && day && isValid(time)) this.keep(day.getFullYear(), day.getMonth(), day.getDate(), time.getHours(), time.getMinutes());
  }

  protected readTime(text: string): void {
    this.unread.set(/^\s*([01]?\d|2[0-3])([:.]?[0-5]\d)?\s*$/.test(text) ? '' : text);
  }

  private keep(...parts: [year: number, month: number, day: number, hours: number, minutes: number]): void {
    this.take(format(new Date(...parts), LOCAL_MINUTE));
  }
}
