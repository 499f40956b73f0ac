import type { LogReading } from './log-reading';

/** A reading that no kiln can have given, and why. */
export interface DroppedReading {
  why: 'backwards' | 'impossible' | 'spike';
  reading: LogReading;
}

/** A log without what cannot be. */
export interface CleanLog<Reading extends LogReading = LogReading> {
  readings: Reading[];
  dropped: DroppedReading[];
}

/** Colder than any workshop, hotter than any potter's kiln, °C. */
const LEAST_CELSIUS = -30;
const MOST_CELSIUS = 1_450;
/** A thermocouple that jumps by more than this between two readings, and comes back, was disturbed: °C, and °C for each second between. */
const JUMP_CELSIUS = 30;
const JUMP_PER_SECOND = 0.3;
/** A disturbance lasts at most so many readings. */
const LONGEST_SPIKE = 5;

/**
 * Returns a log in order of time, without readings that go back in time, that no kiln gives, and short spikes; each of them is told.
 *
 * @param readings - as they came
 * @example
 * cleanLog([{ seconds: 0, celsius: 20 }, { seconds: 60, celsius: 1800 }, { seconds: 120, celsius: 22 }]).dropped[0].why // 'impossible'
 */
export function cleanLog<Reading extends LogReading>(readings: readonly Reading[]): CleanLog<Reading> {
  const dropped: DroppedReading[] = [];
  const inOrder: Reading[] = [];
  for (const reading of readings) {
    const last = inOrder.at(-1);
    if (!(reading.celsius >= LEAST_CELSIUS && reading.celsius <= MOST_CELSIUS)) dropped.push({ why: 'impossible', reading });
    else if (!Number.isFinite(reading.seconds) || (last && reading.seconds <= last.seconds)) dropped.push({ why: 'backwards', reading });
    else inOrder.push(reading);
  }
  const kept: Reading[] = [];
  for (let at = 0; at < inOrder.length; at++) {
    const spike = spikeAt(inOrder, at, kept.at(-1));
    for (const reading of inOrder.slice(at, at + spike)) dropped.push({ why: 'spike', reading });
    at += spike;
    if (inOrder[at]) kept.push(inOrder[at]!);
  }
  return { readings: kept, dropped };
}

/** How many readings from here are a spike over the last that was kept; 0 for none. */
function spikeAt(readings: readonly LogReading[], at: number, before: LogReading | undefined): number {
  if (!before || isNear(before, readings[at]!)) return 0;
  for (let length = 1; length <= LONGEST_SPIKE; length++) {
    const after = readings[at + length];
    if (!after) return 0;
    if (isNear(before, after)) return length;
  }
  return 0;
}

const isNear = (one: LogReading, other: LogReading): boolean =>
  Math.abs(other.celsius - one.celsius) <= JUMP_CELSIUS + JUMP_PER_SECOND * (other.seconds - one.seconds);
