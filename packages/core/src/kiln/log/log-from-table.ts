import { PotterError } from '../../checks/potter-error';
import { cleanLog, type CleanLog } from './clean-log';
import { hasHeader, logColumns, numberIn, type LogColumns } from './log-columns';
import type { LogReading } from './log-reading';
import { logTimes, type LogTimeUnit } from './log-times';

/** What the potter says of a table where the guess was wrong. */
export interface LogTableChoices {
  columns?: Partial<LogColumns> | undefined;
  timeUnit?: LogTimeUnit | undefined;
  isFahrenheit?: boolean | undefined;
}

/** A log read from a table, with how it was understood. */
export interface LogFromTable extends CleanLog {
  names: string[];
  columns: LogColumns;
  timeUnit: LogTimeUnit;
  isFahrenheit: boolean;
  startsAt?: string | undefined;
  /** Rows that hold no time or no temperature, by their number in the file. */
  unreadRows: number[];
}

/** No kiln of clay gets hotter than this: what is hotter is °F. */
const FAHRENHEIT_OVER = 1_400;
const FEWEST = 2;

/**
 * Returns the log in a table of any usual columns and units: what is which is guessed from headings and figures, unless the potter says it.
 *
 * @param file - cells as text, with or without a heading, and with lines about the log before it
 * @param choices - what the potter said
 * @throws PotterError where no time or no temperature is to be found, or fewer than two readings
 * @example
 * logFromTable([['min', '°F'], ['0', '68'], ['60', '212']]).readings[1] // { seconds: 3600, celsius: 100 }
 */
export function logFromTable(file: readonly (readonly string[])[], choices: LogTableChoices = {}): LogFromTable {
  const skipped = linesBefore(file);
  const rows = file.slice(skipped);
  const guess = logColumns(rows);
  const columns = { ...guess, ...choices.columns } as Partial<LogColumns>;
  if (columns.time === undefined || columns.celsius === undefined)
    throw new PotterError(
      'emptyList',
      'rows',
      rows.length,
      'No column of this file looks like a time beside a temperature. Is it the log of a kiln?',
    );
  const isHeaded = hasHeader(rows);
  const cells = rows.slice(isHeaded ? 1 : 0);
  const names = Array.from(
    { length: Math.max(0, ...cells.slice(0, 200).map((row) => row.length)) },
    (_, at) => (isHeaded ? rows[0]![at]?.trim() : '') || `column ${at + 1}`,
  );
  const ofColumn = (at: number): string[] => cells.map((row) => row[at] ?? '');
  const times = logTimes({
    time: ofColumn(columns.time),
    ...(columns.clock === undefined ? {} : { clock: ofColumn(columns.clock) }),
    name: isHeaded ? (rows[0]![columns.time] ?? '') : '',
    unit: choices.timeUnit,
  });
  const degrees = ofColumn(columns.celsius).map(numberIn);
  const isFahrenheit = choices.isFahrenheit ?? looksFahrenheit(`${names[columns.celsius] ?? ''} ${cells[0]?.[columns.celsius] ?? ''}`, degrees);
  const toCelsius = (one: number): number => (isFahrenheit ? (one - 32) / 1.8 : one);
  const unreadRows: number[] = [];
  const read: LogReading[] = [];
  for (const [at, row] of cells.entries()) {
    const [seconds, degree] = [times.seconds[at], degrees[at]];
    if (seconds === undefined || degree === undefined) {
      if (row.some((cell) => cell.trim() !== '')) unreadRows.push(skipped + at + (isHeaded ? 2 : 1));
      continue;
    }
    const set = columns.setCelsius === undefined ? undefined : numberIn(row[columns.setCelsius] ?? '');
    const on = columns.share === undefined ? undefined : numberIn(row[columns.share] ?? '');
    read.push({
      seconds,
      celsius: toCelsius(degree),
      ...(set === undefined ? {} : { setCelsius: toCelsius(set) }),
      ...(on === undefined ? {} : { share: on }),
    });
  }
  const clean = cleanLog(oldestFirst(asShares(read)));
  if (clean.readings.length < FEWEST)
    throw new PotterError('emptyList', 'rows', rows.length, 'Fewer than two readings of this file can be used: choose other columns.');
  const from = clean.readings[0]!.seconds;
  return {
    readings: clean.readings.map((reading) => ({ ...reading, seconds: reading.seconds - from })),
    dropped: clean.dropped,
    names,
    columns: columns as LogColumns,
    timeUnit: times.unit,
    isFahrenheit,
    ...(times.startsAt ? { startsAt: times.startsAt } : {}),
    unreadRows,
  };
}

/** Lines that have fewer cells than the table below them tell something else: a name, a serial number. */
function linesBefore(rows: readonly (readonly string[])[]): number {
  const filled = (row: readonly string[] | undefined): number => row?.filter((cell) => cell.trim() !== '').length ?? 0;
  const usual = filled(rows[Math.floor(rows.length / 2)]);
  const first = rows.findIndex((row) => filled(row) >= Math.min(2, usual) && (filled(row) >= usual || /^\s*\d/.test(row[0] ?? '')));
  return Math.max(0, first);
}

function looksFahrenheit(words: string, degrees: readonly (number | undefined)[]): boolean {
  if (/°?\s*f\b|fahrenheit/i.test(words)) return true;
  if (/°\s*c\b|celsius/i.test(words)) return false;
  const sorted = degrees.filter((one) => one !== undefined).sort((a, b) => a - b);
  // Not the hottest: that may be a spike.
  return (sorted[Math.floor(0.97 * (sorted.length - 1))] ?? 0) > FAHRENHEIT_OVER;
}

/** A share that goes over 1 is percent. */
function asShares(readings: LogReading[]): LogReading[] {
  const isPercent = readings.some(({ share = 0 }) => share > 1);
  return readings.map(({ share, ...reading }) =>
    share === undefined ? reading : { ...reading, share: Math.min(1, Math.max(0, isPercent ? share / 100 : share)) },
  );
}

/** Some logs have the newest line first. */
function oldestFirst(readings: LogReading[]): LogReading[] {
  const backwards = readings.filter(({ seconds }, at) => at > 0 && seconds < readings[at - 1]!.seconds).length;
  return backwards > readings.length / 2 ? [...readings].reverse() : readings;
}
