import type { RecipeLine } from './recipe';

/** A powder of which more or less went in than the recipe wants, g; `isGrams` 0 for one that is missing, `wantedGrams` 0 for one it does not name. */
export interface WeighedDifference {
  powderId: string;
  isGrams: number;
  wantedGrams: number;
}

/** Closer than this share of the line, and of the batch, is how exactly hands weigh. */
const LINE_WITHIN = 0.02;
const BATCH_WITHIN = 0.001;

/**
 * Returns what went into a bucket otherwise than its recipe wants, largest difference first. How large the batch was is told by the middle of
 * all lines, so that one powder that is missing or doubled does not make the others look wrong.
 *
 * @param question - `lines` of the recipe, in percent; `parts` that went in, g
 * @example
 * weighedDifference({
 *   lines: [{ powderId: 'a', percent: 60 }, { powderId: 'b', percent: 40 }, { powderId: 'tin', percent: 5 }],
 *   parts: [{ powderId: 'a', grams: 600 }, { powderId: 'b', grams: 400 }],
 * }) // [{ powderId: 'tin', isGrams: 0, wantedGrams: 50 }]
 */
export function weighedDifference({
  lines,
  parts,
}: {
  lines: readonly Pick<RecipeLine, 'powderId' | 'percent'>[];
  parts: readonly { powderId: string; grams: number }[];
}): WeighedDifference[] {
  const percents = summed(lines.map(({ powderId, percent }) => [powderId, percent]));
  const grams = summed(parts.map((part) => [part.powderId, part.grams]));
  const total = [...grams.values()].reduce((sum, one) => sum + one, 0);
  const factors = [...percents].flatMap(([powderId, percent]) => {
    const isGrams = grams.get(powderId) ?? 0;
    return percent > 0 && isGrams > 0 ? [{ factor: isGrams / percent, percent }] : [];
  });
  const factor = weightedMiddle(factors);
  if (factor === undefined) return [];
  return [...new Set([...percents.keys(), ...grams.keys()])]
    .map((powderId) => ({ powderId, isGrams: grams.get(powderId) ?? 0, wantedGrams: factor * (percents.get(powderId) ?? 0) }))
    .filter(({ isGrams, wantedGrams }) => {
      const off = Math.abs(isGrams - wantedGrams);
      return off > LINE_WITHIN * wantedGrams && off > BATCH_WITHIN * total;
    })
    .sort((a, b) => Math.abs(b.isGrams - b.wantedGrams) - Math.abs(a.isGrams - a.wantedGrams));
}

function summed(pairs: readonly (readonly [key: string, value: number])[]): Map<string, number> {
  const sums = new Map<string, number>();
  for (const [key, value] of pairs) sums.set(key, (sums.get(key) ?? 0) + value);
  return sums;
}

/** The factor that half of the recipe's percents lie on each side of. */
function weightedMiddle(factors: readonly { factor: number; percent: number }[]): number | undefined {
  const half = factors.reduce((sum, { percent }) => sum + percent, 0) / 2;
  let below = 0;
  for (const { factor, percent } of [...factors].sort((a, b) => a.factor - b.factor)) {
    below += percent;
    if (below >= half) return factor;
  }
  return undefined;
}
