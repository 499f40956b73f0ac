// Everything the core offers, by room. Listed by hand: what is not here is private.
export { PotterError, attempt, type RefusalCode, type Attempt } from './checks/potter-error';
export {
  fieldWords,
  requireNumber,
  requirePositive,
  requireNotNegative,
  SG_LIMITS,
  requireSg,
  requireDensity,
  requireThinnerThanPowder,
} from './checks/require';
export { readNumber, type NumberReading } from './units/read-number';
export { poundsAndOunces } from './units/pounds';
export { decimalsForDivision, formatFixed, formatSensible } from './units/round';
export {
  SG_SCALES,
  baumeFromSg,
  sgFromBaume,
  twaddellFromSg,
  ouncesPerPintFromSg,
  sgFromTwaddell,
  sgFromOuncesPerPint,
  sgFromScale,
  sgOnScale,
  type SgScale,
} from './units/sg-scales';
export {
  MASS_UNITS,
  VOLUME_UNITS,
  LENGTH_UNITS,
  toCanonical,
  fromCanonical,
  celsiusToFahrenheit,
  fahrenheitToCelsius,
  type MassUnit,
  type VolumeUnit,
  type LengthUnit,
  type Unit,
  type Entered,
} from './units/units';
export { dryGrams, waterGrams, solidsByMass, solidsByVolume, waterPerDryGram, type SlurryReading } from './slurry/contents';
export { FIRST_STAGE_SHARE, planCorrection, type CorrectionQuestion, type CorrectionPlan } from './slurry/correction-plan';
export { waterToThin, waterToPourOff, powderToThicken, slurryToBlend, waterLost, type SgChange } from './slurry/into-range';
export { measuredSg, measuredSgSd, type VesselReading } from './slurry/measured-sg';
export { sgOfMix, densityFromMix, densityOfPowders } from './slurry/mix';
export { powderShares, suspensionOf, dryCoatOf, type WeighedPowder, type PowderShares, type Suspension, type DryCoat } from './recipe/behaviour';
export { baseSum, additionSum, normaliseRecipe } from './recipe/normalise';
export { recipeDifference, type LineDifference } from './recipe/difference';
export { readRecipeText, type ReadLine, type UnreadLine } from './recipe/read-recipe-text';
export { recipeOutlook, type RecipeOutlook } from './recipe/outlook';
export { convertMix, type Conversion, type PresentPowder } from './recipe/convert';
export { labelWaterPerGram, type LabelRule } from './recipe/label-rule';
export { substitute, type Substitution, type OxideDifference, type SubstituteQuestion } from './recipe/substitute';
export { siblings, type Sibling } from './recipe/siblings';
export { resolveLines, recipeDensity } from './recipe/recipe-mix';
export { type Powder, type RecipeLine, type ResolvedLine } from './recipe/recipe';
export { planBatch, type BatchSize, type WaterRule, type BatchPlanLine, type BatchPlan, type BatchQuestion } from './weighing/batch-plan';
export { rescueOvershoot, type OvershootLine, type Rescue } from './weighing/overshoot';
export { LARGEST_WEIGHING_ERROR, lineOnScale, scaleFor, type LineOnScale, type ScaleLimits } from './weighing/scale-limits';
export { stockDilution, type StockDilution } from './weighing/stock-dilution';
export { closingCheck, allowedDifference, type ClosingCheck, type ClosingLine } from './weighing/closing-check';
export { shortage, type Shortage, type StockAnswer, type StockOfPowder } from './weighing/shortage';
export { batchCost, type BatchCost, type PricedLine } from './weighing/cost';
export { coatsOfPlan } from './weighing/coats-of-plan';
export { WASTE_SHARE, dryGramsForPieces, stayMl, type PiecesToCoat } from './weighing/for-pieces';
export { readScaleLine, type ScaleLine } from './scale/scale-line';
export { UNSETTLED, settle, type ScaleReading, type Settling } from './scale/settle';
export { pourTowards, toleranceGrams, type Pour } from './scale/pour';
export { weighOrder } from './weighing/weigh-order';
export { BATCH_CHECKS, type BatchCheck, type EventHead, type BatchEvent } from './batch/batch-events';
export { replayBatch, type BatchLineState, type BatchStep, type BatchState, type CheckDone } from './batch/replay-batch';
export { blendVolumes, type BlendQuestion } from './stain/blend';
export { MOST_STEPS, evenSteps, oneCupSeries, separateCupsSeries, blendSeries, type Series, type SeriesStep } from './stain/series';
export { seriesSheet, type SeriesQuestion, type SeriesSheet } from './stain/series-sheet';
export { ladder, type Ladder } from './stain/ladder';
export { USUAL_STAIN_PERCENT, baseDryGrams, stainForPercent, stainToRaise, baseToDilute } from './stain/percent';
export { waterToRestoreSg, type StainedBucket, type RestoredSg } from './stain/restore-sg';
export { DROP_KINDS, NAIL_LOOKS, type Additives, type BucketEvent, type BucketPart, type DropKind, type NailLook } from './bucket/bucket-events';
export { inBenchOrder, standingEvents, takenBack } from './bucket/event-order';
export { mixtureOf, toSnapshot, type BucketContents, type BucketReplay, type FeelNow } from './bucket/bucket-contents';
export { UNMEASURED_SG_SD, replayBucket } from './bucket/replay-bucket';
export { overdrawnGrams } from './bucket/overdrawn';
export { slurryStateFromSwirl } from './bucket/slurry-state';
export { bucketHistory, bucketStory, type BucketMoment, type BucketStory } from './bucket/bucket-history';
export { LEAST_SG_SD, againstEarlier, combineReadings, type AgainstEarlier, type CombinedReading, type SgReading } from './bucket/combine-readings';
export { bucketDrift, daysInRange, type DaysInRange, type Drift, type DriftAnswer } from './bucket/drift';
export { EVAPORATION_GUESS, exposureOf, type Lid } from './bucket/lid';
export { daysLeft, evaporatedSince, surfaceCm2, type Evaporated, type EvaporationBasis, type StandingBucket } from './bucket/evaporation';
export { brimMl, depthAtVolume, narrowestMm, surfaceCm2AtDepth, volumeAtDepth, type BucketShape } from './bucket/bucket-shape';
export { CLEARANCE_MM, dipReach, displacedMl, piecesCovered, pourNeedMl, type DipInBucket, type DipReach } from './bucket/dip-depth';
export { compareWithRecords, type RecordsComparison } from './bucket/compare-with-records';
export { rangeVerdict, type RangeVerdict } from './bucket/in-range';
export { DOSE_PERCENT, DROP_ML, GRAMS_PER_ML, dropDose, dropGrams, offeredDose, type DropDose, type KeptDose } from './bucket/drop-dose';
export { thinnestPoint, turningPoint, type ReadingAfter, type ThinnestPoint, type TurningPoint } from './bucket/response';
export { dropsCounted, type DropsCounted } from './bucket/drops-counted';
export { BENTONITE, GUM, planBentonite, planGum, type BentonitePlan, type GumPlan } from './bucket/suspenders';
export { stirringDue, stirringNeed, type StirringNeed } from './bucket/stirring';
export { washBefore, type ToolInBucket } from './bucket/washing';
export { solubleNames, suspensionRisk, weighedParts, type SuspensionRisk } from './bucket/weighed-parts';
export { mergedContents } from './bucket/merged-contents';
export {
  FEEL_KINDS,
  WITH_THICKNESS,
  feelReading,
  feelVerdict,
  valueOf as feelValue,
  type FeelKind,
  type FeelRanges,
  type FeelVerdict,
} from './feel/feel-readings';
export { feelAndSg, feelPairs, type FeelAndSg, type FeelPair } from './feel/feel-and-sg';
export { LEAST_FIT_POINTS, monotoneFit, predictFromFit, type FitAnswer, type FitPoint, type MonotoneFit } from './feel/monotone-fit';
export {
  SETTLING_MINUTES,
  twoTargets,
  correctionOptions,
  type OtherBucket,
  type Correction,
  type Thickness,
  type TwoTargets,
  type CorrectionObstacle,
  type CorrectionOptions,
  type CorrectionOptionsQuestion,
} from './slurry/correction-options';
export { splitBucket, type PouredOut } from './bucket/split-bucket';
export { cakeFactor, unlimitedCakeMm, type CakeQuestion } from './coat/cake';
export { PRIOR_KNOWLEDGE, PRIOR_LN_SD, type CoatBasis, type CoatKnowledge } from './coat/knowledge';
export { coatOfReading, type CoatReading } from './learning/coat-reading';
export { OUTLIER_SDS, knowledgeOf, learnCoats, type CoatLearning, type CoatObservation, type WallObservation } from './learning/coat-learning';
export { coverageOf, type Coverage } from './learning/coverage';
export { normalShareBelow, windowChances, windowVerdict, type CoatWindow, type WindowVerdict } from './coat/coat-window';
export { equalCoats, labelCoats, type ContactMethod, type EqualCoat, type CoatMethod } from './coat/equal-coats';
export { PASS_METHODS, type PassMethod } from './coat/pass-methods';
export { passCoatOf, type PassCoat, type PassReading } from './learning/pass-coats';
export { readThirstTest, type Thirst, type ThirstTest } from './learning/thirst-test';
export { BUSINESS_CARD_MM, coatCompared, type CoatCompared } from './coat/coat-compared';
export { glazeUse, type GlazeUse, type GlazeUseRow } from './coat/glaze-use';
export { planStepTile, type StepTilePlan, type StepTileStrip, type TileMethod } from './coat/step-tile';
export { windowFromLooks, type CoatLook, type WindowFromLooks } from './coat/window-from-looks';
export {
  NOTHING_ON_SCALE,
  answerAsked,
  readBucketScale,
  overnightWater,
  type Asked,
  type BucketOnScale,
  type OvernightWater,
  type ScaleDip,
} from './scale/bucket-on-scale';
export { BEAT_MS, COUNT_IN_BEATS, READY_TIMER, pressTimer, timerAt, timerShows, withoutLastDip, type DipTimer } from './coat/dip-timer';
export { coatCurve, type CoatCurvePoint } from './coat/coat-curve';
export { TOO_THICK_SHARE, dipCoat, roomMm, filmCoatMm, checkDip, type Dip, type DipCoat } from './coat/dip-coat';
export { coatFromWetGain, coatFromDryGain, MELT_DENSITY, meltedMm } from './coat/from-weight';
export {
  STATE_GUESSES,
  BODY_DENSITY,
  EIGHTY_PERCENT_Z,
  LONGEST_DIP_SECONDS,
  coatPredictor,
  predictCoat,
  predictSeconds,
  type BucketState,
  type CoatSituation,
  type CoatPrediction,
} from './coat/predict';
export { secondsForCoat, type SecondsForCoat, type WantedCoat } from './coat/seconds-for-coat';
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
} from './coat/wall-water';
export { sgForCoat, type SgForCoat } from './coat/sg-for-coat';
export { TOO_THICK_CELL, coatMap, type CoatMap, type CoatMapQuestion } from './coat/coat-map';
export {
  FLAKE_DIFFERENCE,
  dryCoatAdvice,
  flakesOff,
  type CrackRemedy,
  type DryCoatAdvice,
  type DryCoatQuestion,
  type DryFault,
} from './coat/crack-advice';
export { CAKE_SUCTION_GUESS, WALL_SUCTION_BY_CONE, effectiveSuction, wallSuctionGuess, absorptionGuessPercent, wallCapacityMm } from './coat/suction';
export { areaCm2, volumeMl, profileBetween, type ProfilePoint } from './geometry/profile';
export { curveThrough } from './geometry/curve-through';
export { FORM_LIMITS, formFault, type FormFault } from './geometry/check-form';
export {
  bowMm,
  gripAreaCm2,
  gripCount,
  gripMl,
  shapeFromForm,
  tallMm,
  widestMm,
  type FootKind,
  type FormPoint,
  type Grip,
  type PieceForm,
  type PieceShape,
} from './geometry/piece-form';
export { edgeDipMm, edgeOffsetMm, STRAIGHT, type EdgeLine } from './layering/edge-line';
export { areasOf, FOOT_ZONE_MM, isZone, placeWords, roundShare, type PlannedArea } from './layering/areas';
export { NARROWEST_ZONE_MM, planFault } from './layering/check-plan';
export { formOf, insideProfile, PIECE_FORMS, PIECE_SHAPES, shapeOf, type NamedForm } from './geometry/shapes';
export { bandRunMm, flowFromRun } from './melt/band';
export { CONES, coneCelsius, isCone } from './melt/cones';
export { FLOW_ACTIVATION, REFERENCE_FIRING, heatWorkHours, flowRatio, coneReached, type FiringPoint, type ConeReached } from './melt/heat-work';
export { firingFromPeak, peakForCone } from './melt/simple-firing';
export { OPEN_BELOW_CELSIUS, kilnNow, celsiusAt, type KilnNow } from './melt/kiln-now';
export { flowGuess, flowFromWord, movementWord, type FlowGuess, type MovementWord } from './chemistry/flow-guess';
export { MOLAR_MASS, oxideGrams, unityFormula, unity, type Oxide, type OxideGrams, type Unity, type UnityAnswer } from './chemistry/oxides';
export { glazeFacts, lightnessOf, type GlazeSource } from './layering/glaze-facts';
export { orderWarnings, type OrderQuestion } from './layering/order-rules';
export { precedencesOf, safeOrder, chosenOrder, outerStacks, type Precedence } from './layering/order';
export {
  ZONES,
  APPLICATION_METHODS,
  COATING_KINDS,
  KILN_SETTINGS,
  PLAN_CHANGES,
  MOST_LAYERS,
  MOST_MASKS,
  MOST_STRIPS,
  layersOf,
  rimIsApart,
  coatingKindOf,
  withLayers,
  type FootBy,
  type KilnSetting,
  type Mask,
  type UnwantedStep,
  type PlanChange,
  type DecoratingColour,
  type Strip,
  type CoatingKind,
  type Turn,
  type Zone,
  type ApplicationMethod,
  type Layer,
  type PiecePlan,
  type GlazeFacts,
  type BodyFacts,
} from './layering/piece-plan';
export { PIECE_RULES, SHELF_MARGIN_MM, pieceWarnings, outsideRun, type OutsideRun, type PieceQuestion, type PieceRule } from './layering/piece-rules';
export { SEAT_MASK_ID, USUAL_CONE } from './layering/rules/kiln';
export { OVERLAP_OMEGA, STUCK_MM, stackFlow, stackRun, type MeltedLayer } from './layering/stack-flow';
export { BRUSH_COAT_MM, timeSteps, type TimedStep } from './layering/step-times';
export { LABOR_SECONDS, WAIT_MINUTES, planAfter, STEP_KINDS, stepsOf, type StepKind, type PieceStep } from './layering/steps';
export { MOST_WARNINGS_SHOWN, sortWarnings, type Severity, type Warning, type PlanFix } from './layering/warnings';
export { type DayStep, type DayItem, type DayEvent } from './day/day-plan';
export { cautionFor, dayItemFromPiece, stepWords, type PieceForDay } from './day/item-from-piece';
export { replayDay, type DayStepState, type Drying, type DayState } from './day/replay-day';
export { BUCKET_CHANGE_MINUTES, scheduleDay, type Scheduled, type ScheduleQuestion } from './day/schedule';
export { whatNow, type StudioNow, type NowItem } from './now/what-now';
export { LONGEST_CELL_MM, uprightStrip, wallStrip, type WallStrip, type PathPoint } from './run/wall-strip';
export { alongTo, heightAlong } from './run/strip-heights';
export { EDGE_SHARE, type RunLayer, type RunMoment } from './run/film';
export { STUCK_FILM_MM, solveRun, type RunAnswer, type RunQuestion } from './run/run-solver';
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
} from './run/piece-run';
export { gathersIn, heldMm, type Texture } from './run/wall-texture';
export { runPath, type RunSide } from './run/run-path';
export { chanceBeyond, coatScaleFor, lnToReach, quickBand, quickFront, quickRun, type QuickBand, type QuickRun } from './run/quick-run';
export { COAT_LN_SD, KILN_LN_SD, drawRuns, seededUniform, joinDraws, runChances, type DrawnRuns, type RunChances } from './run/draw-runs';
export { leadsToShelf, SAFE_CHANCE, safeLine, startForEdge, type SafeLine, type SafeLineQuestion } from './run/safe-line';
export { CHANGE_MINUTES, WASH_MINUTES, changeMinutes, cheapestOrder, type FoundOrder, type OrderToFind } from './layering/cheapest-order';
export { isStep } from './layering/plan-changes';
export { type AlternativesQuestion } from './layering/alternatives-question';
export { planAlternatives, type PlanRisk, type PlanAlternative } from './layering/plan-alternatives';
export { combinationsOf, currentVariations, spreadVariations, variedPlan, type Variation, type Variations } from './layering/variations';
export { glazeNeeded, type GlazeNeeded } from './layering/glaze-needed';
export { COOLINGS, flowInFiring, SHELF_PLACES, USUAL_HOLD_MINUTES, type Cooling, type FiringAsked, type ShelfPlace } from './melt/kiln-place';
export { flowOfReading, learnFlow, learnPairs, narrowsTo, RUN_LN_SD, type RunReading } from './learning/run-learning';
export { FOOT_LN_SD, footToTell, learnFromFeet, type FootSeen } from './learning/foot-evidence';
