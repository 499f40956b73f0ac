/** What was read of a firing at one moment. */
export interface LogReading {
  /** Since the firing began. */
  seconds: number;
  celsius: number;
  /** What the controller wanted, °C. */
  setCelsius?: number | undefined;
  /** Share of the power that was on, 0–1. */
  share?: number | undefined;
}

/** Between two readings further apart than this nobody knows what the kiln did, s. */
export const GAP_SECONDS = 900;
