export { bisect, bisectWhole, type Bracket } from './bisect';
export { BorderedBlocks, inverseOf, solveWith, type BorderedInverse, type Meetings } from './bordered-blocks';
export { maximumAPosteriori, type MaximumAPosteriori, type Posterior } from './maximum-a-posteriori';
export { LEAST_FIT_POINTS, monotoneFit, predictFromFit, type FitAnswer, type FitPoint, type MonotoneFit } from './monotone-fit';
export { nearExp } from './near-exp';
export {
  combineEstimates,
  EIGHTY_PERCENT_Z,
  NINETY_FIVE_PERCENT_Z,
  normalDensity,
  normalDraw,
  normalHazard,
  normalSdsBelow,
  normalShareBelow,
  type NormalEstimate,
} from './normal';
export { normalInterval } from './normal-interval';
export { simpson } from './quadrature';
export { seededUniform } from './seeded-uniform';
