/** What a powder is, as the core needs it. Oxides are percent by weight of the raw powder. */
export interface Powder {
  id: string;
  name: string;
  role: string;
  densityGMl: number;
  rawClay: number;
  shrinkWeight: number;
  oxides: Record<string, number>;
  loiPercent: number;
  sieveMesh?: number | undefined;
  hazards: string[];
}

export interface WeighedPowder {
  grams: number;
  powder: Powder;
}
