import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatDatepicker, MatDatepickerInput, MatDatepickerToggle } from '@angular/material/datepicker';
import { MatFormField, MatSuffix } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { dateOfDay, datePattern, isoDay, provideDates } from './dates';
import { ErrorState } from './error-state';
import { Field } from './field';
import { FieldControl } from './field-control';

/** A day as "2026-03-10", typed in the order of the device's language or chosen from a calendar. */
@Component({
  selector: 'cz-date-field',
  imports: [ErrorState, Field, MatDatepicker, MatDatepickerInput, MatDatepickerToggle, MatFormField, MatInput, MatSuffix],
  template: `
    <cz-field [of]="this">
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <input
          #box
          matInput
          class="figure"
          autocomplete="off"
          [matDatepicker]="picker"
          [id]="id"
          [value]="date()"
          [disabled]="isDisabled()"
          [czErrorState]="!!problem()"
          [aria-describedby]="describedBy()"
          (dateChange)="choose($event.value, box.value)"
          (blur)="leave()"
        />
        <mat-datepicker-toggle matIconSuffix [for]="picker" />
        <mat-datepicker #picker />
      </mat-form-field>
    </cz-field>
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: DateField, multi: true }, provideDates()],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DateField extends FieldControl<string> {
  protected readonly date = computed(() => dateOfDay(this.current() ?? ''));
  private readonly unread = signal('');

  protected override ownProblem(): string | undefined {
    const example = datePattern(navigator.language).replace('dd', '10').replace('MM', '03').replace('yyyy', '2026');
    return this.unread() && `“${this.unread().slice(0, 20)}” is no date: type it like ${example}.`;
  }

  /** An emptied field keeps the day it had. */
  protected choose(date: Date | null, text: string): void {
    this.unread.set(date ? '' : text.trim());
    if (date) this.take(isoDay(date));
  }
}
