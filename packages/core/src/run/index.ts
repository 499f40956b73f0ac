export { COAT_LN_SD, KILN_LN_SD, drawRuns, joinDraws, runChances, type DrawnRuns, type RunChances } from './draw-runs';
export { EDGE_SHARE, type RunLayer, type RunMoment } from './film';
export {
  overlapOf,
  pairFlow,
  runLayers,
  sideKey,
  sidesToRun,
  sideToRun,
  type PairFlow,
  type PlannedLayer,
  type SideQuestion,
  type SideToRun,
} from './piece-run';
export { chanceBeyond, coatScaleFor, lnToReach, quickBand, quickFront, quickRun, type QuickBand, type QuickRun } from './quick-run';
export { runPath, type RunSide } from './run-path';
export { STUCK_FILM_MM, solveRun, type RunAnswer, type RunQuestion } from './run-solver';
export { leadsToShelf, SAFE_CHANCE, safeLine, startForEdge, type SafeLine, type SafeLineQuestion } from './safe-line';
export { OVERLAP_OMEGA, stackFlow, stackRun, type MeltedLayer } from './stack-flow';
export { alongTo, heightAlong } from './strip-heights';
export { LONGEST_CELL_MM, uprightStrip, wallStrip, type WallStrip, type PathPoint } from './wall-strip';
export { gathersIn, heldMm } from './wall-texture';
export { coatsForEdge, type CoatsForEdge } from './coats-for-edge';
