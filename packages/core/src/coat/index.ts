export { APPLICATION_METHODS, type ApplicationMethod, WASTE_SHARE } from './application-method';
export { cakeFactor, unlimitedCakeMm, type CakeQuestion } from './cake';
export { BUSINESS_CARD_MM, coatCompared, type CoatCompared } from './coat-compared';
export { coatCurve, type CoatCurvePoint } from './coat-curve';
export { TOO_THICK_CELL, coatMap, type CoatMap, type CoatMapQuestion } from './coat-map';
export { windowChances, windowVerdict, type CoatWindow, type WindowVerdict } from './coat-window';
export {
  FLAKE_DIFFERENCE,
  dryCoatAdvice,
  flakesOff,
  type CrackRemedy,
  type DryCoatAdvice,
  type DryCoatQuestion,
  type DryFault,
} from './crack-advice';
export { TOO_THICK_SHARE, dipCoat, roomMm, filmCoatMm, checkDip, type Dip, type DipCoat } from './dip-coat';
export { BEAT_MS, COUNT_IN_BEATS, READY_TIMER, pressTimer, timerAt, timerShows, withoutLastDip, type DipTimer } from './dip-timer';
export { equalCoats, labelCoats, type ContactMethod, type EqualCoat, type CoatMethod } from './equal-coats';
export { coatFromWetGain, coatFromDryGain, MELT_DENSITY, meltedMm } from './from-weight';
export { PRIOR_KNOWLEDGE, PRIOR_LN_SD, type CoatBasis, type CoatKnowledge } from './knowledge';
export { passCoatOf, type PassCoat, type PassReading } from './pass-coats';
export { PASS_METHODS, type PassMethod } from './pass-methods';
export { LONGEST_DIP_SECONDS, coatPredictor, predictCoat, predictSeconds, type CoatSituation, type CoatPrediction } from './predict';
export { secondsForCoat, type SecondsForCoat, type WantedCoat } from './seconds-for-coat';
export { sgForCoat, type SgForCoat } from './sg-for-coat';
export { STATE_GUESSES, BODY_DENSITY } from './state-guesses';
export { planStepTile, type StepTilePlan, type StepTileStrip, type TileMethod } from './step-tile';
export { CAKE_SUCTION_GUESS, WALL_SUCTION_BY_CONE, effectiveSuction, wallSuctionGuess, absorptionGuessPercent, wallCapacityMm } from './suction';
export {
  AIR_FACTORS,
  DRY_THROUGH_HOURS,
  EVAPORATION_MM_PER_HOUR,
  THIRST_BACK_MINUTES,
  WIPE_WATER_MM,
  coated,
  dryWall,
  faceNow,
  waitForCoat,
  waited,
  wallAfter,
  wallUsed,
  wetted,
  type Air,
  type Face,
  type FaceState,
  type PieceTreatment,
  type PieceWall,
  type WaitForCoat,
  type WallState,
} from './wall-water';
export { windowFromLooks, type CoatLook, type WindowFromLooks } from './window-from-looks';
export { dryGramsOfCoat, wetGramsOfCoat, type CoatOnArea } from './glaze-in-coat';
