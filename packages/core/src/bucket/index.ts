export { mixtureOf, toSnapshot, type BucketContents, type BucketReplay, type FeelNow } from './bucket-contents';
export { DROP_KINDS, NAIL_LOOKS, type Additives, type BucketEvent, type BucketPart, type DropKind, type NailLook } from './bucket-events';
export { bucketHistory, bucketStory, type BucketMoment, type BucketStory } from './bucket-history';
export { brimMl, depthAtVolume, narrowestMm, surfaceCm2AtDepth, volumeAtDepth, type BucketShape } from './bucket-shape';
export { LEAST_SG_SD, againstEarlier, combineReadings, type AgainstEarlier, type CombinedReading, type SgReading } from './combine-readings';
export { compareWithRecords, type RecordsComparison } from './compare-with-records';
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
} from './correction-options';
export { CLEARANCE_MM, dipReach, displacedMl, piecesCovered, pourNeedMl, type DipInBucket, type DipReach } from './dip-depth';
export { bucketDrift, daysInRange, type DaysInRange, type Drift, type DriftAnswer } from './drift';
export { DOSE_PERCENT, DROP_ML, GRAMS_PER_ML, dropDose, dropGrams, offeredDose, type DropDose, type KeptDose } from './drop-dose';
export { dropsCounted, type DropsCounted } from './drops-counted';
export { daysLeft, evaporatedSince, surfaceCm2, type Evaporated, type EvaporationBasis, type StandingBucket } from './evaporation';
export { rangeVerdict, type RangeVerdict } from './in-range';
export { EVAPORATION_GUESS, exposureOf, type Lid } from './lid';
export { mergedContents } from './merged-contents';
export { overdrawnGrams } from './overdrawn';
export { SAME_VISIT_MS, replayBucket } from './replay-bucket';
export { thinnestPoint, turningPoint, type ReadingAfter, type ThinnestPoint, type TurningPoint } from './response';
export { splitBucket, type PouredOut } from './split-bucket';
export { stirringDue, stirringNeed, type StirringNeed } from './stirring';
export { BENTONITE, GUM, planBentonite, planGum, type BentonitePlan, type GumPlan } from './suspenders';
export { washBefore, type ToolInBucket } from './washing';
export { solubleNames, suspensionRisk, weighedParts, type SuspensionRisk } from './weighed-parts';
export { bucketCover, coatSlurryMl, type BucketCover } from './bucket-cover';
export { glazeIdOf, type GlazeInBucket } from './glaze-id';
