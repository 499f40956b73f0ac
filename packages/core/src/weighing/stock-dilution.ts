import type { LinePart } from '../recipe/recipe';
import { LARGEST_WEIGHING_ERROR } from './scale-limits';

/** Parts of another powder to one part of the one that is too little to weigh. */
const PARTS_OF_CARRIER = 9;

export interface StockDilution {
  carrierLineId: string;
  carrierName: string;
  /** To mix and keep in a jar: this much of the small powder and nine times as much of the carrier. */
  powderGrams: number;
  carrierGrams: number;
  /** What of the mixture goes into the batch, and how much less of the carrier. */
  mixtureGrams: number;
  carrierLessGrams: number;
  /** Relative error of the mixture on this scale. */
  error: number;
}

interface DilutionLine {
  lineId: string;
  name: string;
  part: LinePart;
  targetGrams: number;
}

/**
 * Returns a line too small for the scale as a mixture of 1 + 9 in the largest powder of the base, whose share is taken off that line.
 * Undefined when no line is large enough to give it, or when the mixture would still be too small.
 *
 * @param question - `line`; all `lines` of the batch; `divisionGrams` of the scale
 * @example
 * stockDilution({ line: { lineId: 'c', name: 'Cobalt', part: 'addition', targetGrams: 0.5 }, lines: [], divisionGrams: 0.1 }) // undefined
 */
export function stockDilution({
  line,
  lines,
  divisionGrams,
}: {
  line: DilutionLine;
  lines: readonly DilutionLine[];
  divisionGrams: number;
}): StockDilution | undefined {
  const [carrier] = lines.filter((one) => one.part === 'base' && one.lineId !== line.lineId).sort((a, b) => b.targetGrams - a.targetGrams);
  const carrierLessGrams = PARTS_OF_CARRIER * line.targetGrams;
  const mixtureGrams = line.targetGrams + carrierLessGrams;
  const error = divisionGrams / 2 / mixtureGrams;
  if (!carrier || carrier.targetGrams < carrierLessGrams || error > LARGEST_WEIGHING_ERROR) return undefined;
  // As much as the scale can weigh well, and at least what this batch wants.
  const powderGrams = Math.max(line.targetGrams, divisionGrams / 2 / LARGEST_WEIGHING_ERROR);
  return {
    carrierLineId: carrier.lineId,
    carrierName: carrier.name,
    powderGrams,
    carrierGrams: PARTS_OF_CARRIER * powderGrams,
    mixtureGrams,
    carrierLessGrams,
    error,
  };
}
