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
}

/** What the powder of a batch costs, in the studio's currency. Prices are per kilogram. */
export function batchCost({ lines, pricePerKg }: { lines: readonly PricedLine[]; pricePerKg: ReadonlyMap<string, number> }): BatchCost {
  const withoutPrice = new Set<string>();
  let cost = 0;
  for (const line of lines) {
    const price = pricePerKg.get(line.powderId);
    if (price === undefined) {
      if (line.grams > 0) withoutPrice.add(line.name);
    } else cost += (line.grams / 1000) * price;
  }
  return { cost, withoutPrice: [...withoutPrice] };
}
