import type { RecipeBody } from '@cazuela/contract';
import type { BatchCost } from '@cazuela/core';

/** A sum that lacks more of the powder than this, by weight, says nothing. */
const MOST_WITHOUT_PRICE = 0.1;

/** Prices a kilo by powder; a bought base without one of its own costs what its pack does. */
export function powderPrices(
  powders: readonly { id: string; pricePerKg?: number | undefined }[],
  body: Pick<RecipeBody, 'lines' | 'product'>,
): Map<string, number> {
  const prices = new Map(powders.flatMap(({ id, pricePerKg }) => (pricePerKg === undefined ? [] : [[id, pricePerKg] as const])));
  const base = body.lines.filter((line) => line.part === 'base');
  const { product } = body;
  if (product?.kind === 'base' && product.packPrice !== undefined && base.length === 1 && !prices.has(base[0]!.powderId))
    prices.set(base[0]!.powderId, (1000 * product.packPrice) / product.packGrams);
  return prices;
}

/** A sum in words: "at least" while a price lacks; why there is none where too much has no price; empty where nothing has one. */
export function sumWords({ cost, withoutPrice, shareWithoutPrice }: BatchCost, say: (cost: number) => string): string {
  const lacking = `no price yet for ${withoutPrice.join(', ')}`;
  if (cost === 0) return '';
  if (shareWithoutPrice > MOST_WITHOUT_PRICE) return `Nobody can say what it costs: ${lacking}.`;
  return withoutPrice.length > 0 ? `At least ${say(cost)}; ${lacking}.` : `${say(cost)}.`;
}
