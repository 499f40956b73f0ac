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
  /** Further names that this studio has for it: lines and files that say them mean this powder. */
  aliases?: string[] | undefined;
}

export interface WeighedPowder {
  grams: number;
  powder: Powder;
}
