export { combinationKey, seenCombinations, type Combination } from './combination';
export { TEST_STATES, wallCells, type TestState, type WallCell, type WallTest } from './wall-cells';
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
