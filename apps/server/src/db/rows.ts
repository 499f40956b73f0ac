import type {
  BatchPlan,
  BucketContents,
  DayItem,
  DayPlanning,
  FiringPoint,
  GrowingLog,
  KilnModel,
  KilnTrouble,
  LogReading,
  PhotoColour,
} from '@cazuela/core';
import type {
  BatchCreate,
  BenchEvent,
  BodyBody,
  BucketBody,
  CoatDipBody,
  CoatWindowDocument,
  FiringBody,
  FiringLog,
  KilnBody,
  Schedule,
  ScheduleBody,
  PieceBody,
  PowderBody,
  RecordKind,
  RecipeBody,
  Result,
  ResultBody,
  ResultChangeBody,
  RunnerTileBody,
  SeriesBody,
  StockMove,
  StudioBody,
  TileBody,
} from '@cazuela/contract';
import type { ImportOutcome, ImportRow } from '@cazuela/formats';

// What a row of each table holds, as the server reads and writes it.

export interface StudioRow {
  id: string;
  version: number;
  demo: boolean;
  body: StudioBody;
  createdAt: Date;
}
export interface PowderRow {
  id: string;
  studioId: string;
  version: number;
  name: string;
  body: Omit<PowderBody, 'name'>;
}
export interface StockMoveRow {
  seq?: number;
  id: string;
  studioId: string;
  powderId: string;
  deltaGrams: number;
  body: StockMove;
}
export interface PowderUseRow {
  studioId: string;
  what: 'batch' | 'bucket' | 'series';
  whatId: string;
  powderId: string;
  grams: number;
}
export interface SeriesRow {
  id: string;
  studioId: string;
  version: number;
  code: string;
  body: SeriesBody;
  createdAt: Date;
  doneAt: Date | null;
}
export interface ClayBodyRow {
  id: string;
  studioId: string;
  version: number;
  name: string;
  body: Omit<BodyBody, 'name'>;
}
export interface TileRow {
  id: string;
  studioId: string;
  version: number;
  code: string;
  body: TileBody;
  createdAt: Date;
}

export interface RunnerTileRow {
  id: string;
  studioId: string;
  version: number;
  code: string;
  body: RunnerTileBody;
  createdAt: Date;
}
export interface RecipeRow {
  id: string;
  studioId: string;
  version: number;
  name: string;
  createdAt: Date;
}
export interface RecipeVersionRow {
  id: string;
  studioId: string;
  recipeId: string;
  number: number;
  reason: string;
  body: RecipeBody;
  changedAt: Date;
}
export interface BucketRow {
  id: string;
  studioId: string;
  code: string;
  version: number;
  name: string;
  body: BucketBody;
  recipeId: string | null;
  recipeVersionId: string | null;
  contents: BucketContents | null;
  createdAt: Date;
}
export interface CoatDipRow {
  id: string;
  studioId: string;
  version: number;
  body: CoatDipBody;
  createdAt: Date;
}
export interface CoatWindowRow extends CoatWindowDocument {
  studioId: string;
}
export interface ImportJobRow {
  id: string;
  studioId: string;
  outcome: ImportOutcome | null;
  createdAt: Date;
}
export interface StagedRow {
  importId: string;
  seq: number;
  body: ImportRow;
}
export interface BatchRow {
  id: string;
  studioId: string;
  recipeId: string;
  recipeVersionId: string;
  question: Pick<BatchCreate, 'size' | 'water' | 'order' | 'entered'>;
  plan: BatchPlan;
  bucketId: string | null;
  linesDone: number;
  lastAt: Date | null;
  lastBy: string | null;
  setAside: boolean;
  createdAt: Date;
}
export interface BenchEventRow {
  seq?: number;
  id: string;
  studioId: string;
  stream: BenchEvent['stream'];
  streamId: string;
  body: BenchEvent['event'];
  receivedAt: Date;
}
export interface PieceRow {
  id: string;
  studioId: string;
  version: number;
  name: string;
  clayBodyId: string;
  body: PieceBody;
  createdAt: Date;
}
export interface DayRow {
  id: string;
  studioId: string;
  version: number;
  date: string;
  items: DayItem[];
  /** Null where nobody planned it yet. */
  planning: DayPlanning | null;
  createdAt: Date;
}
export interface KilnRow {
  id: string;
  studioId: string;
  version: number;
  name: string;
  body: KilnBody;
}
export interface LoadRow {
  id: string;
  studioId: string;
  version: number;
  kilnId: string;
  createdAt: Date;
}
export interface ScheduleRow {
  id: string;
  studioId: string;
  version: number;
  name: string;
  body: ScheduleBody;
  earlier: Schedule['earlier'];
}
export interface FiringRow {
  id: string;
  studioId: string;
  version: number;
  startedAt: Date;
  body: FiringBody;
}
/** What a reader of lines knows of a log beside its curve. */
export interface LogReader {
  last?: LogReading | undefined;
  /** Added to the controller's own clock, s. */
  offsetSeconds?: number | undefined;
  /** The controller that sends, and when it last did, ms. */
  sender?: { name: string; atMs: number } | undefined;
  fault?: string | undefined;
}
/** A practice kiln: all that is needed to run it again from its begin. */
export interface PracticeRun {
  speed: number;
  /** At this moment, ms, it was so far, s of its own clock. */
  anchorMs: number;
  anchorSeconds: number;
  model: KilnModel;
  curve: FiringPoint[];
  trouble: KilnTrouble;
}
export interface FiringLogRow {
  firingId: string;
  studioId: string;
  kilnId: string | null;
  /** Null when it is over. */
  runningKilnId: string | null;
  source: FiringLog['source'];
  beganAt: Date;
  endedAt: Date | null;
  readings: number;
  curve: GrowingLog;
  reader: LogReader;
  practice: PracticeRun | null;
}
export interface KilnReadingRow {
  firingId: string;
  seconds: number;
  studioId: string;
  celsius: number;
  setCelsius: number | null;
  share: number | null;
}
export interface PhotoRow {
  id: string;
  studioId: string;
  /** Taken when this firing was opened. */
  firingId?: string | null;
  width: number;
  height: number;
  jpeg: Buffer;
  /** The same, small; null until it was first asked for. */
  thumbnail?: Buffer | null;
  /** Null until they were worked out. */
  colours?: PhotoColour[] | null;
  gains?: [number, number, number] | null;
  createdAt: Date;
}
export interface ResultRow {
  id: string;
  studioId: string;
  version: number;
  pieceId: string;
  firingId: string;
  photoId: string | null;
  body: ResultBody;
  glazedWith: Result['glazedWith'];
  createdAt: Date;
}
/** An entry of the ledger of changes. */
export interface ResultChangeRow {
  id: string;
  studioId: string;
  body: ResultChangeBody;
  madeAt: Date;
}
/** A record that is out of the lists. */
export interface PutAwayRow {
  studioId: string;
  kind: RecordKind;
  recordId: string;
  at: Date;
  by: string;
}
/** A record that came with the example, and goes with it. */
export interface ExampleRecordRow {
  studioId: string;
  kind: RecordKind;
  recordId: string;
}
