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

/** One line of a recipe. Base lines count to 100; additions are percent over the base. */
export interface RecipeLine {
  id: string;
  powderId: string;
  part: 'base' | 'addition';
  percent: number;
}

/** A recipe line with its powder looked up. */
export interface ResolvedLine {
  line: RecipeLine;
  powder: Powder;
}
