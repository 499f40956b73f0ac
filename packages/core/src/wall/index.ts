export { combinationKey, seenCoats, seenCombinations, type Combination, type SeenCoats } from './combination';
export { TEST_STATES, WALL_COATS, wallCells, type TestState, type WallCell, type WallCoat, type WallPart, type WallTest } from './wall-cells';
export {
  foretoldStars,
  nextTests,
  type GlazeToTest,
  type NextTest,
  type NextTestQuestion,
  type PlannedUse,
  type TestCell,
  type TestCost,
} from './next-test';
export { bucketNow, changedSince, planAgain, type KeptIn, type Keeper, type KeptGlaze, type SinceKept, type StudioSince } from './keeper';
export { compareSets, type ComparedPiece, type CompareSet } from './compare-sets';
