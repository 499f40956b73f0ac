// Every message between browser and server. Listed by hand: what is not here is private.
export {
  idSchema,
  LIMITS,
  nameSchema,
  noteSchema,
  timeSchema,
  gramsSchema,
  millilitresSchema,
  sgSchema,
  percentSchema,
  coneSchema,
  colourSchema,
  enteredSchema,
  versionSchema,
} from './basics';
export { PROBLEM_CODES, problemSchema, type ProblemCode, type Problem } from './problem';
export { vesselSchema, scaleSchema, studioBodySchema, studioSchema, studioUpdateSchema, type Vessel, type StudioBody, type Studio } from './studio';
export {
  powderSchema,
  SURFACES,
  recipeLineSchema,
  recipeBodySchema,
  recipeSchema,
  recipeVersionSchema,
  recipeCreateSchema,
  recipeUpdateSchema,
  type RecipeBody,
  type Recipe,
  type RecipeVersion,
} from './recipe';
export {
  batchEventSchema,
  bucketPartSchema,
  bucketEventSchema,
  dayEventSchema,
  benchEventSchema,
  eventsSendSchema,
  eventsAnswerSchema,
  type BenchEvent,
  type EventsAnswer,
} from './events';
export {
  batchSizeSchema,
  waterRuleSchema,
  batchCreateSchema,
  batchPlanSchema,
  batchSummarySchema,
  batchSchema,
  batchFinishSchema,
  type BatchCreate,
  type BatchSummary,
  type Batch,
} from './batch';
export {
  bucketContentsSchema,
  bucketBodySchema,
  bucketSummarySchema,
  bucketSchema,
  bucketUpdateSchema,
  bucketSplitSchema,
  type BucketBody,
  type BucketSummary,
  type Bucket,
} from './bucket';
export {
  bodySchema,
  piecePlanSchema,
  pieceBodySchema,
  pieceSchema,
  pieceCreateSchema,
  pieceUpdateSchema,
  type ClayBody,
  type PieceBody,
  type Piece,
} from './piece';
export { dayStepSchema, dayItemSchema, daySchema, dayCreateSchema, dayUpdateSchema, type Day } from './day';
export {
  firingPointSchema,
  firingBodySchema,
  firingSchema,
  firingCreateSchema,
  firingUpdateSchema,
  FAULTS,
  resultBodySchema,
  glazedWithSchema,
  resultSchema,
  resultCreateSchema,
  resultUpdateSchema,
  photoAnswerSchema,
  type FiringBody,
  type Firing,
  type ResultBody,
  type Result,
} from './kiln';
export { searchHitSchema, type SearchHit } from './search';
