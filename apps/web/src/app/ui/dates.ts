import { provideDateFnsAdapter } from '@angular/material-date-fns-adapter';
import { MAT_DATE_LOCALE, type MatDateFormats } from '@angular/material/core';
import { format, isValid, parse } from 'date-fns';
import { enGB } from 'date-fns/locale/en-GB';
import type { Provider } from '@angular/core';

const ISO_DAY = 'yyyy-MM-dd';
const PARTS: Partial<Record<Intl.DateTimeFormatPartTypes, string>> = { day: 'dd', month: 'MM', year: 'yyyy' };
const SUNDAY = 0;
const MONDAY = 1;

/** Returns the order in which this language writes a day, as a pattern of date-fns: "dd/MM/yyyy" in Britain, "MM/dd/yyyy" in the States. */
export function datePattern(language: string): string {
  return new Intl.DateTimeFormat(language, { day: '2-digit', month: '2-digit', year: 'numeric' })
    .formatToParts(new Date())
    .map(({ type, value }) => (type === 'literal' ? value : (PARTS[type] ?? '')))
    .join('');
}

/** The words are English like the rest of Cazuela; the order of the date and the first day of the week are the device's. */
const localeOf = (language: string): typeof enGB => ({
  ...enGB,
  options: { ...enGB.options, weekStartsOn: language.endsWith('-US') ? SUNDAY : MONDAY },
});

const formatsOf = (pattern: string): MatDateFormats => ({
  parse: { dateInput: [pattern, pattern.replace('dd', 'd').replace('MM', 'M'), ISO_DAY], timeInput: ['HH:mm', 'H:mm', 'HHmm', 'HH.mm', 'H'] },
  display: {
    dateInput: pattern,
    timeInput: 'HH:mm',
    timeOptionLabel: 'HH:mm',
    monthLabel: 'LLL',
    monthYearLabel: 'LLL uuuu',
    dateA11yLabel: 'PP',
    monthYearA11yLabel: 'LLLL uuuu',
  },
});

/** For the date fields only, so that no other screen carries them. */
export function provideDates(language = navigator.language): Provider[] {
  return [...provideDateFnsAdapter(formatsOf(datePattern(language))), { provide: MAT_DATE_LOCALE, useValue: localeOf(language) }];
}

/** Returns a day as it is kept, "2026-03-10", of a date in the device's own time. */
export const isoDay = (date: Date): string => format(date, ISO_DAY);

/** Returns the local date of a day as it is kept; null for anything else. */
export function dateOfDay(day: string): Date | null {
  const date = parse(day, ISO_DAY, new Date(0));
  return isValid(date) ? date : null;
}
