/** When a line was sent, by the controller's own clock. */
export type LineTime = { kind: 'clock'; atMs: number } | { kind: 'elapsed'; seconds: number };

/** One line of text from a kiln controller, read. */
export type ControllerLine =
  | { kind: 'reading'; time?: LineTime | undefined; celsius: number; setCelsius?: number | undefined; share?: number | undefined }
  /** It says that something is wrong with itself: a broken thermocouple, for instance. */
  | { kind: 'fault'; text: string }
  | { kind: 'unreadable'; text: string };

const FAULT = /\b(err(or)?|fault|fail(ed)?|open tc|tc open|alarm|e\d{1,3})\b/i;
const DATE_TIME = /(\d{4}-\d\d-\d\d)[T ](\d\d:\d\d(?::\d\d(?:\.\d+)?)?)\s*(Z|[+-]\d\d:?\d\d)?/;
const ELAPSED = /(?:^|[\s;,=])(\d+):(\d\d)(?::(\d\d(?:\.\d+)?))?(?=$|[\s;,])/;
const NUMBER = '([+\\-−]?\\d+(?:[.,]\\d+)?)';
const labelled = (names: string): RegExp => new RegExp(`(?:^|[\\s;,])(?:${names})\\s*[=:]?\\s*${NUMBER}\\s*°?\\s*([cf%]?)(?=$|[\\s;,])`, 'i');
const TEMPERATURE = labelled('temperature|temp|t|pv|tc\\d?');
const SET_POINT = labelled('set ?point|set|sp|sv|target');
const SHARE_ON = labelled('output|out|op|on|power|duty');
const FAHRENHEIT = /\d\s*°?\s*f\b|°f/i;
/** No thermocouple reads less or more, °C: such a figure is noise. */
const LEAST_CELSIUS = -300;
const MOST_CELSIUS = 3_000;
const LONGEST = 80;

/**
 * Returns a line as controllers send it: time, temperature, set point and the share of the power that is on, in this order, or in any order with
 * labels. Without a unit the temperature is °C. A time is a date with a clock time, hours:minutes, or seconds.
 *
 * @param text - one line
 * @example
 * readControllerLine('0:30:00; 78.5; 80; 42 %')
 * // { kind: 'reading', time: { kind: 'elapsed', seconds: 1800 }, celsius: 78.5, setCelsius: 80, share: 0.42 }
 */
export function readControllerLine(text: string): ControllerLine {
  const line = text.trim();
  const { time, rest } = timeOf(line);
  const isFahrenheit = FAHRENHEIT.test(rest);
  const byLabel = TEMPERATURE.exec(rest);
  const read = byLabel
    ? { celsius: toNumber(byLabel[1]), set: toNumber(SET_POINT.exec(rest)?.[1]), on: shareOf(SHARE_ON.exec(rest)), elapsed: undefined }
    : byPlace(rest, time !== undefined);
  if (read.celsius === undefined) return FAULT.test(line) ? { kind: 'fault', text: line.slice(0, LONGEST) } : unreadable(line);
  const celsius = toCelsius(read.celsius, isFahrenheit);
  if (!isReadable(celsius)) return unreadable(line);
  const setCelsius = read.set === undefined ? undefined : toCelsius(read.set, isFahrenheit);
  const at = time ?? (read.elapsed === undefined ? undefined : { kind: 'elapsed' as const, seconds: read.elapsed });
  return {
    kind: 'reading',
    ...(at ? { time: at } : {}),
    celsius,
    ...(setCelsius === undefined || !isReadable(setCelsius) ? {} : { setCelsius }),
    ...(read.on === undefined ? {} : { share: read.on }),
  };
}

function timeOf(line: string): { time?: LineTime; rest: string } {
  const date = DATE_TIME.exec(line);
  if (date) {
    const atMs = Date.parse(`${date[1]}T${date[2]}${date[3] ?? ''}`);
    return { ...(Number.isNaN(atMs) ? {} : { time: { kind: 'clock', atMs } }), rest: line.replace(DATE_TIME, ' ') };
  }
  const elapsed = ELAPSED.exec(line);
  if (!elapsed) return { rest: line };
  const seconds = Number(elapsed[1]) * 3_600 + Number(elapsed[2]) * 60 + Number(elapsed[3] ?? 0);
  return { time: { kind: 'elapsed', seconds }, rest: line.replace(ELAPSED, ' ') };
}

interface ReadFields {
  celsius: number | undefined;
  set: number | undefined;
  on: number | undefined;
  elapsed: number | undefined;
}

/** Without labels: time in seconds first, where it was not found already and more than one number is there. */
function byPlace(rest: string, hasTime: boolean): ReadFields {
  // A comma separates fields, unless semicolons or tabs do.
  const fields = (/[;\t]/.test(rest) ? rest.split(/[;\t]/) : rest.split(/[,\s]+/)).map((field) => field.trim()).filter((field) => field !== '');
  const joined = fields.reduce<string[]>(
    (list, field) => (/^(%|°?[cf])$/i.test(field) && list.length > 0 ? [...list.slice(0, -1), `${list.at(-1)!}${field}`] : [...list, field]),
    [],
  );
  const numbers = joined.filter((field) => /^[+\-−]?\d+([.,]\d+)?\s*(%|°?\s*[cf])?$/i.test(field));
  const [first, ...others] = numbers;
  const [celsius, set, on] = hasTime || others.length === 0 ? numbers : others;
  return {
    celsius: toNumber(celsius),
    set: toNumber(set),
    on: on === undefined ? undefined : toShare(toNumber(on)!, on.includes('%')),
    elapsed: hasTime || others.length === 0 ? undefined : toNumber(first),
  };
}

const isReadable = (celsius: number): boolean => celsius >= LEAST_CELSIUS && celsius <= MOST_CELSIUS;
const shareOf = (match: RegExpExecArray | null): number | undefined => (match ? toShare(toNumber(match[1])!, match[2] === '%') : undefined);

/** A share over 1 is percent, said or not. */
const toShare = (size: number, isPercent: boolean): number => Math.min(1, Math.max(0, isPercent || size > 1 ? size / 100 : size));
const toCelsius = (degrees: number, isFahrenheit: boolean): number => (isFahrenheit ? (degrees - 32) / 1.8 : degrees);

function toNumber(text: string | undefined): number | undefined {
  const number = text === undefined ? NaN : Number.parseFloat(text.replace('−', '-').replace(',', '.'));
  return Number.isNaN(number) ? undefined : number;
}

const unreadable = (line: string): ControllerLine => ({ kind: 'unreadable', text: line.slice(0, LONGEST) });
