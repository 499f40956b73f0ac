import { requireNotNegative } from '../checks/require';

export interface ClosingLine {
  name: string;
  grams: number;
}

export type ClosingCheck =
  | { kind: 'agrees'; differenceGrams: number }
  | { kind: 'missed' | 'doubled'; differenceGrams: number; lines: string[] }
  | { kind: 'unexplained'; differenceGrams: number };

/**
 * Returns the weight after the last powder against the sum of the lines. A difference beyond `allowedGrams` that is the weight of a line
 * names that line: too light, it was missed; too heavy, it went in twice.
 *
 * @param question - `lines` with their grams; `shownGrams`; `allowedGrams`, what scale and spills explain, 0 or more
 * @throws PotterError for a negative weight
 * @example
 * closingCheck({ lines: [{ name: 'Silica', grams: 300 }, { name: 'Tin', grams: 15 }], shownGrams: 300, allowedGrams: 1 }).kind // 'missed'
 */
export function closingCheck(question: { lines: readonly ClosingLine[]; shownGrams: number; allowedGrams: number }): ClosingCheck {
  const allowed = requireNotNegative('allowedGrams', question.allowedGrams);
  const sum = question.lines.reduce((total, line) => total + line.grams, 0);
  const differenceGrams = requireNotNegative('shownGrams', question.shownGrams) - sum;
  const size = Math.abs(differenceGrams);
  if (size <= allowed) return { kind: 'agrees', differenceGrams };
  const lines = question.lines
    .filter((line) => line.grams > allowed && Math.abs(line.grams - size) <= allowed)
    .sort((a, b) => Math.abs(a.grams - size) - Math.abs(b.grams - size))
    .map((line) => line.name);
  if (lines.length === 0) return { kind: 'unexplained', differenceGrams };
  return { kind: differenceGrams < 0 ? 'missed' : 'doubled', differenceGrams, lines };
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
