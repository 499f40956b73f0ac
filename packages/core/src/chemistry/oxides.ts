import { requireNotNegative } from '../checks/require';
import type { WeighedPowder } from '../powder/powder';

/** Molar masses, g/mol (IUPAC standard atomic weights). */
export const MOLAR_MASS = {
  SiO2: 60.084,
  Al2O3: 101.961,
  B2O3: 69.62,
  Fe2O3: 159.688,
  TiO2: 79.866,
  P2O5: 141.944,
  ZrO2: 123.222,
  SnO2: 150.708,
  K2O: 94.196,
  Na2O: 61.979,
  Li2O: 29.881,
  CaO: 56.077,
  MgO: 40.304,
  BaO: 153.326,
  SrO: 103.62,
  ZnO: 81.38,
  MnO: 70.937,
  CoO: 74.932,
  CuO: 79.545,
  Cr2O3: 151.99,
  NiO: 74.692,
} as const;

export type Oxide = keyof typeof MOLAR_MASS;
export type OxideGrams = Partial<Record<Oxide, number>>;

/** The fluxes whose sum is 1 in a unity formula. */
export const FLUXES: readonly Oxide[] = ['K2O', 'Na2O', 'Li2O', 'CaO', 'MgO', 'BaO', 'SrO', 'ZnO'];

export type Unity = Partial<Record<Oxide, number>>;
export type UnityAnswer = { kind: 'ok'; unity: Unity } | { kind: 'noFlux' };

/**
 * Returns the oxides in weighed powder, g, before firing. Oxides without a molar mass here are left out.
 *
 * @param question - `parts`, powders with their grams, 0 or more
 * @example
 * oxideGrams({ parts: [{ grams: 200, powder: { oxides: { SiO2: 60, Al2O3: 20 } } }] }) // { SiO2: 120, Al2O3: 40 }
 */
export function oxideGrams({ parts }: { parts: readonly WeighedPowder[] }): OxideGrams {
  const sum: OxideGrams = {};
  for (const { grams, powder } of parts) {
    for (const [oxide, percent] of Object.entries(powder.oxides)) {
      if (oxide in MOLAR_MASS) sum[oxide as Oxide] = (sum[oxide as Oxide] ?? 0) + (grams * percent) / 100;
    }
  }
  return sum;
}

/**
 * Returns the unity formula: moles of each oxide over the moles of the fluxes. Without a flux there is none.
 *
 * Source: Seger, 1886.
 *
 * @param question - `oxideGrams`, g, 0 or more
 * @throws PotterError for a negative amount
 * @example
 * unityFormula({ oxideGrams: { SiO2: 60.084, CaO: 56.077 } }) // { kind: 'ok', unity: { SiO2: 1, CaO: 1 } }
 */
export function unityFormula({ oxideGrams: grams }: { oxideGrams: OxideGrams }): UnityAnswer {
  const moles = Object.entries(grams)
    .filter(([oxide]) => oxide in MOLAR_MASS)
    .map(([oxide, value]) => [oxide as Oxide, requireNotNegative(oxide, value) / MOLAR_MASS[oxide as Oxide]] as const);
  const flux = moles.reduce((sum, [oxide, amount]) => (FLUXES.includes(oxide) ? sum + amount : sum), 0);
  if (flux <= 0) return { kind: 'noFlux' };
  return { kind: 'ok', unity: Object.fromEntries(moles.map(([oxide, amount]) => [oxide, amount / flux])) };
}

/**
 * Returns the unity formula itself, for callers that know a flux is there; empty without one.
 *
 * @param question - `oxideGrams`, g, 0 or more
 * @throws PotterError for a negative amount
 * @example
 * unity({ oxideGrams: { SiO2: 120.168, CaO: 56.077 } }) // { SiO2: 2, CaO: 1 }
 */
export function unity(question: { oxideGrams: OxideGrams }): Unity {
  const answer = unityFormula(question);
  return answer.kind === 'ok' ? answer.unity : {};
}
