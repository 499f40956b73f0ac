export interface BatchPlanLine {
  lineId: string;
  powderId: string;
  name: string;
  part: 'base' | 'addition';
  density: number;
  targetGrams: number;
  sieveMesh?: number | undefined;
  hazards: string[];
}
