import type { Powder } from '../powder/powder';

/** What a line belongs to. A stain is an addition whose percentage is told apart: it is raised, rescued and laddered. */
export const LINE_PARTS = ['base', 'addition', 'stain'] as const;
export type LinePart = (typeof LINE_PARTS)[number];

/** One line of a recipe. Base lines count to 100; additions and stains are percent over the base. */
export interface RecipeLine {
  id: string;
  powderId: string;
  part: LinePart;
  percent: number;
}

/** A recipe line with its powder looked up. */
export interface ResolvedLine {
  line: RecipeLine;
  powder: Powder;
}
