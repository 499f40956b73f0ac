import type { RecipeLine } from './recipe';

export type LineDifference =
  | { kind: 'added'; part: RecipeLine['part']; powderId: string; percent: number }
  | { kind: 'removed'; part: RecipeLine['part']; powderId: string; percent: number }
  | { kind: 'changed'; part: RecipeLine['part']; powderId: string; fromPercent: number; toPercent: number };

/** Percentages that differ by less are the same on any scale. */
const SAME_PERCENT = 0.0005;

/**
 * Returns what changed from one version of a recipe to the next, by powder. Order and ids of lines do not matter. A powder on two lines of
 * one part counts with their sum. A powder moved from the base to the additions was taken out and put in.
 *
 * @param question - `before` and `after`, lines of the two versions
 * @example
 * recipeDifference({ before: [{ id: 'a', powderId: 'silica', part: 'base', percent: 30 }], after: [{ id: 'a', powderId: 'silica', part: 'base', percent: 33 }] })
 * // [{ kind: 'changed', part: 'base', powderId: 'silica', fromPercent: 30, toPercent: 33 }]
 */
export function recipeDifference({ before, after }: { before: readonly RecipeLine[]; after: readonly RecipeLine[] }): LineDifference[] {
  const old = sums(before);
  const now = sums(after);
  const differences: LineDifference[] = [];
  for (const [key, line] of now) {
    const was = old.get(key);
    if (!was) differences.push({ kind: 'added', ...line });
    else if (Math.abs(was.percent - line.percent) > SAME_PERCENT) {
      differences.push({ kind: 'changed', part: line.part, powderId: line.powderId, fromPercent: was.percent, toPercent: line.percent });
    }
  }
  for (const [key, line] of old) if (!now.has(key)) differences.push({ kind: 'removed', ...line });
  return differences;
}

function sums(lines: readonly RecipeLine[]): Map<string, Omit<RecipeLine, 'id'>> {
  const byKey = new Map<string, Omit<RecipeLine, 'id'>>();
  for (const { part, powderId, percent } of lines) {
    if (percent === 0) continue;
    // Marked as stain or not, what goes over the base is the same glaze.
    const key = `${part === 'base'}:${powderId}`;
    byKey.set(key, { part, powderId, percent: (byKey.get(key)?.percent ?? 0) + percent });
  }
  return byKey;
}
