import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';
import type {
  StudioRow,
  PowderRow,
  StockMoveRow,
  PowderUseRow,
  SeriesRow,
  ClayBodyRow,
  TileRow,
  RunnerTileRow,
  RecipeRow,
  RecipeVersionRow,
  BucketRow,
  CoatDipRow,
  CoatWindowRow,
  ImportJobRow,
  StagedRow,
  BatchRow,
  BenchEventRow,
  PieceRow,
  DayRow,
  FiringLogRow,
  FiringRow,
  KilnReadingRow,
  KilnRow,
  LoadRow,
  ScheduleRow,
  PhotoRow,
  ResultChangeRow,
  ResultRow,
  PutAwayRow,
  ExampleRecordRow,
} from './rows';

type Table<Row extends object> = ModelStatic<Model<Row, Row>>;

export interface Models {
  studios: Table<StudioRow>;
  powders: Table<PowderRow>;
  stockMoves: Table<StockMoveRow>;
  powderUses: Table<PowderUseRow>;
  series: Table<SeriesRow>;
  coatDips: Table<CoatDipRow>;
  coatWindows: Table<CoatWindowRow>;
  tiles: Table<TileRow>;
  runnerTiles: Table<RunnerTileRow>;
  imports: Table<ImportJobRow>;
  importRows: Table<StagedRow>;
  bodies: Table<ClayBodyRow>;
  recipes: Table<RecipeRow>;
  recipeVersions: Table<RecipeVersionRow>;
  buckets: Table<BucketRow>;
  batches: Table<BatchRow>;
  benchEvents: Table<BenchEventRow>;
  pieces: Table<PieceRow>;
  days: Table<DayRow>;
  kilns: Table<KilnRow>;
  loads: Table<LoadRow>;
  schedules: Table<ScheduleRow>;
  firings: Table<FiringRow>;
  firingLogs: Table<FiringLogRow>;
  kilnReadings: Table<KilnReadingRow>;
  photos: Table<PhotoRow>;
  results: Table<ResultRow>;
  resultChanges: Table<ResultChangeRow>;
  putAway: Table<PutAwayRow>;
  exampleRecords: Table<ExampleRecordRow>;
}

const id = { type: DataTypes.CHAR(36), primaryKey: true };
const ref = DataTypes.CHAR(36);
const time = DataTypes.DATE(3);
const version = DataTypes.INTEGER;
const name = DataTypes.STRING(120);

const recordKey = {
  kind: { type: DataTypes.STRING(12), primaryKey: true },
  recordId: { type: DataTypes.CHAR(36), primaryKey: true },
};

/** A JSON column: text in the database, parsed once here. */
function json(field: string): ModelAttributes[string] {
  return {
    type: DataTypes.TEXT('long'),
    get(this: Model) {
      const text: unknown = this.getDataValue(field);
      return typeof text === 'string' ? (JSON.parse(text) as unknown) : text;
    },
    set(this: Model, value: unknown) {
      this.setDataValue(field, value === null ? null : JSON.stringify(value));
    },
  };
}

/** Tables as Sequelize sees them. Keys, constraints and indexes are in the migrations. */
export function defineModels(sequelize: Sequelize): Models {
  const table = <Row extends object>(tableName: string, columns: ModelAttributes): Table<Row> =>
    sequelize.define(tableName, columns, { tableName, timestamps: false, underscored: true }) as unknown as Table<Row>;
  return {
    studios: table('studios', { id, version, demo: DataTypes.BOOLEAN, body: json('body'), createdAt: time }),
    powders: table('powders', { id, studioId: ref, version, name, body: json('body') }),
    stockMoves: table('stock_moves', {
      seq: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      id: ref,
      studioId: ref,
      powderId: ref,
      deltaGrams: DataTypes.DOUBLE,
      body: json('body'),
    }),
    powderUses: table('powder_uses', {
      what: { type: DataTypes.STRING(12), primaryKey: true },
      whatId: { type: DataTypes.CHAR(36), primaryKey: true },
      powderId: { type: DataTypes.CHAR(36), primaryKey: true },
      studioId: ref,
      grams: DataTypes.DOUBLE,
    }),
    coatDips: table('coat_dips', { id, studioId: ref, version, body: json('body'), createdAt: time }),
    coatWindows: table('coat_windows', { id, studioId: ref, version, glazeId: ref, bodyId: ref, changes: json('changes') }),
    imports: table('imports', { id, studioId: ref, outcome: json('outcome'), createdAt: time }),
    importRows: table('import_rows', {
      importId: { type: DataTypes.CHAR(36), primaryKey: true },
      seq: { type: DataTypes.INTEGER, primaryKey: true },
      body: json('body'),
    }),
    series: table('series', { id, studioId: ref, version, code: DataTypes.STRING(12), body: json('body'), createdAt: time, doneAt: time }),
    bodies: table('bodies', { id, studioId: ref, version, name, body: json('body') }),
    tiles: table('tiles', { id, studioId: ref, version, code: DataTypes.STRING(12), body: json('body'), createdAt: time }),
    runnerTiles: table('runner_tiles', { id, studioId: ref, version, code: DataTypes.STRING(12), body: json('body'), createdAt: time }),
    recipes: table('recipes', { id, studioId: ref, version, name, createdAt: time }),
    recipeVersions: table('recipe_versions', {
      id,
      studioId: ref,
      recipeId: ref,
      number: version,
      reason: DataTypes.TEXT,
      body: json('body'),
      changedAt: time,
    }),
    buckets: table('buckets', {
      id,
      studioId: ref,
      code: DataTypes.STRING(12),
      version,
      name,
      body: json('body'),
      recipeId: ref,
      recipeVersionId: ref,
      contents: json('contents'),
      createdAt: time,
    }),
    batches: table('batches', {
      id,
      studioId: ref,
      recipeId: ref,
      recipeVersionId: ref,
      question: json('question'),
      plan: json('plan'),
      bucketId: ref,
      linesDone: version,
      lastAt: time,
      lastBy: name,
      setAside: DataTypes.BOOLEAN,
      createdAt: time,
    }),
    benchEvents: table('bench_events', {
      seq: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      id: ref,
      studioId: ref,
      stream: DataTypes.STRING(12),
      streamId: ref,
      body: json('body'),
      receivedAt: time,
    }),
    pieces: table('pieces', { id, studioId: ref, version, name, clayBodyId: ref, body: json('body'), createdAt: time }),
    days: table('days', { id, studioId: ref, version, date: DataTypes.DATEONLY, items: json('items'), planning: json('planning'), createdAt: time }),
    kilns: table('kilns', { id, studioId: ref, version, name, body: json('body') }),
    schedules: table('schedules', { id, studioId: ref, version, name, body: json('body'), earlier: json('earlier') }),
    loads: table('loads', { id, studioId: ref, version, kilnId: ref, createdAt: time }),
    firings: table('firings', { id, studioId: ref, version, startedAt: time, body: json('body') }),
    firingLogs: table('firing_logs', {
      firingId: { type: DataTypes.CHAR(36), primaryKey: true },
      studioId: ref,
      kilnId: ref,
      runningKilnId: ref,
      source: DataTypes.STRING(12),
      beganAt: time,
      endedAt: time,
      readings: version,
      curve: json('curve'),
      reader: json('reader'),
      practice: json('practice'),
    }),
    kilnReadings: table('kiln_readings', {
      firingId: { type: DataTypes.CHAR(36), primaryKey: true },
      seconds: { type: DataTypes.DOUBLE, primaryKey: true },
      studioId: ref,
      celsius: DataTypes.DOUBLE,
      setCelsius: DataTypes.DOUBLE,
      share: DataTypes.DOUBLE,
    }),
    photos: table('photos', {
      id,
      studioId: ref,
      firingId: { type: DataTypes.CHAR(36), allowNull: true },
      width: version,
      height: version,
      jpeg: DataTypes.BLOB('medium'),
      thumbnail: { type: DataTypes.BLOB('medium'), allowNull: true },
      colours: json('colours'),
      gains: json('gains'),
      createdAt: time,
    }),
    results: table('results', {
      id,
      studioId: ref,
      version,
      pieceId: ref,
      firingId: ref,
      photoId: ref,
      body: json('body'),
      glazedWith: json('glazedWith'),
      createdAt: time,
    }),
    resultChanges: table('result_changes', { id, studioId: ref, body: json('body'), madeAt: time }),
    putAway: table('put_away', { ...recordKey, studioId: ref, at: { type: time, field: 'put_away_at' }, by: { type: name, field: 'put_away_by' } }),
    exampleRecords: table('example_records', { ...recordKey, studioId: ref }),
  };
}
