import { requirePositive } from '../../checks/require';
import { GAP_SECONDS, type LogReading } from './log-reading';

/** A line this near to all that was read is as good as the readings, °C. */
export const LINE_CELSIUS = 1.5;
/** Well below a gap, so that rounding makes none. */
const OFTEN_SECONDS = 0.8 * GAP_SECONDS;

/**
 * Returns the readings between which straight lines stay near all others; both ends of a gap are always kept, and
 * no two of them are so far apart that they look like one.
 *
 * @param readings - in order of time, as `cleanLog` gives them
 * @param nearCelsius - how far a reading may be from the line, above 0
 * @throws PotterError for a distance that is none
 * @example
 * thinLog([{ seconds: 0, celsius: 20 }, { seconds: 60, celsius: 22 }, { seconds: 120, celsius: 24 }]).length // 2
 */
export function thinLog<Reading extends LogReading>(readings: readonly Reading[], nearCelsius = LINE_CELSIUS): Reading[] {
  requirePositive('nearCelsius', nearCelsius);
  if (readings.length < 3) return [...readings];
  const isKept = new Uint8Array(readings.length);
  const keep = (at: number): void => {
    isKept[at] = 1;
  };
  keep(0);
  keep(readings.length - 1);
  let from = 0;
  for (let at = 1; at < readings.length; at++) {
    if (readings[at]!.seconds - readings[at - 1]!.seconds <= GAP_SECONDS && at < readings.length - 1) continue;
    const isGap = readings[at]!.seconds - readings[at - 1]!.seconds > GAP_SECONDS;
    keepBends(readings, { from, to: isGap ? at - 1 : at, nearCelsius }, keep);
    if (isGap) {
      keep(at - 1);
      keep(at);
    }
    from = at;
  }
  keepOften(readings, isKept);
  return readings.filter((_, at) => isKept[at] === 1);
}

/** A straight way is kept at points near enough that nobody takes it for a gap. */
function keepOften(readings: readonly LogReading[], isKept: Uint8Array): void {
  let last = readings[0]!.seconds;
  for (let at = 1; at < readings.length; at++) {
    const next = readings[at + 1];
    if (next && next.seconds - last > OFTEN_SECONDS && readings[at]!.seconds > last) isKept[at] = 1;
    if (isKept[at] === 1) last = readings[at]!.seconds;
  }
}

/** The reading furthest from the line between two is kept, and so on to both sides of it. */
function keepBends(readings: readonly LogReading[], span: { from: number; to: number; nearCelsius: number }, keep: (at: number) => void): void {
  const spans = [[span.from, span.to] as const];
  for (let next = spans.pop(); next; next = spans.pop()) {
    const [from, to] = next;
    const [a, b] = [readings[from]!, readings[to]!];
    const rise = b.seconds > a.seconds ? (b.celsius - a.celsius) / (b.seconds - a.seconds) : 0;
    let [furthest, most] = [-1, span.nearCelsius];
    for (let at = from + 1; at < to; at++) {
      const off = Math.abs(readings[at]!.celsius - a.celsius - rise * (readings[at]!.seconds - a.seconds));
      if (off > most) [furthest, most] = [at, off];
    }
    if (furthest < 0) continue;
    keep(furthest);
    spans.push([from, furthest], [furthest, to]);
  }
}
