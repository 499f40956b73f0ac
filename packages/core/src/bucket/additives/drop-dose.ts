import { requireNotNegative, requirePositive } from '../../checks/require';
import type { DropKind } from '../events/bucket-events';

export const DROP_ML = 0.05;
/** What counts in one mL of the bottle, g: Epsom salts (heptahydrate) in a saturated brine; liquid silicate as it is bought. */
export const GRAMS_PER_ML: Readonly<Record<DropKind, number>> = { epsom: 0.69, silicate: 1.4 };
/** A drop of saturated Epsom brine counts as 0.035 g, a drop of silicate as 0.05 mL of it. */
const GRAMS_PER_DROP: Readonly<Record<DropKind, number>> = { epsom: 0.035, silicate: DROP_ML * GRAMS_PER_ML.silicate };
/** Percent of the dry glaze: where it usually works, and where more makes it worse. */
export const DOSE_PERCENT: Readonly<Record<DropKind, { least: number; most: number; ceiling: number }>> = {
  epsom: { least: 0.05, most: 0.2, ceiling: 0.3 },
  silicate: { least: 0.1, most: 0.3, ceiling: 0.4 },
};
/** Above this many drops a syringe is quicker and surer. */
const DROPS_BY_SYRINGE = 30;

/**
 * Returns the grams of salts or silicate in so many drops.
 *
 * @param question - `drops`, 0 or more; `of`, which solution
 * @throws PotterError for fewer than 0 drops
 * @example
 * dropGrams({ drops: 20, of: 'epsom' }) // 0.7
 */
export const dropGrams = ({ drops, of }: { drops: number; of: DropKind }): number => requireNotNegative('drops', drops) * GRAMS_PER_DROP[of];

export interface DropDose {
  /** The same in drops, rounded. */
  drops: number;
  grams: number;
  millilitres: number;
  /** Of the dry glaze. */
  percent: number;
  zone: 'little' | 'usual' | 'much' | 'ceiling';
  /** Drops left before the most. */
  dropsLeft: number;
  bySyringe: boolean;
}

/**
 * Returns what is in a bucket of salts or silicate, and where that stands to the usual dose and to the most.
 *
 * @param question - `grams`, 0 or more; `of`, which; `dryGrams` of glaze, above 0
 * @throws PotterError for what lies outside
 * @example
 * dropDose({ grams: 7.2, of: 'epsom', dryGrams: 7200 }).percent // 0.1
 */
export function dropDose({ grams, of, dryGrams }: { grams: number; of: DropKind; dryGrams: number }): DropDose {
  const percent = (100 * requireNotNegative('drops', grams)) / requirePositive('dryGrams', dryGrams);
  const { least, most, ceiling } = DOSE_PERCENT[of];
  const drops = grams / GRAMS_PER_DROP[of];
  return {
    drops: Math.round(drops),
    grams,
    millilitres: grams / GRAMS_PER_ML[of],
    percent,
    zone: percent >= ceiling - 1e-9 ? 'ceiling' : percent > most ? 'much' : percent >= least ? 'usual' : 'little',
    dropsLeft: Math.max(0, Math.floor((ceiling * dryGrams) / 100 / GRAMS_PER_DROP[of] - drops + 1e-6)),
    bySyringe: drops > DROPS_BY_SYRINGE,
  };
}

/** A dose that did well, kept with its glaze, g for each kg of dry powder. */
export interface KeptDose {
  of: DropKind;
  gramsPerDryKg: number;
}

/**
 * Returns the kept dose for another bucket, less what is in it already. It is never above the usual most.
 *
 * @param question - `kept`, a dose per kg of dry glaze; `dryGrams`, above 0; `insideGrams`, already in it
 * @throws PotterError for a bucket without dry glaze
 * @example
 * offeredDose({ kept: { of: 'epsom', gramsPerDryKg: 1 }, dryGrams: 5000, insideGrams: 2 }).grams // 3
 */
export function offeredDose({ kept, dryGrams, insideGrams }: { kept: KeptDose; dryGrams: number; insideGrams: number }): DropDose {
  requirePositive('dryGrams', dryGrams);
  const wanted = Math.min((kept.gramsPerDryKg * dryGrams) / 1000, (DOSE_PERCENT[kept.of].most * dryGrams) / 100);
  return dropDose({ grams: Math.max(0, wanted - insideGrams), of: kept.of, dryGrams });
}
