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
  dateSchema,
  versionSchema,
} from './common/basics';
export {
  RECORD_KINDS,
  recordKindSchema,
  putAwayChangeSchema,
  putAwaySchema,
  recordUsesSchema,
  recordDeletedSchema,
  type RecordKind,
  type PutAway,
  type PutAwayChange,
  type RecordUses,
} from './common/record';
export { exampleSchema, exampleChangeSchema, exampleChangedSchema, type Example, type ExampleChanged } from './studio/example';
export { PROBLEM_CODES, problemSchema, type ProblemCode, type Problem } from './common/problem';
export {
  vesselSchema,
  scaleSchema,
  scaleCheckSchema,
  studioBodySchema,
  studioSchema,
  studioUpdateSchema,
  type Vessel,
  type Scale,
  type ScaleCheck,
  type StudioBody,
  type Studio,
} from './studio/studio';
export {
  POWDER_ROLES,
  STOCK_MOVES,
  powderBodySchema,
  powderSchema,
  powderCreateSchema,
  powderUpdateSchema,
  stockMoveSchema,
  powderMovesSchema,
  type PowderBody,
  type StudioPowder,
  type StockMove,
  type PowderMoves,
} from './recipe/powder';
export { seriesBodySchema, seriesSchema, seriesCreateSchema, seriesDoneSchema, type SeriesBody, type SeriesDocument } from './recipe/series';
export {
  SURFACES,
  labelRuleSchema,
  productSchema,
  recipeUsesSchema,
  jarOpenSchema,
  type Product,
  type RecipeUses,
  recipeLineSchema,
  recipeBodySchema,
  recipeSchema,
  recipeVersionSchema,
  recipeCreateSchema,
  recipeUpdateSchema,
  recipeWriteBodySchema,
  type RecipeBody,
  type Recipe,
  type RecipeVersion,
} from './recipe/recipe';
export {
  batchEventSchema,
  bucketPartSchema,
  bucketEventSchema,
  dayEventSchema,
  stepDoneSchema,
  benchEventSchema,
  eventsSendSchema,
  eventsAnswerSchema,
  streamStampSchema,
  type BenchEvent,
  type EventsAnswer,
  type StreamStamp,
} from './bucket/events';
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
} from './recipe/batch';
export {
  coatReadingSchema,
  coatDipSchema,
  coatDipBodySchema,
  coatDipsCreateSchema,
  coatDipUpdateSchema,
  coatWindowBodySchema,
  coatWindowSchema,
  coatWindowPutSchema,
  type CoatWindowDocument,
  type CoatDip,
  type CoatDipBody,
} from './coat/coat';
export {
  bucketContentsSchema,
  bucketShapeSchema,
  feelRangesSchema,
  bucketBodySchema,
  bucketSummarySchema,
  bucketSchema,
  bucketStepsSchema,
  type BucketSteps,
  bucketPulseSchema,
  bucketUpdateSchema,
  bucketSplitSchema,
  bucketPourSchema,
  type BucketBody,
  type KeptDoseRow,
  type BucketSummary,
  type Bucket,
} from './bucket/bucket';
export {
  thirstTestSchema,
  bisqueLotSchema,
  bodyBodySchema,
  bodySchema,
  bodyCreateSchema,
  bodyUpdateSchema,
  type BisqueLot,
  type BodyBody,
  type ClayBody,
} from './coat/body';
export {
  tileStripSchema,
  tileBodySchema,
  tileSchema,
  tileCreateSchema,
  tileUpdateSchema,
  type StepTile,
  type TileBody,
  type TileStrip,
} from './coat/tile';
export {
  piecePlanSchema,
  pieceBodySchema,
  pieceSchema,
  pieceCreateSchema,
  pieceUpdateSchema,
  textureSchema,
  variationsSchema,
  type PieceBody,
  type Piece,
} from './piece/piece';
export { pieceFormSchema } from './piece/piece-form';
export { dayStepSchema, dayItemSchema, dayPersonSchema, dayPlanningSchema, daySchema, dayCreateSchema, dayUpdateSchema, type Day } from './day/day';
export {
  kilnBodySchema,
  kilnChamberSchema,
  kilnCreateSchema,
  kilnSchema,
  kilnShelfSchema,
  kilnUpdateSchema,
  shelfWitnessSchema,
  type Kiln,
  type KilnBody,
} from './kiln/kiln-card';
export {
  firingScheduleSchema,
  firingSegmentSchema,
  scheduleBodySchema,
  scheduleCreateSchema,
  scheduleSchema,
  scheduleUpdateSchema,
  type Schedule,
  type ScheduleBody,
} from './kiln/schedule';
export {
  footprintSchema,
  loadCreateSchema,
  loadEventSchema,
  loadLotSchema,
  loadSchema,
  loadShelfSchema,
  loadUpdateSchema,
  standingPieceSchema,
  type Load,
} from './kiln/load';
export {
  beginLogSchema,
  CONTROLLER_SOCKET,
  firingEventSchema,
  firingLogSchema,
  firingPointSchema,
  LOG_SOURCES,
  LONGEST_LOG_SECONDS,
  logImportSchema,
  logReadingsSchema,
  practiceStateSchema,
  READINGS_IN_ONE_SEND,
  type FiringEvent,
  type FiringLog,
  type LogReadings,
  type PracticeState,
} from './kiln/firing-log';
export { firingBodySchema, firingSchema, firingCreateSchema, firingUpdateSchema, type FiringBody, type Firing } from './kiln/kiln';
export {
  resultBodySchema,
  glazedWithSchema,
  resultSchema,
  resultCreateSchema,
  resultUpdateSchema,
  photoAnswerSchema,
  type ResultBody,
  type Result,
} from './kiln/result';
export {
  resultChangeBodySchema,
  resultChangeCreateSchema,
  resultChangeSchema,
  type ResultChangeBody,
  type ResultChangeEntry,
} from './kiln/result-change';
export { greyPatchSchema, photoColoursSchema, type GreyPatch, type PhotoColours } from './kiln/photo';
export { loadPieceIdSchema } from './kiln/load-piece-id';
export { FAULTS, mostPhotos, piecesPhotographedSchema, piecesReadSchema, tileReadSchema, verdictSchema } from './kiln/opening';
export { SCALE_SOCKET, scaleCommandSchema, type ScaleCommand } from './studio/scale-device';
export { searchHitSchema, type SearchHit } from './common/search';
export {
  runnerLayerSchema,
  runnerTileBodySchema,
  runnerTileCreateSchema,
  runnerTileSchema,
  runnerTileUpdateSchema,
  type RunnerTile,
  type RunnerTileBody,
} from './piece/runner-tile';
export { stepSheetSchema, type StepSheet } from './piece/step-sheet';
export { studioOutcomeSchema, type StudioOutcome } from './studio/studio-file';
export { glazeVersionSchema, type GlazeVersionRow } from './recipe/recipe';
