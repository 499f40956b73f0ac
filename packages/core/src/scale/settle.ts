/** One reading of a scale. */
export interface ScaleReading {
  atMs: number;
  grams: number;
  saysStable: boolean;
}

export interface Settling {
  /** The newest readings, oldest first. */
  readonly window: readonly ScaleReading[];
  /** The median of the last readings, so that one odd reading does not show. */
  shownGrams: number;
  settled: boolean;
  /** Mean of the still readings; left out while it moves. */
  settledGrams?: number;
}

/** How far back readings count, ms. */
const WINDOW_MS = 1200;
/** How long the weight must stand still; less when the scale itself says that it is stable. */
const STILL_MS = 700;
const STILL_WHEN_SAID_MS = 300;
/** The last digit may flicker by this many divisions while the weight stands still. */
const FLICKER_DIVISIONS = 2;
const SHOWN_FROM = 3;

export const UNSETTLED: Settling = { window: [], shownGrams: 0, settled: false };

/**
 * Returns the readings with one more. The weight has settled when those of the last 0.7 s (0.3 s when the scale says so) lie within two
 * divisions and their first and second half do not differ by more than one: a thin stream of powder still rises.
 *
 * @param before - what was known
 * @param reading - grams, the time in ms, and whether the scale calls it stable
 * @param scale - `divisionGrams`, above 0
 * @example
 * settle(UNSETTLED, { atMs: 0, grams: 12.3, saysStable: true }, { divisionGrams: 0.1 }).shownGrams // 12.3
 */
export function settle(before: Settling, reading: ScaleReading, { divisionGrams }: { divisionGrams: number }): Settling {
  const window = [...before.window, reading].filter((one) => one.atMs > reading.atMs - WINDOW_MS && one.atMs <= reading.atMs);
  const shownGrams = middle(window.slice(-SHOWN_FROM).map((one) => one.grams));
  const still = window.filter((one) => one.atMs >= reading.atMs - (reading.saysStable ? STILL_WHEN_SAID_MS : STILL_MS));
  const covers = reading.atMs - window[0]!.atMs >= (reading.saysStable ? STILL_WHEN_SAID_MS : STILL_MS);
  const grams = still.map((one) => one.grams);
  const spread = Math.max(...grams) - Math.min(...grams);
  const half = Math.floor(grams.length / 2);
  const drift = half > 0 ? Math.abs(mean(grams.slice(-half)) - mean(grams.slice(0, half))) : 0;
  // A rounding error must not decide whether two divisions are two divisions.
  const within = spread <= FLICKER_DIVISIONS * divisionGrams * 1.0001 && drift <= divisionGrams * 1.0001;
  if (!covers || grams.length < 3 || !within) return { window, shownGrams, settled: false };
  return { window, shownGrams, settled: true, settledGrams: mean(grams) };
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}
