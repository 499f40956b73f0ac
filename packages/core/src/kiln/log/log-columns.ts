/** What a column of a table holds. */
export interface LogColumns {
  time: number;
  /** A clock time beside a column of dates. */
  clock?: number | undefined;
  celsius: number;
  setCelsius?: number | undefined;
  share?: number | undefined;
}

const TIME_NAMES = /\b(time|date|hours?|hrs?|min(ute)?s?|sec(ond)?s?|elapsed|timestamp|zeit|datum|hora|fecha|tiempo|heure|temps)\b/i;
const TEMPERATURE_NAMES = /(temp|°\s*[cf]|celsius|fahrenheit|\bpv\b|actual|\btc ?\d?\b|thermocouple|measured|\bist\b|kiln|sensor)/i;
const SET_NAMES = /\b(set ?point|set|sp|sv|target|wanted|soll|consigna)\b/i;
const SHARE_NAMES = /\b(out(put)?|power|duty|on|%)\b|%/i;
/** A first line of which so few cells are numbers names the columns. */
const HEADER_SHARE = 0.5;
const SAMPLE_ROWS = 200;

/**
 * Returns whether the first line of a table names its columns.
 *
 * @param rows - cells as text
 * @example
 * hasHeader([['Time', 'Temp'], ['0', '20']]) // true
 */
export function hasHeader(rows: readonly (readonly string[])[]): boolean {
  const [first, second] = rows;
  if (!first || !second) return false;
  const share = (row: readonly string[]): number => row.filter((cell) => /\d/.test(cell) && !/[a-z]{3}/i.test(cell)).length / Math.max(1, row.length);
  return share(first) <= HEADER_SHARE && share(second) > share(first);
}

/**
 * Returns which column of a table is which, by its heading and by what stands in it; undefined where no time or no temperature is to be found.
 *
 * @param rows - cells as text, with or without a heading
 * @example
 * logColumns([['min', 'temp'], ['0', '20'], ['30', '60']]) // { time: 0, celsius: 1 }
 */
export function logColumns(rows: readonly (readonly string[])[]): LogColumns | undefined {
  const isHeaded = hasHeader(rows);
  const names = isHeaded ? rows[0]!.map((name) => name.replaceAll('_', ' ')) : [];
  const sample = rows.slice(isHeaded ? 1 : 0, SAMPLE_ROWS);
  const width = Math.max(0, ...sample.map((row) => row.length));
  const columns = Array.from({ length: width }, (_, at) => columnOf(at, names[at] ?? '', sample));
  const dates = columns.find((column) => column.isDate);
  const time =
    dates ??
    columns.find((column) => column.isClock) ??
    columns.find(({ name, isRising }) => TIME_NAMES.test(name) && isRising) ??
    columns.find(({ isRising }) => isRising);
  if (!time) return undefined;
  const clock = dates && !dates.hasClock ? columns.find((column) => column !== dates && column.isClock) : undefined;
  const numbers = columns.filter((column) => column !== time && column !== clock && column.isNumber);
  const set = numbers.find(({ name }) => SET_NAMES.test(name));
  const on = numbers.find((column) => column !== set && SHARE_NAMES.test(column.name) && !TEMPERATURE_NAMES.test(column.name));
  const others = numbers.filter((column) => column !== set && column !== on && !TIME_NAMES.test(column.name));
  const warm = others.filter(({ name }) => TEMPERATURE_NAMES.test(name));
  const celsius = [...(warm.length > 0 ? warm : others)].sort((a, b) => b.most - a.most)[0] ?? set;
  if (!celsius) return undefined;
  return {
    time: time.at,
    ...(clock ? { clock: clock.at } : {}),
    celsius: celsius.at,
    ...(set && set !== celsius ? { setCelsius: set.at } : {}),
    ...(on ? { share: on.at } : {}),
  };
}

interface Column {
  at: number;
  name: string;
  isNumber: boolean;
  isDate: boolean;
  hasClock: boolean;
  isClock: boolean;
  /** Numbers that mostly grow, as a time does. */
  isRising: boolean;
  most: number;
}

function columnOf(at: number, name: string, rows: readonly (readonly string[])[]): Column {
  const cells = rows.map((row) => (row[at] ?? '').trim()).filter((cell) => cell !== '');
  const all = (test: (cell: string) => boolean): boolean => cells.length > 0 && cells.filter(test).length >= 0.8 * cells.length;
  const isDate = all((cell) => /^\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}/.test(cell));
  const isClock = !isDate && all((cell) => /^\d+:\d\d(:\d\d([.,]\d+)?)?\s*(am|pm)?$/i.test(cell));
  const numbers = cells.map((cell) => numberIn(cell)).filter((number) => number !== undefined);
  const isNumber = !isDate && !isClock && numbers.length >= 0.8 * Math.max(1, cells.length);
  const rises = numbers.filter((number, index) => index > 0 && number > numbers[index - 1]!).length;
  const falls = numbers.filter((number, index) => index > 0 && number < numbers[index - 1]!).length;
  const same = numbers.length - 1 - rises - falls;
  return {
    at,
    name,
    isNumber,
    isDate,
    hasClock: cells.some((cell) => /\d:\d\d/.test(cell)),
    isClock,
    isRising: isNumber && numbers.length > 1 && same <= 0.2 * numbers.length && Math.min(rises, falls) <= 0.1 * numbers.length,
    most: Math.max(0, ...numbers),
  };
}

/**
 * Returns the number in a cell, whatever unit stands behind it and whichever mark parts its decimals; undefined for none.
 *
 * @param cell - as text
 * @example
 * numberIn('1.234,5 °C') // 1234.5
 */
export function numberIn(cell: string): number | undefined {
  const match = /^[^\d+\-−]*([+\-−]?[\d.,\s ]*\d)/.exec(cell.trim());
  if (!match) return undefined;
  const digits = match[1]!.replace(/[\s ]/g, '').replace('−', '-');
  const [comma, point] = [digits.lastIndexOf(','), digits.lastIndexOf('.')];
  const plain =
    comma >= 0 && point >= 0 ? (comma > point ? digits.replaceAll('.', '').replace(',', '.') : digits.replaceAll(',', '')) : digits.replace(',', '.');
  const number = Number(plain);
  return Number.isFinite(number) ? number : undefined;
}
