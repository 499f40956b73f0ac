import { PotterError } from '../checks/potter-error';
import { requirePositive } from '../checks/require';

/** A line should be weighed to 2 % or better: beyond that its colour changes. */
export const LARGEST_WEIGHING_ERROR = 0.02;

export type LineOnScale = { kind: 'fine'; error: number; loads: number } | { kind: 'tooSmall'; error: number; loads: 1; baseFactor: number };

export interface ScaleLimits {
  name: string;
  divisionGrams: number;
  capacityGrams: number;
}

/**
 * Returns what the scale makes of one line: a relative error of half a division/target, and loads where it exceeds the capacity. `baseFactor`
 * is how much larger the batch must be for this line to come within 2 %.
 *
 * @param line - `targetGrams`, `divisionGrams` and `capacityGrams`, above 0
 * @throws PotterError for 0 or less
 * @example
 * lineOnScale({ targetGrams: 1.5, divisionGrams: 0.1, capacityGrams: 6000 }).loads // 1
 */
export function lineOnScale(line: { targetGrams: number; divisionGrams: number; capacityGrams: number }): LineOnScale {
  const error = requirePositive('divisionGrams', line.divisionGrams) / 2 / requirePositive('targetGrams', line.targetGrams);
  if (error > LARGEST_WEIGHING_ERROR) return { kind: 'tooSmall', error, loads: 1, baseFactor: error / LARGEST_WEIGHING_ERROR };
  return { kind: 'fine', error, loads: Math.ceil(line.targetGrams / requirePositive('capacityGrams', line.capacityGrams)) };
}

/**
 * Returns the scale to weigh a line on: the finest that holds it in one load, else the one that needs the fewest loads.
 *
 * @param question - `targetGrams`, above 0; `scales`, at least one
 * @throws PotterError when there is no scale
 * @example
 * scaleFor({ targetGrams: 500, scales: [{ divisionGrams: 0.01, capacityGrams: 300 }, { divisionGrams: 0.1, capacityGrams: 6000 }] }).divisionGrams
 * // 0.1
 */
export function scaleFor<Scale extends ScaleLimits>({ targetGrams, scales }: { targetGrams: number; scales: readonly Scale[] }): Scale {
  const [first] = [...scales].sort(
    (a, b) => Math.ceil(targetGrams / a.capacityGrams) - Math.ceil(targetGrams / b.capacityGrams) || a.divisionGrams - b.divisionGrams,
  );
  if (!first) throw new PotterError('emptyList', 'scales', 0, 'The studio has no scale: note one on the studio page.');
  return first;
}
