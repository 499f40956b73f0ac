import type { FiringPoint } from '../../melt/heat-work';
import { cleanLog } from './clean-log';
import { hoursAtFullPower } from './fired-energy';
import { GAP_SECONDS, type LogReading } from './log-reading';
import { thinLog } from './thin-log';

/** A log that still grows, as its curve: what is old enough never changes again, so that a new reading costs little. */
export interface GrowingLog {
  /** Without what lies on straight lines between, hours since the log began. */
  points: FiringPoint[];
  fullPowerHours: number;
  /** Readings that no kiln gives. */
  dropped: number;
  /** Of what does not change any more: until when, and how much that is of each. */
  settled: { seconds: number; points: number; fullPowerHours: number; dropped: number };
}

export const EMPTY_LOG: GrowingLog = {
  points: [],
  fullPowerHours: 0,
  dropped: 0,
  settled: { seconds: -1, points: 0, fullPowerHours: 0, dropped: 0 },
};

/** So many of the newest readings may still turn out to be a spike, or the beginning of a bend. */
const UNSETTLED = 60;
/** Settled so many at a time: a thinner line comes of more at once. */
const SETTLE_AT = 360;

/**
 * Returns a log with its newest readings.
 *
 * @param before - the log until now; `EMPTY_LOG` at its begin
 * @param tail - all readings since it was settled, that one included, in order of time
 * @example
 * grownLog(EMPTY_LOG, [{ seconds: 0, celsius: 20 }, { seconds: 3600, celsius: 120 }]).points // [{ hours: 0, celsius: 20 }, { hours: 1, celsius: 120 }]
 */
export function grownLog(before: GrowingLog, tail: readonly LogReading[]): GrowingLog {
  const { readings, dropped } = cleanLog(tail);
  const { settled } = before;
  const cut = readings.length > SETTLE_AT ? readings.length - UNSETTLED : 0;
  const [old, young] = [readings.slice(0, cut + 1), readings.slice(cut)];
  // The first of the tail is the last that was settled.
  const known = before.points.slice(0, settled.points);
  const grown = cut === 0 ? known : [...known.slice(0, -1), ...toPoints(thinLog(old))];
  const hours = cut === 0 ? settled.fullPowerHours : settled.fullPowerHours + hoursAtFullPower(old, GAP_SECONDS);
  const lost = cut === 0 ? settled.dropped : settled.dropped + dropped.filter(({ reading }) => reading.seconds < readings[cut]!.seconds).length;
  const rest = toPoints(thinLog(young));
  return {
    points: grown.length > 0 ? [...grown, ...rest.slice(1)] : rest,
    fullPowerHours: hours + hoursAtFullPower(young, GAP_SECONDS),
    dropped: cut === 0 ? settled.dropped + dropped.length : lost + dropped.filter(({ reading }) => reading.seconds >= readings[cut]!.seconds).length,
    settled: cut === 0 ? settled : { seconds: readings[cut]!.seconds, points: grown.length, fullPowerHours: hours, dropped: lost },
  };
}

const toPoints = (readings: readonly LogReading[]): FiringPoint[] =>
  readings.map(({ seconds, celsius }) => ({ hours: Math.round((seconds / 3_600) * 1e5) / 1e5, celsius: Math.round(celsius * 10) / 10 }));
