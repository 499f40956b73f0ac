export { FIRED_FAULTS, REACH_CAUSES, type FaultRecord, type FiredFault, type ReachCause } from './fault-record';
export { CAUSES_OF_FAULTS, evidenceOf, type CauseOfFault } from './cause-table';
export { causesOfFault, strengthKey, type CauseStrengths, type FaultCauses, type LikelyCause } from './fault-causes';
export { learntStrengths, type JudgedPiece } from './learnt-strengths';
export { recordOfPiece, type FiredCoat, type FaultPlace, type GlazedPiece } from './piece-record';
