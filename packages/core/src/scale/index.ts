export {
  NOTHING_ON_SCALE,
  answerAsked,
  readBucketScale,
  overnightWater,
  type Asked,
  type BucketOnScale,
  type OvernightWater,
  type ScaleDip,
} from './bucket-on-scale';
export { pourTowards, toleranceGrams, type Pour } from './pour';
export { readScaleLine, type ScaleLine } from './scale-line';
export { UNSETTLED, settle, type ScaleReading, type Settling } from './settle';
export { dipLimits, wetGramsOnScale } from './dip-limits';
export { EMPTY_PAN, acceptsItself, panAfter, panForLine, tarePan, type Pan } from './pan';
export { type DipLimits } from './bucket-on-scale';
