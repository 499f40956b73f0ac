export { planBatch, type BatchSize, type WaterRule, type BatchPlan, type BatchQuestion } from './batch-plan';
export { closingCheck, allowedDifference, type ClosingCheck, type ClosingLine } from './closing-check';
export { coatsOfPlan } from './coats-of-plan';
export { batchCost, type BatchCost, type PricedLine } from './cost';
export { dryGramsForPieces, stayMl, type PiecesToCoat } from './for-pieces';
export { glazeUse, type GlazeUse, type GlazeUseRow } from './glaze-use';
export { rescueOvershoot, type OvershootLine, type Rescue } from './overshoot';
export {
  LARGEST_WEIGHING_ERROR,
  inPanBefore,
  lineOnScale,
  scaleFor,
  scaleForLine,
  type BatchPan,
  type LineOnScale,
  type ScaleLimits,
} from './scale-limits';
export { shortage, type Shortage, type StockAnswer, type StockOfPowder } from './shortage';
export { stockDilution, type StockDilution } from './stock-dilution';
export { weighOrder } from './weigh-order';
export { type BatchPlanLine } from './batch-plan-line';
export { powderOrder, type OrderLine } from './powder-order';
