export { mixtureOf, sumGrams, toSnapshot, type BucketContents, type BucketReplay, type FeelNow } from './events/bucket-contents';
export { DROP_KINDS, NAIL_LOOKS, type Additives, type BucketEvent, type BucketPart, type DropKind, type NailLook } from './events/bucket-events';
export { bucketHistory, bucketStory, type BucketMoment, type BucketStory } from './events/bucket-history';
export { LEAST_SG_SD, againstEarlier, combineReadings, type AgainstEarlier, type CombinedReading, type SgReading } from './sg/combine-readings';
export { compareWithRecords, type RecordsComparison } from './sg/compare-with-records';
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
} from './sg/correction-options';
export { CLEARANCE_MM, dipReach, displacedMl, piecesCovered, pourNeedMl, type DipInBucket, type DipReach } from './inside/dip-depth';
export { bucketDrift, daysInRange, type DaysInRange, type Drift, type DriftAnswer } from './sg/drift';
export { DOSE_PERCENT, DROP_ML, GRAMS_PER_ML, dropDose, dropGrams, offeredDose, type DropDose, type KeptDose } from './additives/drop-dose';
export { dropsCounted, type DropsCounted } from './additives/drops-counted';
export { daysLeft, evaporatedSince, surfaceCm2, type Evaporated, type EvaporationBasis, type StandingBucket } from './care/evaporation';
export { rangeVerdict, type RangeVerdict } from './sg/in-range';
export { EVAPORATION_GUESS, exposureOf, type Lid, type StandingDays } from './care/lid';
export { mergedContents } from './events/merged-contents';
export { overdrawnGrams } from './events/overdrawn';
export { SAME_VISIT_MS, replayBucket } from './events/replay-bucket';
export { thinnestPoint, turningPoint, type ReadingAfter, type ThinnestPoint, type TurningPoint } from './additives/response';
export { splitBucket, type PouredOut } from './events/split-bucket';
export { stirringDue, stirringNeed, type StirringNeed } from './care/stirring';
export { BENTONITE, GUM, planBentonite, planGum, type BentonitePlan, type GumPlan } from './additives/suspenders';
export { washBefore, type ToolInBucket } from './care/washing';
export { solubleNames, suspensionRisk, weighedParts, type SuspensionRisk } from './events/weighed-parts';
export { bucketCover, coatSlurryMl, type BucketCover } from './inside/bucket-cover';
export { contentsIfMixed } from './inside/contents-if-mixed';
export { glazeIdOf, type GlazeInBucket } from './events/glaze-id';
export { withEarlier } from './sg/with-earlier';
