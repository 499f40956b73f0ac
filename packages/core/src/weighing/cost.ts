export interface PricedLine {
  powderId: string;
  name: string;
  grams: number;
}

export interface BatchCost {
  /** Of the powders that have a price. */
  cost: number;
  /** Powders without a price: the sum is at least this much. */
  withoutPrice: string[];
  /** What they are of the whole, by weight, 0–1: above a tenth no sum is worth saying. */
  shareWithoutPrice: number;
}

/**
 * Returns what the powder of a batch costs, in the currency of the studio.
 *
 * @param question - `lines` with their grams; `pricePerKg` by powder
 * @example
 * batchCost({ lines: [{ powderId: 's', name: 'Silica', grams: 500 }], pricePerKg: new Map([['s', 2]]) }).cost // 1
 */
export function batchCost({ lines, pricePerKg }: { lines: readonly PricedLine[]; pricePerKg: ReadonlyMap<string, number> }): BatchCost {
  const withoutPrice = new Set<string>();
  let cost = 0;
  let grams = 0;
  let unpriced = 0;
  for (const line of lines) {
    const price = pricePerKg.get(line.powderId);
    grams += line.grams;
    if (price === undefined) {
      unpriced += line.grams;
      if (line.grams > 0) withoutPrice.add(line.name);
    } else cost += (line.grams / 1000) * price;
  }
  return { cost, withoutPrice: [...withoutPrice], shareWithoutPrice: grams > 0 ? unpriced / grams : 0 };
}
