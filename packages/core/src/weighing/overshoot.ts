import { PotterError } from '../checks/potter-error';
import { requireNotNegative } from '../checks/require';

export interface OvershootLine {
  lineId: string;
  targetGrams: number;
  inGrams: number;
}

export interface Rescue {
  factor: number;
  lines: { lineId: string; newTargetGrams: number; topUpGrams: number }[];
}

/**
 * Returns the batch raised so that its ratio holds when too much of a line is in the bucket: f = max(1, in/target) over the lines that are
 * in. Lines under the scale's division are noise and are ignored. Every line's new target is f × target, its top-up f × target − in; water is
 * multiplied by f as well.
 *
 * @param question - `lines` with target and what is in, g; `divisionGrams` of the scale
 * @throws PotterError for a negative weight, or when nothing has a target
 * @example
 * rescueOvershoot({ lines: [{ lineId: 'a', targetGrams: 100, inGrams: 110 }, { lineId: 'b', targetGrams: 50, inGrams: 0 }], divisionGrams: 0.1 }).factor
 * // 1.1
 */
export function rescueOvershoot({ lines, divisionGrams }: { lines: readonly OvershootLine[]; divisionGrams: number }): Rescue {
  if (lines.length === 0) throw new PotterError('emptyList', 'lines', 0, 'The batch has no lines.');
  requireNotNegative('divisionGrams', divisionGrams);
  let factor = 1;
  for (const line of lines) {
    requireNotNegative('dryGrams', line.inGrams);
    if (line.inGrams > 0 && line.targetGrams >= divisionGrams && line.targetGrams > 0) factor = Math.max(factor, line.inGrams / line.targetGrams);
  }
  return {
    factor,
    lines: lines.map((line) => ({
      lineId: line.lineId,
      newTargetGrams: factor * line.targetGrams,
      topUpGrams: Math.max(0, factor * line.targetGrams - line.inGrams),
    })),
  };
}
