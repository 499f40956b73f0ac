import { PotterError } from '../checks/potter-error';
import type { Powder, WeighedPowder } from './powder';

export interface PowderShares {
  /** Raw clay per 100 g of all dry powder; bentonite counts five times. */
  rawClayShare: number;
  /** Shrink share per 100 g: what makes a dry coat hold together, shrink and crack. */
  shrinkShare: number;
  loiPercent: number;
}

/**
 * Returns clay, shrinkage and loss on ignition per 100 g of all the dry powder.
 *
 * @param question - `parts`, powders with their grams; their sum above 0
 * @throws PotterError `emptyList` when there is no powder
 * @example
 * powderShares({ parts: [{ grams: 50, powder: { rawClay: 1, shrinkWeight: 1, loiPercent: 14 } }, { grams: 50, powder: { rawClay: 0, shrinkWeight: 0, loiPercent: 0 } }] })
 * // { rawClayShare: 50, shrinkShare: 50, loiPercent: 7 }
 */
export function powderShares({ parts }: { parts: readonly WeighedPowder[] }): PowderShares {
  const total = parts.reduce((sum, part) => sum + part.grams, 0);
  if (!(total > 0)) throw new PotterError('emptyList', 'parts', total, 'There is no powder yet: give at least one line a weight.');
  const share = (of: (powder: Powder) => number): number => parts.reduce((sum, part) => sum + part.grams * of(part.powder), 0) / total;
  return {
    rawClayShare: 100 * share((powder) => powder.rawClay),
    shrinkShare: 100 * share((powder) => powder.shrinkWeight),
    loiPercent: share((powder) => powder.loiPercent),
  };
}

/** Bentonite, percent of the other dry powder: more gels the bucket and shrinks as it dries. */
export const MOST_BENTONITE_PERCENT = 2;

/**
 * Returns the bentonite in a mixture, percent of the other dry powder.
 *
 * @param question - `parts`, powders with their grams
 * @example
 * bentonitePercent({ parts: [{ grams: 100, powder: { name: 'Silica', role: 'glass former', rawClay: 0 } }] }) // 0
 */
export function bentonitePercent({ parts }: { parts: readonly WeighedPowder[] }): number {
  const isBentonite = ({ role, rawClay }: Powder): boolean => role === 'suspender' && rawClay > 1;
  const sum = (of: readonly WeighedPowder[]): number => of.reduce((grams, part) => grams + part.grams, 0);
  const [inside, rest] = [parts.filter(({ powder }) => isBentonite(powder)), parts.filter(({ powder }) => !isBentonite(powder))];
  return sum(rest) > 0 ? (100 * sum(inside)) / sum(rest) : 0;
}

export type Suspension = 'hardPans' | 'settles' | 'holds';

/**
 * Returns how the powder stays up in the bucket. Raw clay under 5 % hard-pans, 5–10 % settles within the hour, from 10 % it holds. Under 10
 * %, frit and zircon over half of the rest make it one step worse. A rule of the bench.
 *
 * @param question - `parts`, powders with their grams; their sum above 0
 * @throws PotterError `emptyList` when there is no powder
 * @example
 * suspensionOf({ parts: [{ grams: 100, powder: { name: 'Kaolin', rawClay: 1, shrinkWeight: 1, loiPercent: 14 } }] }) // 'holds'
 */
export function suspensionOf({ parts }: { parts: readonly WeighedPowder[] }): Suspension {
  const { rawClayShare } = powderShares({ parts });
  if (rawClayShare >= 10) return 'holds';
  const nonClay = parts.filter((part) => part.powder.rawClay === 0);
  const nonClayGrams = nonClay.reduce((sum, part) => sum + part.grams, 0);
  const heavyGrams = nonClay.filter((part) => /^(frit|zirconium)/i.test(part.powder.name)).reduce((sum, part) => sum + part.grams, 0);
  const heavy = nonClayGrams > 0 && heavyGrams / nonClayGrams > 0.5;
  return rawClayShare < 5 || heavy ? 'hardPans' : 'settles';
}

export type DryCoat = 'powdery' | 'sound' | 'shrinks';

/**
 * Returns how the coat dries. A shrink share under 6 is powdery; over 25, or over 18 on a coat above 0.7 mm, it shrinks and cracks. A rule of
 * the bench.
 *
 * @param question - `shrinkShare`, per 100 g; `coatMm`, 0.5 when left out
 * @example
 * dryCoatOf({ shrinkShare: 20, coatMm: 0.8 }) // 'shrinks'
 */
export function dryCoatOf({ shrinkShare, coatMm = 0.5 }: { shrinkShare: number; coatMm?: number }): DryCoat {
  if (shrinkShare < 6) return 'powdery';
  return shrinkShare > 25 || (shrinkShare > 18 && coatMm > 0.7) ? 'shrinks' : 'sound';
}
