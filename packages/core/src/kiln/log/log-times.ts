import { numberIn } from './log-columns';

/** What the numbers or dates of a time column count. */
export type LogTimeUnit = 'seconds' | 'minutes' | 'hours' | 'clock' | 'elapsed';

/** Times of a column, since its first. */
export interface LogTimes {
  unit: LogTimeUnit;
  /** Of each row; undefined where it could not be read. */
  seconds: (number | undefined)[];
  /** When the first row was, by its own clock, as `2026-12-01T06:00`, with Z behind it where that is UTC; left out where the column does not say. */
  startsAt?: string | undefined;
}

const DAY_SECONDS = 86_400;
/** Numbers over this are seconds since 1970. */
const EPOCH_SECONDS = 1e8;
const EPOCH_MS = 1e11;
/** Dates end there. */
const LAST_MS = 8.64e15;
/** A firing with its cooling takes between these, hours. */
const SHORTEST_HOURS = 1.5;
const LONGEST_HOURS = 120;

/**
 * Returns when each row of a log was, seconds since the first that can be read.
 *
 * @param question - `time`, its cells; `clock`, of a column beside its dates; `name`, its heading, which may name a unit; `unit` of plain numbers,
 *   where the potter said it
 * @example
 * logTimes({ time: ['0', '30'], name: 'min' }).seconds // [0, 1800]
 */
export function logTimes(question: {
  time: readonly string[];
  clock?: readonly string[] | undefined;
  name: string;
  unit?: LogTimeUnit | undefined;
}): LogTimes {
  const { time, clock, name, unit } = question;
  const cells = time.map((cell, at) => `${cell.trim()} ${clock?.[at]?.trim() ?? ''}`.trim());
  const dates = readDates(cells);
  if (dates) return dates;
  if (cells.filter((cell) => cell.includes(':')).length > cells.length / 2) return readElapsed(cells);
  const numbers = cells.map(numberIn);
  const known = numbers.filter((number) => number !== undefined);
  const [first, most] = [known[0] ?? 0, known.reduce((best, number) => Math.max(best, number), 0)];
  if (first > EPOCH_SECONDS) return readEpoch(numbers, first > EPOCH_MS ? 1_000 : 1);
  const chosen = unit === 'seconds' || unit === 'minutes' || unit === 'hours' ? unit : (unitOfName(name) ?? unitOfSpan(most - first));
  const factor = { seconds: 1, minutes: 60, hours: 3_600 }[chosen];
  return { unit: chosen, seconds: numbers.map((number) => (number === undefined ? undefined : (number - first) * factor)) };
}

function readEpoch(numbers: readonly (number | undefined)[], perSecond: number): LogTimes {
  const first = numbers.find((number) => number !== undefined)!;
  return {
    unit: 'clock',
    seconds: numbers.map((number) => (number === undefined ? undefined : (number - first) / perSecond)),
    ...startOf((first / perSecond) * 1_000),
  };
}

/** A number that is no time of any calendar says no start. */
const startOf = (atMs: number): Pick<LogTimes, 'startsAt'> =>
  Math.abs(atMs) <= LAST_MS ? { startsAt: `${new Date(atMs).toISOString().slice(0, 16)}Z` } : {};

function unitOfName(name: string): 'seconds' | 'minutes' | 'hours' | undefined {
  if (/\b(s|sec(ond)?s?|sek(unden)?|segundos?)\b/i.test(name)) return 'seconds';
  if (/\b(m|min(ute)?n?s?|minutos?)\b/i.test(name)) return 'minutes';
  return /\b(h|hrs?|hours?|std|stunden?|horas?)\b/i.test(name) ? 'hours' : undefined;
}

/** The unit by which a firing takes as long as firings take. */
function unitOfSpan(span: number): 'seconds' | 'minutes' | 'hours' {
  const isFiring = (hours: number): boolean => hours >= SHORTEST_HOURS && hours <= LONGEST_HOURS;
  if (isFiring(span)) return 'hours';
  return isFiring(span / 60) && !isFiring(span / 3_600)
    ? 'minutes'
    : isFiring(span / 3_600) && span > 20_000
      ? 'seconds'
      : isFiring(span / 60)
        ? 'minutes'
        : 'seconds';
}

const DATE = /^(\d{1,4})[-/.](\d{1,2})[-/.](\d{1,4})(?:[T\s]+(\d{1,2}):(\d\d)(?::(\d\d)(?:[.,]\d+)?)?\s*(am|pm)?)?/i;

function readDates(cells: readonly string[]): LogTimes | undefined {
  const parts = cells.map((cell) => DATE.exec(cell));
  const there = parts.filter((match) => match !== null);
  if (there.length < cells.length / 2 || there.length === 0) return undefined;
  // Day before month, unless a number says otherwise.
  const isMonthFirst = there.some((match) => match[1]!.length <= 2 && Number(match[2]) > 12);
  const atMs = parts.map((match) => (match ? millisecondsOf(match, isMonthFirst) : undefined));
  const first = atMs.find((at) => at !== undefined)!;
  return {
    unit: 'clock',
    seconds: atMs.map((at) => (at === undefined ? undefined : (at - first) / 1_000)),
    startsAt: `${new Date(first).toISOString().slice(0, 16)}${/Z$/.test(there[0]!.input) ? 'Z' : ''}`,
  };
}

function millisecondsOf(match: RegExpExecArray, isMonthFirst: boolean): number | undefined {
  const [a, b, c] = [match[1]!, match[2]!, match[3]!];
  const [year, month, day] = a.length > 2 ? [a, b, c] : isMonthFirst ? [c, a, b] : [c, b, a];
  const late = /pm/i.test(match[7] ?? '') ? 12 : 0;
  const hour = match[7] ? (Number(match[4]) % 12) + late : Number(match[4] ?? 0);
  const at = Date.UTC(
    year.length === 2 ? 2_000 + Number(year) : Number(year),
    Number(month) - 1,
    Number(day),
    hour,
    Number(match[5] ?? 0),
    Number(match[6] ?? 0),
  );
  return Number.isNaN(at) ? undefined : at;
}

/** Hours and minutes; a clock that goes round at midnight goes on. */
function readElapsed(cells: readonly string[]): LogTimes {
  let day = 0;
  let last: number | undefined;
  const seconds = cells.map((cell) => {
    const match = /^(\d+):(\d\d)(?::(\d\d(?:[.,]\d+)?))?\s*(am|pm)?/i.exec(cell);
    if (!match) return undefined;
    const hour = match[4] ? (Number(match[1]) % 12) + (/pm/i.test(match[4]) ? 12 : 0) : Number(match[1]);
    const at = hour * 3_600 + Number(match[2]) * 60 + Number((match[3] ?? '0').replace(',', '.'));
    if (last !== undefined && at + day < last - DAY_SECONDS / 2) day += DAY_SECONDS;
    last = at + day;
    return last;
  });
  const first = seconds.find((at) => at !== undefined) ?? 0;
  return { unit: 'elapsed', seconds: seconds.map((at) => (at === undefined ? undefined : at - first)) };
}
