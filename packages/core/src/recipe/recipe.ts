import type { Powder } from '../powder/powder';

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
