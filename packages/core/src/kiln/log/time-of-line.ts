import type { LineTime } from './controller-line';

/** When a line was, on the clock of its firing. */
export interface TimeOfLine {
  /** Since the log began. */
  seconds: number;
  /** What is added to the controller's own clock, s. */
  offsetSeconds: number;
}

/** A clock this near to ours is right, s; one that runs ahead by more was set. */
const NEAR_SECONDS = 600;
const AHEAD_SECONDS = 120;

/**
 * Returns when a line was by the clock of its firing. The controller's own clock may be wrong, may be set, and may begin anew after a power cut:
 * from then on it counts from when its line came. Undefined for a line that is older than what is there already.
 *
 * @param line - `time` as sent; `beganAtMs` of the log; `receivedSeconds`, when it came; `offsetSeconds`, of the lines before; `lastSeconds`, read last;
 *   `mayRunAhead`, for a practice kiln that is faster than the clock
 * @example
 * timeOfLine({ time: { kind: 'elapsed', seconds: 60 }, beganAtMs: 0, receivedSeconds: 62 }) // { seconds: 60, offsetSeconds: 0 }
 */
export function timeOfLine(line: {
  time?: LineTime | undefined;
  beganAtMs: number;
  receivedSeconds: number;
  offsetSeconds?: number | undefined;
  lastSeconds?: number | undefined;
  mayRunAhead?: boolean | undefined;
}): TimeOfLine | undefined {
  const { time, beganAtMs, receivedSeconds, lastSeconds = -Infinity, mayRunAhead = false } = line;
  const own = time === undefined ? receivedSeconds : time.kind === 'elapsed' ? time.seconds : (time.atMs - beganAtMs) / 1_000;
  const first = Math.abs(receivedSeconds - own) <= NEAR_SECONDS ? 0 : receivedSeconds - own;
  const offset = line.offsetSeconds ?? first;
  const seconds = own + offset;
  const isSet = seconds <= lastSeconds || (!mayRunAhead && seconds > receivedSeconds + AHEAD_SECONDS);
  if (!isSet) return seconds < 0 ? undefined : { seconds, offsetSeconds: offset };
  // A line sent twice, or late.
  if (receivedSeconds <= lastSeconds || (seconds <= lastSeconds && lastSeconds - seconds < NEAR_SECONDS)) return undefined;
  return { seconds: receivedSeconds, offsetSeconds: receivedSeconds - own };
}
