import { attempt, coatRisk, type CoatRisk, type PieceRunQuestion } from '@cazuela/core';

export interface CoatRiskJob {
  question: PieceRunQuestion;
  layerIds: readonly string[];
  ratio: number;
}

/** What one worker does; undefined where the plan cannot be run. */
export function doCoatRiskJob({ question, layerIds, ratio }: CoatRiskJob): CoatRisk | undefined {
  const made = attempt(() => coatRisk(question, layerIds, ratio));
  return made.kind === 'ok' ? made.value : undefined;
}
