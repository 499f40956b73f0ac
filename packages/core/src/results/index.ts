export { FIRED_FAULTS, REACH_CAUSES, type FaultRecord, type FiredFault, type ReachCause } from './fault-record';
export { CAUSES_OF_FAULTS, evidenceOf, type CauseOfFault } from './cause-table';
export { causesOfFault, strengthKey, type CauseStrengths, type FaultCauses, type LikelyCause } from './fault-causes';
export { learntStrengths, type JudgedPiece } from './learnt-strengths';
export { batchRecord, benchRecord, bucketAtCoat, type BenchRecord, type BucketRecord } from './bench-record';
export { benchEvidence, type BenchQuestion, type FiredStep } from './bench-evidence';
export { formEvidence, type FormQuestion } from './form-evidence';
export { coatDoneMm, coatOfLayer, firedCoats, layersAt, type FaultPlace, type FiredCoat } from './fired-coat';
export { lookOfResult, looksOfTile, type FiredResult, type FiredStrip } from './fired-looks';
export { firedRuns, withFiredRuns, type FiredRun, type FiredRuns, type MeasuredPiece } from './fired-runs';
export { learnFromFired } from './learn-from-fired';
export { colourDifference, colourNearness, greyGains, mainColours, type LinearRgb, type Oklab, type PhotoColour } from './photo-colours';
export { recordOfPiece, type GlazedPiece } from './piece-record';
export { coatCausesOf, coatTimesOf, factsOfPiece, type CoatCauses } from './changes/change-facts';
export {
  FAULT_DEGREES,
  isOfOpening,
  replayOpening,
  type FaultDegree,
  type OpeningEvent,
  type OpeningStanding,
  type OtherVerdict,
  type PieceReading,
  type SeenFault,
  type StripLook,
  type TileReading,
  type Verdict,
} from './kiln-opening';
export { CHANGE_KINDS, CHANGES, type ChangedThing, type ChangeKind, type ResultChange } from './changes/result-change';
export { bestFirst, changesFor, type ChangeFacts } from './changes/one-change';
export { windowChange, type WindowQuestion } from './changes/window-change';
export { edgeDoneMm, runCauses, thinnerCoats, type RunCauses, type RunDone } from './changes/run-changes';
export { planWithChange, scheduleWithChange } from './changes/make-change';
export { changeOutcome, helpedBefore, type ChangeOutcome, type MadeChange, type TriedPiece } from './changes/change-outcome';
