import type { LinePart } from '../recipe/recipe';

export interface BatchPlanLine {
  lineId: string;
  powderId: string;
  name: string;
  part: LinePart;
  density: number;
  targetGrams: number;
  sieveMesh?: number | undefined;
  hazards: string[];
}
