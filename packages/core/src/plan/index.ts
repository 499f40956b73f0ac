export { areasOf, FOOT_ZONE_MM, isZone, placeWords, roundShare, type PlannedArea } from './areas';
export { NARROWEST_ZONE_MM, planFault } from './check-plan';
export { BRUSHED_COAT_MM, GLAZE_COAT_MM, HALVES_OVERLAP_MM, LUSTRE_FILM_MM, RUBBED_FILM_MM, TRAILED_LINE_MM, withMethod } from './change-method';
export { edgeDipMm, edgeOffsetMm, STRAIGHT, type EdgeLine } from './edge-line';
export { asThinned, type ThinnedBucket } from './thinned';
export { type BucketNow, type GlazeFacts, type BodyFacts } from './facts';
export { COATING_KINDS, MOST_LAYERS, coatingKindOf, type DecoratingColour, type CoatingKind, type Layer } from './layer';
export { mergeChanges, type MergedChanges } from './merge-changes';
export { isOn } from './masked-area';
export { handleMask, isBand, MOST_MASKS, USUAL_RING_MM, type FootBy, type Mask } from './mask';
export {
  ZONES,
  KILN_SETTINGS,
  isTurnedOver,
  layersOf,
  rimIsApart,
  withLayers,
  type FiredCoats,
  type KilnSetting,
  type PutAside,
  type PlanFiring,
  type Zone,
  type PiecePlan,
  USUAL_CONE,
} from './piece-plan';
export { MOST_PARTS, planOfPart, withPartPlan, type PiecePart } from './parts';
export { PLAN_CHANGES, type UnwantedStep, type PlanChange } from './plan-change';
export { notRefired, refired } from './refire';
export { handleStrip, isOnWall, isOutside, MOST_STRIPS, type Strip, type Turn } from './strip';
export { type Texture } from './texture';
