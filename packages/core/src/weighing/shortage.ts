export interface StockOfPowder {
  powderId: string;
  /** Left out when nobody counted it: then nothing is said of it. */
  stockGrams?: number | undefined;
}

export interface Shortage {
  powderId: string;
  name: string;
  needGrams: number;
  haveGrams: number;
}

export interface StockAnswer {
  short: Shortage[];
  /** Share of the batch that the stock allows, 0–1; 1 when all is there. */
  share: number;
}

/**
 * Returns what is short on the shelf for these lines, and how much of the batch can be weighed all the same. A powder that nobody counted is
 * not short.
 *
 * @param question - `lines` with their targets, g; `stock` by powder
 * @example
 * shortage({ lines: [{ powderId: 's', name: 'Silica', targetGrams: 500 }], stock: [{ powderId: 's', stockGrams: 200 }] }).shortages?.length ?? 0
 * // 0
 */
export function shortage({
  lines,
  stock,
}: {
  lines: readonly { powderId: string; name: string; targetGrams: number }[];
  stock: readonly StockOfPowder[];
}): StockAnswer {
  const needs = new Map<string, { name: string; grams: number }>();
  for (const { powderId, name, targetGrams } of lines) needs.set(powderId, { name, grams: (needs.get(powderId)?.grams ?? 0) + targetGrams });
  const short: Shortage[] = [];
  let share = 1;
  for (const { powderId, stockGrams } of stock) {
    const need = needs.get(powderId);
    if (!need || stockGrams === undefined || stockGrams >= need.grams) continue;
    const haveGrams = Math.max(0, stockGrams);
    short.push({ powderId, name: need.name, needGrams: need.grams, haveGrams });
    share = Math.min(share, haveGrams / need.grams);
  }
  return { short: short.sort((a, b) => a.haveGrams / a.needGrams - b.haveGrams / b.needGrams), share };
}
