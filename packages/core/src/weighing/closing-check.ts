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
 * The weight after the last powder against the sum of the lines. `allowedGrams` is what scale and spills explain. Beyond it,
 * a difference that is a line's weight names that line: too light, it was missed; too heavy, it went in twice.
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

/** What a scale's divisions and the usual dust and spills explain over a whole batch, g: half a division a line and 0.2 % of the sum. */
export function allowedDifference({ lines, divisionGrams }: { lines: readonly ClosingLine[]; divisionGrams: number }): number {
  const sum = lines.reduce((total, line) => total + line.grams, 0);
  return (lines.length + 1) * (divisionGrams / 2) + 0.002 * sum;
}
