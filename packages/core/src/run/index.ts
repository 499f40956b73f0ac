export { COAT_LN_SD, KILN_LN_SD, drawRuns, joinDraws, runChances, SHELF_MARGIN_MM, type DrawnRuns, type RunChances } from './draw-runs';
export { EDGE_SHARE, type RunLayer, type RunMoment } from './film';
export {
  overlapOf,
  pairFlow,
  runLayers,
  sideKey,
  sidesToRun,
  sideToRun,
  type PairFlow,
  type PieceRunQuestion,
  type PlannedLayer,
  type SideQuestion,
  type SideToRun,
} from './piece-run';
export { chanceBeyond, coatScaleFor, lnToReach, quickBand, quickFront, quickRun, quickRuns, type QuickBand, type QuickRun } from './quick-run';
export { runPath, type RunSide } from './run-path';
export { STUCK_FILM_MM, solveRun, type RunAnswer, type RunQuestion } from './run-solver';
export { coatRisk, type CoatRisk } from './coat-risk';
export { SAFE_CHANCE } from './safe-chance';
export { safeCoatShare, withSafeCoats } from './safe-coats';
export { placeEdges, startForPlaceEdge, withEdgeStart, type PlaceEdge } from './place-edge';
export { quickSafeLine, safeLine, startForEdge, type SafeLine } from './safe-line';
export { drawnForecast, forecastFrom, isHarmful, quickForecast, worstSide, type RunForecast, type SideForecast } from './run-forecast';
export { drawAll, drawFilm, drawFilms, FILMS, FORECAST_DRAWS, KILNS_PER_FILM } from './film-draws';
export { poolDepthMm } from './pool-depth';
export { firingRatioOf } from './firing-of-plan';
export { OVERLAP_OMEGA } from './overlap-omega';
export { alongTo, heightAlong } from './strip-heights';
export { LONGEST_CELL_MM, uprightStrip, wallStrip, type WallStrip, type PathPoint } from './wall-strip';
export { gathersIn, heldMm } from './wall-texture';
export { coatsForEdge, type CoatsForEdge } from './coats-for-edge';
