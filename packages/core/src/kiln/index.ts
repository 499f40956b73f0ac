export { heightShareOf, type KilnChamber, type KilnShelf, type ShelfWitness } from './kiln';
export { shelfOffsetCelsius, shiftedFiring, type WitnessReading } from './shelf-offset';
export { learntOffsets, type KilnOffsets, type OffsetReading, type ShelfOffset } from './learnt-offsets';
export { kilnOffsets, shelfCones, type KilnPlaces, type ShelfCone, type WitnessedFiring } from './shelf-cones';
export {
  areaShare,
  gapBetween,
  PIECE_GAP_MM,
  RUNNER_GAP_MM,
  SHELF_ROOM_MM,
  type Footprint,
  type KeptFree,
  type LoadPiece,
  type ShelfOutline,
  type StandingPiece,
} from './load/load-piece';
export { packShelf, USUAL_EFFORT } from './load/pack-shelf';
export { type PackingEffort } from './load/shelf-packing';
export { LEFT_OUT_WHY, planLoad, whyNever, type KilnLoad } from './load/plan-load';
export { ELEMENT_GAP_MM, kilnToLoad, lowestShelfMm, USUAL_SHELF_MM, type KilnCard, type KilnToLoad } from './load/kiln-to-load';
export { SHELF_SIDES, stackShelves, tallestMm, type LoadShelf, type ShelfSide, type StackedShelf } from './load/stack-shelves';
export { warmestOrder } from './load/warmest-order';
export { checkLoad, fitsAt, keptFreeOn, type LoadFault } from './load/check-load';
export { apartMm, halfSizeMm, offSpotMm, withinEdgeMm, type PlacedPiece } from './load/shelf-geometry';
export { nearestPlace, placeOn, placeRest, type RestPlaced } from './load/place-rest';
export { loadPieceId, loadPieces, lotIdOf, type LoadLot } from './load/load-lot';
export { replayLoad, type LoadEvent, type LoadLotChange, type LoadStanding } from './load/replay-load';
export { lotFromItem, readyForKiln, type ReadyForKiln } from './load/lot-from-item';
export { kilnWarnings } from './load/kiln-warnings';
export { hoursToCool, scheduleCurve, USUAL_PACE, type FiringSchedule, type FiringSegment, type KilnPace } from './firing/schedule';
export { fullnessFactor, heatAfter, kilnModel, storedJoule, type KilnHeat, type KilnModel, type KilnToModel } from './firing/kiln-model';
export { SimulatedKiln, type KilnReading, type KilnTrouble, type TroubleSpan } from './firing/simulated-kiln';
export { coolingHoursOf } from './firing/cooling-pace';
export { foretellFiring, type FiringForetold } from './firing/foretell-firing';
export { firingProgress, type FiringProgress, type FiringTrouble } from './firing/firing-progress';
export { GAP_SECONDS, type LogReading } from './log/log-reading';
export { readControllerLine, type ControllerLine, type LineTime } from './log/controller-line';
export { cleanLog, type CleanLog, type DroppedReading } from './log/clean-log';
export { LINE_CELSIUS, thinLog } from './log/thin-log';
export { curveFromLog, type LoggedCurve } from './log/curve-from-log';
export { unreadBounds, type UnreadBounds } from './log/unread-bounds';
export { reviewFiring, type FiringDifference } from './log/review-firing';
export { logFromTable, type LogFromTable, type LogTableChoices } from './log/log-from-table';
export { type LogColumns } from './log/log-columns';
export { type LogTimeUnit } from './log/log-times';
export { learntPace, type LearntPace, type LoggedFiring } from './log/learnt-pace';
export { firedEnergy, hoursAtFullPower, type FiredEnergy, type MeterReading } from './log/fired-energy';
export { EMPTY_LOG, grownLog, type GrowingLog } from './log/growing-log';
export { timeOfLine, type TimeOfLine } from './log/time-of-line';
export { disputedBy, mergedReadings } from './log/merged-readings';
export { learntEnergy, type EnergyFiring, type LearntEnergy } from './log/learnt-energy';
export { nearPeakMinutes } from './log/curve-times';
export { firingRates, type FiringRates } from './log/firing-rates';
