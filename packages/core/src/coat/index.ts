export { APPLICATION_METHODS, type ApplicationMethod, WASTE_SHARE } from './methods/application-method';
export { cakeFactor, unlimitedCakeMm, type CakeQuestion } from './prediction/cake';
export { BUSINESS_CARD_MM, coatCompared, type CoatCompared } from './prediction/coat-compared';
export { coatCurve, type CoatCurvePoint } from './prediction/coat-curve';
export { TOO_THICK_CELL, coatMap, type CoatMap, type CoatMapQuestion } from './prediction/coat-map';
export { windowChances, windowVerdict, type CoatWindow, type WindowVerdict } from './window/coat-window';
export {
  FLAKE_DIFFERENCE,
  dryCoatAdvice,
  flakesOff,
  type CrackRemedy,
  type DryCoatAdvice,
  type DryCoatQuestion,
  type DryFault,
} from './drying/crack-advice';
export { TOO_THICK_SHARE, dipCoat, roomMm, filmCoatMm, checkDip, type Dip, type DipCoat } from './prediction/dip-coat';
export { BEAT_MS, COUNT_IN_BEATS, READY_TIMER, pressTimer, timerAt, timerShows, withoutLastDip, type DipTimer } from './methods/dip-timer';
export { equalCoats, labelCoats, type ContactMethod, type EqualCoat, type CoatMethod } from './methods/equal-coats';
export { coatFromWetGain, coatFromDryGain, MELT_DENSITY, meltedMm } from './weight/from-weight';
export { PRIOR_KNOWLEDGE, PRIOR_LN_SD, type CoatBasis, type CoatKnowledge } from './prediction/knowledge';
export { passCoatOf, type PassCoat, type PassReading } from './methods/pass-coats';
export { PASS_METHODS, type PassMethod } from './methods/pass-methods';
export { LONGEST_DIP_SECONDS, coatPredictor, predictCoat, predictSeconds, type CoatSituation, type CoatPrediction } from './prediction/predict';
export { secondsForCoat, type SecondsForCoat, type WantedCoat } from './prediction/seconds-for-coat';
export { sgForCoat, type SgForCoat } from './prediction/sg-for-coat';
export { STATE_GUESSES, BODY_DENSITY } from './prediction/state-guesses';
export { planStepTile, type StepTilePlan, type StepTileStrip, type TileMethod } from './tile/step-tile';
export {
  CAKE_SUCTION_GUESS,
  WALL_SUCTION_BY_CONE,
  effectiveSuction,
  wallSuctionGuess,
  absorptionGuessPercent,
  wallCapacityMm,
} from './prediction/suction';
export {
  AIR_FACTORS,
  DRY_THROUGH_HOURS,
  EVAPORATION_MM_PER_HOUR,
  THIRST_BACK_MINUTES,
  WIPE_WATER_MM,
  coated,
  dryWall,
  faceNow,
  waited,
  wallUsed,
  wetted,
  type Air,
  type Face,
  type FaceState,
  type PieceWall,
  type WallState,
} from './wall/wall-state';
export { windowFromLooks, type CoatLook, type WindowFromLooks } from './window/window-from-looks';
export { dryGramsOfCoat, wetGramsOfCoat, type CoatOnArea } from './weight/glaze-in-coat';
export { waitForCoat, type WaitForCoat } from './wall/wait-for-coat';
export { wallAfter, type PieceTreatment } from './wall/wall-treatments';
export { SHORTEST_SECONDS, tooShortForHands, type ShortestTime } from './methods/shortest-time';
export { ALIKE_SHARE, matchingDip, MEASURE_EVERY, type Matching } from './prediction/matching';
