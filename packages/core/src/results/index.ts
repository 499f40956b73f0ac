export { FIRED_FAULTS, REACH_CAUSES, type FaultRecord, type FiredFault, type ReachCause } from './fault-record';
export { CAUSES_OF_FAULTS, evidenceOf, type CauseOfFault } from './cause-table';
export { causesOfFault, strengthKey, type CauseStrengths, type FaultCauses, type LikelyCause } from './fault-causes';
export { learntStrengths, type JudgedPiece } from './learnt-strengths';
export { recordOfPiece, type FiredCoat, type FaultPlace, type GlazedPiece } from './piece-record';
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
  type Verdict,
} from './kiln-opening';
