import { requireNotNegative } from '../checks/require';

export interface ClosingLine {
  name: string;
  grams: number;
}

export type ClosingCheck =
  | { kind: 'agrees'; differenceGrams: number }
  /** Heavier by a line that is noted as skipped: it went in after all. */
  | { kind: 'skippedIsIn' | 'missed' | 'doubled'; differenceGrams: number; lines: string[] }
  /** A little less than went in: dust, scoops and the pan keep that. */
  | { kind: 'lost'; differenceGrams: number }
  | { kind: 'unexplained'; differenceGrams: number };

/** What handling loses at most, as a share of the batch. */
const USUAL_LOSS = 0.005;

/**
 * Returns the weight after the last powder against the sum of the lines. A difference beyond `allowedGrams` that is the weight of a line names
 * that line: too heavy, a skipped one is in or another went in twice; too light, one was missed. A loss under 0.5 % is what handling takes.
 *
 * @param question - `lines` that went in and those `skipped`, with their grams; `shownGrams`; `allowedGrams`, what scale and spills explain,
 * 0 or more
 * @throws PotterError for a negative weight
 * @example
 * closingCheck({ lines: [{ name: 'Silica', grams: 300 }, { name: 'Tin', grams: 15 }], shownGrams: 300, allowedGrams: 1 }).kind // 'missed'
 */
export function closingCheck(question: {
  lines: readonly ClosingLine[];
  skipped?: readonly ClosingLine[];
  shownGrams: number;
  allowedGrams: number;
}): ClosingCheck {
  const allowed = requireNotNegative('allowedGrams', question.allowedGrams);
  const sum = question.lines.reduce((total, line) => total + line.grams, 0);
  const differenceGrams = requireNotNegative('shownGrams', question.shownGrams) - sum;
  const size = Math.abs(differenceGrams);
  if (size <= allowed) return { kind: 'agrees', differenceGrams };
  const ofThatWeight = (lines: readonly ClosingLine[]): string[] =>
    lines
      .filter((line) => line.grams > allowed && Math.abs(line.grams - size) <= allowed)
      .sort((a, b) => Math.abs(a.grams - size) - Math.abs(b.grams - size))
      .map((line) => line.name);
  const skipped = differenceGrams > 0 ? ofThatWeight(question.skipped ?? []) : [];
  if (skipped.length > 0) return { kind: 'skippedIsIn', differenceGrams, lines: skipped };
  const lines = ofThatWeight(question.lines);
  if (lines.length > 0) return { kind: differenceGrams < 0 ? 'missed' : 'doubled', differenceGrams, lines };
  return { kind: differenceGrams < 0 && size < USUAL_LOSS * sum ? 'lost' : 'unexplained', differenceGrams };
}

/**
 * Returns what a scale's divisions and the usual dust and spills explain over a batch, g: half a division a line and 0.2 % of the sum.
 *
 * @param question - `lines` with their grams; `divisionGrams` of the scale
 * @example
 * allowedDifference({ lines: [{ name: 'Silica', grams: 500 }], divisionGrams: 0.1 }) // 1.1
 */
export function allowedDifference({ lines, divisionGrams }: { lines: readonly ClosingLine[]; divisionGrams: number }): number {
  const sum = lines.reduce((total, line) => total + line.grams, 0);
  return (lines.length + 1) * (divisionGrams / 2) + 0.002 * sum;
}
