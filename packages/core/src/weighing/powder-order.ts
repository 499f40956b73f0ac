export interface OrderLine {
  powderId: string;
  name: string;
  /** On the shelf, g. */
  haveGrams: number;
  /** To buy, in amounts that are sold, g. */
  buyGrams: number;
  /** What that costs, where the powder has a price. */
  cost?: number;
}

/** Back to twice what the studio never wants to fall below. */
const UP_TO_TIMES_LOW = 2;

/**
 * Returns what to buy: every powder at or below what the studio wants to have of it, up to twice that, in amounts that are sold.
 *
 * @param question - `powders` with `stockGrams`, `lowGrams` and `pricePerKg`; what was never counted is not ordered
 * @example
 * powderOrder({ powders: [{ id: 's', name: 'Silica', stockGrams: 400, lowGrams: 1000 }] })
 * // [{ powderId: 's', name: 'Silica', haveGrams: 400, buyGrams: 2000 }]
 */
export function powderOrder({
  powders,
}: {
  powders: readonly { id: string; name: string; stockGrams?: number | undefined; lowGrams?: number | undefined; pricePerKg?: number | undefined }[];
}): OrderLine[] {
  return powders.flatMap(({ id, name, stockGrams, lowGrams, pricePerKg }): OrderLine[] => {
    if (stockGrams === undefined || lowGrams === undefined || stockGrams > lowGrams || lowGrams <= 0) return [];
    const haveGrams = Math.max(0, stockGrams);
    const buyGrams = sold(UP_TO_TIMES_LOW * lowGrams - haveGrams);
    return [{ powderId: id, name, haveGrams, buyGrams, ...(pricePerKg === undefined ? {} : { cost: (buyGrams / 1000) * pricePerKg }) }];
  });
}

/** Rounded up to tens, hundreds, half kilos. */
function sold(grams: number): number {
  const step = grams <= 100 ? 10 : grams <= 1000 ? 100 : 500;
  return Math.ceil(grams / step - 1e-9) * step;
}
