import { requireNotNegative } from '../checks/require';
import type { Oxide, Unity } from './oxides';

/** How much a glass expands. */
export interface GlassExpansion {
  /** Mean of 20 to 400 °C, 10⁻⁶ per K. */
  expansion: number;
  /** The glass lies outside those that the factors were taken from: the figure says little. */
  isOutside: boolean;
}

/** Factors of the oxides, 10⁻⁷ per K for a mole fraction of 1. Silica, titania and boron depend on the rest of the glass. */
const FACTORS: Readonly<Partial<Record<Oxide, number>>> = {
  Al2O3: -30,
  P2O5: 140,
  ZrO2: -60,
  SnO2: -45,
  K2O: 465,
  Na2O: 395,
  Li2O: 270,
  CaO: 130,
  MgO: 60,
  BaO: 200,
  SrO: 160,
  ZnO: 50,
  MnO: 105,
  CoO: 50,
  CuO: 30,
  NiO: 50,
  // As two of FeO.
  Fe2O3: 110,
};
/** How far a flux helps boron to hold four oxygens, which draws the glass together. */
const TO_BORON: Readonly<Partial<Record<Oxide, number>>> = {
  Na2O: 1,
  K2O: 1,
  BaO: 1,
  CaO: 0.7,
  SrO: 0.7,
  Li2O: 0.3,
  MgO: 0.3,
  ZnO: 0.3,
  Al2O3: -1,
};
/** Mole percent of silica between which the factors were taken. */
const SILICA = { least: 45, most: 85 } as const;
const SILICA_FACTOR = 38;
/** From so much silica on, mole percent, each percent of it counts less. */
const MUCH_SILICA = 67;
/** More white oxides than this, mole percent, do not melt: they stay in it as crystals. */
const MOST_WHITE = 4;

/**
 * Returns how much a glaze expands as it warms, were it all glass. It is a hint: crystals, and what does not melt, expand otherwise; a test in boiling
 * and freezing water is the answer. Without silica or a melter there is no glass.
 *
 * Source: the additive factors for silicate glasses published in 1949, by mole fraction; chrome has none and is left out, iron counts as FeO.
 *
 * @param question - `moles` of the fired oxides, in any unit, 0 or more
 * @throws PotterError for a negative amount
 * @example
 * Math.round(10 * glassExpansion({ moles: { SiO2: 1.348, B2O3: 0.187, Na2O: 0.0645, Al2O3: 0.0196 } }).expansion) // 33
 */
export function glassExpansion({ moles }: { moles: Unity }): GlassExpansion | undefined {
  const factors = expansionFactors({ moles });
  if (!factors) return undefined;
  const { silicaPercent, total, of } = factors;
  const whitePercent = (100 * ((moles.ZrO2 ?? 0) + (moles.SnO2 ?? 0))) / total;
  const sum = Object.entries(moles).reduce((all, [oxide, amount]) => all + amount * (of[oxide as Oxide] ?? 0), 0);
  return {
    expansion: sum / total / 10,
    isOutside: silicaPercent < SILICA.least || silicaPercent > SILICA.most || whitePercent > MOST_WHITE,
  };
}

/**
 * Returns the factor of each oxide in a glass, 10⁻⁷ per K for a mole fraction of 1, and its moles; undefined where it is no glass.
 *
 * @param question - `moles` of the fired oxides, 0 or more
 * @throws PotterError for a negative amount
 * @example
 * expansionFactors({ moles: { SiO2: 3, CaO: 1 } }).of.SiO2 // 30
 */
export function expansionFactors({
  moles,
}: {
  moles: Unity;
}): { of: Partial<Record<Oxide, number>>; total: number; silicaPercent: number } | undefined {
  const told = Object.entries(moles) as [Oxide, number][];
  for (const [oxide, amount] of told) requireNotNegative(oxide, amount);
  const total = told.reduce((sum, [oxide, amount]) => (oxide === 'Cr2O3' ? sum : sum + amount), 0);
  const [silica, boron] = [moles.SiO2 ?? 0, moles.B2O3 ?? 0];
  const melters = told.reduce((sum, [oxide, amount]) => sum + amount * Math.max(0, TO_BORON[oxide] ?? 0), 0);
  if (silica <= 0 || melters <= 0) return undefined;
  const silicaPercent = (100 * silica) / total;
  const toBoron = told.reduce((sum, [oxide, amount]) => sum + amount * (TO_BORON[oxide] ?? 0), 0);
  const share = boron > 0 ? Math.min(4, Math.max(0, toBoron / boron)) : 4;
  return {
    total,
    silicaPercent,
    of: {
      ...FACTORS,
      SiO2: SILICA_FACTOR - Math.max(0, silicaPercent - MUCH_SILICA),
      TiO2: 30 - 1.5 * (Math.min(80, Math.max(50, silicaPercent)) - 50),
      B2O3: 12.5 * (4 - share) - 50,
    },
  };
}
