import { inject, Injectable } from '@angular/core';
import {
  batchSchema,
  batchSummarySchema,
  bodySchema,
  bucketPulseSchema,
  bucketSchema,
  bucketStepsSchema,
  bucketSummarySchema,
  coatDipSchema,
  coatWindowSchema,
  daySchema,
  eventsAnswerSchema,
  firingSchema,
  kilnSchema,
  loadSchema,
  scheduleSchema,
  type Schedule,
  type ScheduleBody,
  photoAnswerSchema,
  photoColoursSchema,
  glazeVersionSchema,
  type GlazeVersionRow,
  studioOutcomeSchema,
  type StudioOutcome,
  type GreyPatch,
  type PhotoColours,
  exampleChangedSchema,
  exampleSchema,
  putAwaySchema,
  recordDeletedSchema,
  recordUsesSchema,
  type Example,
  type ExampleChanged,
  type PutAway,
  type PutAwayChange,
  type RecordKind,
  type RecordUses,
  pieceSchema,
  powderMovesSchema,
  powderSchema,
  recipeSchema,
  recipeUsesSchema,
  recipeVersionSchema,
  resultChangeSchema,
  resultSchema,
  type ResultChangeBody,
  type ResultChangeEntry,
  searchHitSchema,
  seriesSchema,
  tileSchema,
  type Batch,
  type BatchCreate,
  type BatchSummary,
  type BenchEvent,
  type BodyBody,
  type Bucket,
  type BucketBody,
  type BucketSteps,
  type BucketSummary,
  type ClayBody,
  type CoatDip,
  type CoatDipBody,
  type CoatWindowDocument,
  streamStampSchema,
  type Day,
  type StreamStamp,
  type EventsAnswer,
  type Firing,
  type Kiln,
  type KilnBody,
  type Load,
  type FiringBody,
  logReadingsSchema,
  type LogReadings,
  type PracticeState,
  type Piece,
  type PieceBody,
  type PowderBody,
  type PowderMoves,
  type Recipe,
  type RecipeBody,
  type RecipeUses,
  type RecipeVersion,
  type Result,
  type ResultBody,
  type SearchHit,
  type SeriesBody,
  type SeriesDocument,
  runnerTileSchema,
  type RunnerTile,
  type RunnerTileBody,
  type StepSheet,
  type StepTile,
  type StockMove,
  type StudioPowder,
  type TileBody,
} from '@cazuela/contract';
import type { DayItem, DayPlanning } from '@cazuela/core';
import { first, map, Subject, switchMap, tap, type Observable } from 'rxjs';
import * as z from 'zod';
import { Api } from './api';
import { ListStore } from './list-store';
import { readBucket } from './read-bucket';
import { StudioStore } from '../state/studio-store';

/** Everything the records of the open studio offer, by noun. */
@Injectable({ providedIn: 'root' })
export class StudioApi {
  private readonly api = inject(Api);
  private readonly store = inject(StudioStore);
  private readonly lists = inject(ListStore);

  private readonly written = new Subject<void>();
  /** Emits when the records took something from here. */
  readonly written$ = this.written.asObservable();

  /** With what is on the shelf now, so it is never cached. */
  powders = (): Observable<StudioPowder[]> => this.list('/powders', powderSchema);
  createPowder = (id: string, body: PowderBody): Observable<StudioPowder> => this.post('/powders', { id, body }, powderSchema);
  updatePowder = (id: string, version: number, body: PowderBody): Observable<StudioPowder> =>
    this.put(`/powders/${id}`, { version, body }, powderSchema);
  powderMoves = (id: string): Observable<PowderMoves> => this.get(`/powders/${id}/stock`, powderMovesSchema);
  moveStock = (powderId: string, move: StockMove): Observable<PowderMoves> => this.post(`/powders/${powderId}/stock`, move, powderMovesSchema);
  bodies = (): Observable<ClayBody[]> => this.list('/bodies', bodySchema);
  createBody = (body: BodyBody & { id: string }): Observable<ClayBody> => this.post('/bodies', body, bodySchema);
  updateBody = ({ id, version, ...body }: ClayBody): Observable<ClayBody> => this.put(`/bodies/${id}`, { version, body }, bodySchema);
  runnerTiles = (): Observable<RunnerTile[]> => this.list('/runner-tiles', runnerTileSchema);
  createRunnerTile = (id: string, body: RunnerTileBody): Observable<RunnerTile> => this.post('/runner-tiles', { id, body }, runnerTileSchema);
  updateRunnerTile = ({ id, version, body }: Pick<RunnerTile, 'id' | 'version' | 'body'>): Observable<RunnerTile> =>
    this.put(`/runner-tiles/${id}`, { version, body }, runnerTileSchema);
  tiles = (): Observable<StepTile[]> => this.list('/tiles', tileSchema);
  createTile = (id: string, body: TileBody): Observable<StepTile> => this.post('/tiles', { id, body }, tileSchema);
  updateTile = ({ id, version, body }: Pick<StepTile, 'id' | 'version' | 'body'>): Observable<StepTile> =>
    this.put(`/tiles/${id}`, { version, body }, tileSchema);

  recipes = (): Observable<Recipe[]> => this.list('/recipes', recipeSchema);
  recipe = (id: string): Observable<Recipe> => this.get(`/recipes/${id}`, recipeSchema);
  allRecipeVersions = (): Observable<GlazeVersionRow[]> => this.list('/recipe-versions', glazeVersionSchema);
  recipeVersions = (id: string): Observable<RecipeVersion[]> => this.get(`/recipes/${id}/versions`, z.array(recipeVersionSchema));
  createRecipe = (id: string, body: RecipeBody): Observable<Recipe> => this.post('/recipes', { id, body }, recipeSchema);
  updateRecipe = (id: string, version: number, reason: string, body: RecipeBody): Observable<Recipe> =>
    this.put(`/recipes/${id}`, { version, reason, body }, recipeSchema);

  recipeUses = (id: string): Observable<RecipeUses> => this.get(`/recipes/${id}/uses`, recipeUsesSchema);
  openJar = (id: string, jar: { bucketId: string; filledEventId: string; at: string; by: string; versionId: string }): Observable<Bucket> =>
    this.post(`/recipes/${id}/jar`, jar, bucketSchema);

  series = (): Observable<SeriesDocument[]> => this.list('/series', seriesSchema);
  createSeries = (id: string, body: SeriesBody): Observable<SeriesDocument> => this.post('/series', { id, body }, seriesSchema);
  finishSeries = (id: string, done: { at: string; by: string; eventIds: string[] }): Observable<SeriesDocument> =>
    this.post(`/series/${id}/done`, done, seriesSchema);

  batches = (): Observable<BatchSummary[]> => this.list('/batches', batchSummarySchema);
  batch = (id: string): Observable<Batch> => this.get(`/batches/${id}`, batchSchema);
  createBatch = (batch: BatchCreate): Observable<Batch> => this.post('/batches', batch, batchSchema);
  finishBatch = (
    id: string,
    finish: { bucketId: string; filledEventId: string; finishedEventId: string; at: string; by: string; name: string },
  ): Observable<Bucket> => this.post(`/batches/${id}/bucket`, finish, bucketSchema);

  buckets = (): Observable<BucketSummary[]> => this.list('/buckets', bucketSummarySchema);
  bucket = (id: string): Observable<Bucket> => this.get(`/buckets/${id}`, z.unknown()).pipe(map(readBucket));
  /** What can be read of a bucket whose contents cannot: its events, to take back. */
  bucketSteps = (id: string): Observable<BucketSteps> => this.get(`/buckets/${id}`, bucketStepsSchema);
  updateBucket = (id: string, version: number, body: BucketBody): Observable<Bucket> => this.put(`/buckets/${id}`, { version, body }, bucketSchema);
  bucketPulse = (id: string): Observable<{ events: number }> => this.get(`/buckets/${id}/pulse`, bucketPulseSchema);
  splitBucket = (id: string, split: Record<string, unknown>): Observable<Bucket> => this.post(`/buckets/${id}/split`, split, bucketSchema);

  pourInto = (id: string, pour: Record<string, unknown>): Observable<Bucket> => this.post(`/buckets/${id}/pour`, pour, bucketSchema);

  coatDips = (): Observable<CoatDip[]> => this.list('/coats', coatDipSchema);
  addCoatDips = (dips: { id: string; body: CoatDipBody }[]): Observable<CoatDip[]> => this.post('/coats', { dips }, z.array(coatDipSchema));
  updateCoatDip = ({ id, version, body }: CoatDip): Observable<CoatDip> => this.put(`/coats/${id}`, { version, body }, coatDipSchema);

  coatWindows = (): Observable<CoatWindowDocument[]> => this.list('/windows', coatWindowSchema);
  putCoatWindow = (
    id: string,
    put: Omit<CoatWindowDocument, 'id' | 'changes'> & { change: CoatWindowDocument['changes'][number] },
  ): Observable<CoatWindowDocument> => this.put(`/windows/${id}`, put, coatWindowSchema);

  pieces = (): Observable<Piece[]> => this.list('/pieces', pieceSchema);
  piece = (id: string): Observable<Piece> => this.get(`/pieces/${id}`, pieceSchema);
  createPiece = (id: string, body: PieceBody): Observable<Piece> => this.post('/pieces', { id, body }, pieceSchema);
  updatePiece = (id: string, version: number, body: PieceBody): Observable<Piece> => this.put(`/pieces/${id}`, { version, body }, pieceSchema);

  days = (): Observable<Day[]> => this.list('/days', daySchema);
  createDay = (day: { id: string; date: string; items: DayItem[]; planning?: DayPlanning }): Observable<Day> => this.post('/days', day, daySchema);
  dayStamp = (id: string): Observable<StreamStamp> => this.get(`/days/${id}/stamp`, streamStampSchema);
  updateDay = (id: string, version: number, change: { items?: DayItem[]; planning?: DayPlanning }): Observable<Day> =>
    this.put(`/days/${id}`, { version, ...change }, daySchema);

  kilns = (): Observable<Kiln[]> => this.list('/kilns', kilnSchema);
  createKiln = (id: string, body: KilnBody): Observable<Kiln> => this.post('/kilns', { id, body }, kilnSchema);
  schedules = (): Observable<Schedule[]> => this.list('/schedules', scheduleSchema);
  createSchedule = (id: string, body: ScheduleBody): Observable<Schedule> => this.post('/schedules', { id, body }, scheduleSchema);
  updateSchedule = (id: string, version: number, body: ScheduleBody): Observable<Schedule> =>
    this.put(`/schedules/${id}`, { version, body }, scheduleSchema);
  loads = (): Observable<Load[]> => this.list('/loads', loadSchema);
  createLoad = (id: string, kilnId: string): Observable<Load> => this.post('/loads', { id, kilnId }, loadSchema);
  updateLoad = (id: string, version: number, kilnId: string): Observable<Load> => this.put(`/loads/${id}`, { version, kilnId }, loadSchema);
  loadStamp = (id: string): Observable<StreamStamp> => this.get(`/loads/${id}/stamp`, streamStampSchema);
  firingStamp = (id: string): Observable<StreamStamp> => this.get(`/firings/${id}/stamp`, streamStampSchema);
  updateKiln = (id: string, version: number, body: KilnBody): Observable<Kiln> => this.put(`/kilns/${id}`, { version, body }, kilnSchema);
  firings = (): Observable<Firing[]> => this.list('/firings', firingSchema);
  firing = (id: string): Observable<Firing> => this.get(`/firings/${id}`, firingSchema);
  createFiring = (id: string, body: FiringBody, readings?: LogReadings): Observable<Firing> =>
    this.post('/firings', { id, body, ...(readings ? { readings } : {}) }, firingSchema);
  beginLog = (id: string, practice?: PracticeState): Observable<Firing> =>
    this.post(`/firings/${id}/begin`, practice ? { practice } : {}, firingSchema);
  endLog = (id: string): Observable<Firing> => this.post(`/firings/${id}/end`, {}, firingSchema);
  setPractice = (id: string, practice: PracticeState): Observable<Firing> => this.put(`/firings/${id}/practice`, practice, firingSchema);
  logReadings = (id: string): Observable<LogReadings> => this.get(`/firings/${id}/readings`, logReadingsSchema);
  importLog = (id: string, readings: LogReadings): Observable<Firing> => this.post(`/firings/${id}/readings`, readings, firingSchema);
  updateFiring = (id: string, version: number, body: FiringBody): Observable<Firing> => this.put(`/firings/${id}`, { version, body }, firingSchema);
  results = (): Observable<Result[]> => this.list('/results', resultSchema);
  createResult = (id: string, body: ResultBody): Observable<Result> => this.post('/results', { id, body }, resultSchema);
  updateResult = (id: string, version: number, body: ResultBody): Observable<Result> => this.put(`/results/${id}`, { version, body }, resultSchema);

  resultChanges = (): Observable<ResultChangeEntry[]> => this.list('/changes', resultChangeSchema);
  createResultChange = (id: string, body: ResultChangeBody): Observable<ResultChangeEntry> => this.post('/changes', { id, body }, resultChangeSchema);

  photo(file: File): Observable<{ id: string; width: number; height: number }> {
    const form = new FormData();
    form.append('photo', file);
    return this.post('/photos', form, photoAnswerSchema);
  }

  /** A whole studio, from its zip. */
  takeInStudio(file: File): Observable<StudioOutcome> {
    const form = new FormData();
    form.append('file', file);
    return this.post('/files/studio', form, studioOutcomeSchema);
  }

  photoColours = (): Observable<PhotoColours[]> => this.list('/photo-colours', photoColoursSchema);
  setGreyPatch = (id: string, patch: GreyPatch): Observable<PhotoColours> => this.put(`/photos/${id}/grey`, patch, photoColoursSchema);

  example = (): Observable<Example> => this.get('/example', exampleSchema);
  changeExample = (change: Example & { at: string; by: string }): Observable<ExampleChanged> => this.put('/example', change, exampleChangedSchema);

  putAwayList = (): Observable<PutAway[]> => this.list('/away', putAwaySchema);
  changePutAway = (kind: RecordKind, id: string, change: PutAwayChange): Observable<PutAway[]> =>
    this.put(`/records/${kind}/${id}/away`, change, z.array(putAwaySchema));
  recordUses = (kind: RecordKind, id: string): Observable<RecordUses> => this.get(`/records/${kind}/${id}/uses`, recordUsesSchema);
  deleteRecord = (kind: RecordKind, id: string): Observable<unknown> =>
    this.write((studio) => this.api.delete(`${studio}/records/${kind}/${id}`, recordDeletedSchema));

  search = (text: string): Observable<SearchHit[]> => this.get(`/search?q=${encodeURIComponent(text)}`, z.array(searchHitSchema));
  sendEvents = (events: BenchEvent[]): Observable<EventsAnswer> => this.post('/events', { events }, eventsAnswerSchema);

  /** A plan's steps on paper: what the screen shows, drawn by the server. */
  stepSheet = (pieceId: string, sheet: StepSheet): Observable<Blob> =>
    this.inStudio((studio) => this.api.file(`${studio}/pieces/${pieceId}/steps.pdf`, sheet));

  photoUrl(photoId: string): string {
    return this.fileUrl(`/photos/${photoId}`);
  }

  /** The same photo, at most 300 px: for cards and cells. */
  thumbnailUrl(photoId: string): string {
    return this.fileUrl(`/photos/${photoId}/thumbnail`);
  }

  /** Returns the address of something the browser opens itself: a picture, a sheet, a file. */
  fileUrl(path: string): string {
    return `/api/studios/${this.store.studio()?.id ?? ''}${path}`;
  }

  get<T>(path: string, schema: z.ZodType<T>): Observable<T> {
    return this.inStudio((studio) => this.api.get(studio + path, schema));
  }

  /** What is known of a list, then what changed of it. Row by row: one that cannot be read does not hide the others. */
  private list<T>(path: string, schema: z.ZodType<T>): Observable<T[]> {
    return this.lists.read(path, () => this.inStudio((studio) => this.api.getText(studio + path)), schema);
  }

  post<T>(path: string, body: unknown, schema: z.ZodType<T>): Observable<T> {
    return this.write((studio) => this.api.post(studio + path, body, schema));
  }

  private put<T>(path: string, body: unknown, schema: z.ZodType<T>): Observable<T> {
    return this.write((studio) => this.api.put(studio + path, body, schema));
  }

  private write<T>(request: (studioPath: string) => Observable<T>): Observable<T> {
    const forget = (): void => this.lists.forgetPending();
    return this.inStudio(request).pipe(tap({ next: forget, error: forget, complete: () => this.written.next() }));
  }

  private inStudio<T>(request: (studioPath: string) => Observable<T>): Observable<T> {
    return this.store.id$.pipe(
      first(),
      switchMap((id) => request(`/studios/${id}`)),
    );
  }
}
