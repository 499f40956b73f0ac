import { inject, Injectable } from '@angular/core';
import type { ClayBody, CoatWindowDocument, Firing, Kiln, Piece, Result, RunnerTile, StepTile } from '@cazuela/contract';
import {
  attempt,
  bisqueOf,
  firedCoats,
  firingRates,
  formEvidence,
  glazeIdOf,
  HOUR_MS,
  nearPeakMinutes,
  recordOfPiece,
  shapeOf,
  unreadBounds,
  windowFromLooks,
  type CoatWindow,
  type FaultPlace,
  type FaultRecord,
  type GlazedPiece,
} from '@cazuela/core';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';
import { clayFactsOf } from './clay-facts';
import { firedLook } from './fired-looks';
import { firedBefore, type FiredBefore } from './fired-before';
import { firingRead, type FiringRead } from './firing-read';
import { Glazes, type StudioGlazes } from './glazes';

interface Known {
  glazes: StudioGlazes;
  pieces: Piece[];
  bodies: ClayBody[];
  windows: CoatWindowDocument[];
  firings: Firing[];
  kilns: Kiln[];
  tiles: StepTile[];
  runners: RunnerTile[];
  results: Result[];
}

/** All that was recorded of fired pieces. */
export interface FiredPieces {
  results: Result[];
  firings: Firing[];
  /** As it was planned, done and fired; undefined where its plan is gone. */
  pieceOf: (result: Result) => GlazedPiece | undefined;
}

/** What was recorded of a fired piece, at each place of it. */
export type RecordOf = (result: Result, where: FaultPlace) => FaultRecord | undefined;

/** A firing of which more than this is not read says nothing of its rates, hours. */
const MOST_UNREAD_HOURS = 1;
/** A reading longer before its kiln was opened says nothing of how hot it was then. */
const OPENED_WITHIN_HOURS = 1;

/** All that the studio recorded of its fired pieces, as the causes of faults need it. */
@Injectable({ providedIn: 'root' })
export class FaultRecords {
  private readonly api = inject(StudioApi);
  private readonly glazes = inject(Glazes);

  all(): Observable<FiredPieces> {
    return combineLatest({
      glazes: this.glazes.all(),
      pieces: this.api.pieces(),
      bodies: this.api.bodies(),
      windows: this.api.coatWindows(),
      firings: this.api.firings(),
      kilns: this.api.kilns(),
      tiles: this.api.tiles(),
      runners: this.api.runnerTiles(),
      results: this.api.results(),
    }).pipe(map((known) => ({ pieceOf: finder(known), results: known.results, firings: known.firings })));
  }
}

function finder(known: Known): FiredPieces['pieceOf'] {
  const asFired = new Map<string, GlazedPiece | undefined>();
  const before = firedBefore({ ...known, buckets: known.glazes.buckets });
  const openedAt = openings(known.results);
  return (result) => {
    if (!asFired.has(result.id)) asFired.set(result.id, pieceAsFired(result, { ...known, before, openedAt }));
    return asFired.get(result.id);
  };
}

/** What finds the record of a result at a place; undefined where the plan of the piece is gone. */
export const recorderOf =
  ({ pieceOf }: Pick<FiredPieces, 'pieceOf'>): RecordOf =>
  (result, where) => {
    const piece = pieceOf(result);
    return piece && recordOfPiece(piece, where);
  };

/** When the first piece of a firing was read as its kiln was opened. */
function openings(results: readonly Result[]): ReadonlyMap<string, string> {
  const first = new Map<string, string>();
  for (const { body, createdAt } of results) {
    if (!body.loadPieceId) continue;
    const known = first.get(body.firingId);
    if (known === undefined || createdAt < known) first.set(body.firingId, createdAt);
  }
  return first;
}

function pieceAsFired(result: Result, known: Known & { before: FiredBefore; openedAt: ReadonlyMap<string, string> }): GlazedPiece | undefined {
  const piece = known.pieces.find(({ id }) => id === result.body.pieceId)?.body;
  if (!piece) return undefined;
  const { buckets, facts } = known.glazes;
  const clay = known.bodies.find(({ id }) => id === piece.bodyId);
  const firing = known.firings.find(({ id }) => id === result.body.firingId);
  const read = firing && firingRead(firing);
  const isRead = read?.readUntilHours !== undefined && unreadBounds(read.log).unreadHours <= MOST_UNREAD_HOURS;
  const windows = buckets.flatMap((bucket) => {
    const window = known.windows.find(({ glazeId, bodyId }) => glazeId === glazeIdOf(bucket) && bodyId === piece.bodyId)?.changes.at(-1)?.window;
    return window ? [[bucket.id, window] as const] : [];
  });
  const { plan } = piece;
  const bisque = clay && bisqueOf(clay, piece.lotId);
  const openedCelsius = firing && read && openedAt(firing, read, known.openedAt.get(firing.id));
  const otherAtmosphere = atmospheres(known, firing);
  return {
    plan,
    coats: firedCoats(result.glazedWith),
    glazes: facts,
    ranges: new Map(buckets.map(({ id, body }) => [id, { lowSg: body.sgLow, highSg: body.sgHigh }])),
    windows: new Map(windows),
    ...(clay ? { clay: clayFactsOf(clay, piece.lotId, false) } : {}),
    coneReached: result.body.coneReached,
    ...(isRead ? { rates: firingRates(read.log), heldLongerMinutes: nearPeakMinutes(read.log) - nearPeakMinutes(read.wanted) } : {}),
    isRefired: wasFiredBefore(result, known.results),
    steps: result.glazedWith,
    ...(firing ? { litAt: firing.body.startedAt } : {}),
    windowSeen: (bucketId) => windowSeen(bucketId, piece.bodyId, known),
    lastGood: known.before.lastGood(result),
    isTestedOnClay: known.before.isTestedOnClay(result, piece.bodyId),
    ...(openedCelsius === undefined ? {} : { openedCelsius }),
    ...(otherAtmosphere ? { otherAtmosphere } : {}),
    form: (where) =>
      formEvidence({
        plan,
        shape: shapeOf(plan),
        glazes: facts,
        where,
        clay: {
          wallMm: bisque?.wallMm,
          absorptionPercent: bisque?.lot ? bisque.absorptionPercent : undefined,
          cardAbsorptionPercent: clay?.absorptionPercent,
        },
      }),
  };
}

/** By the looks of tiles and pieces; undefined where none of them looked right. */
function windowSeen(bucketId: string, bodyId: string, known: Known): CoatWindow | undefined {
  const bucket = known.glazes.buckets.find(({ id }) => id === bucketId);
  if (!bucket) return undefined;
  const { looks } = firedLook({ glazeId: glazeIdOf(bucket), bodyId }, known.glazes.buckets, known);
  const made = attempt(() => windowFromLooks({ looks }));
  return made.kind === 'ok' && made.value.kind === 'ok' ? made.value.window : undefined;
}

/** What was read last before its kiln was opened, °C; undefined where that is longer ago. */
function openedAt({ body }: Firing, { log }: FiringRead, at: string | undefined): number | undefined {
  if (at === undefined) return undefined;
  const hours = (Date.parse(at) - Date.parse(body.startedAt)) / HOUR_MS;
  const last = log.findLast((point) => point.hours <= hours);
  return last && hours - last.hours <= OPENED_WITHIN_HOURS ? last.celsius : undefined;
}

/** Whether a kiln fires another atmosphere than the recipe in a bucket asks for: what heats by wires fires in air. Undefined of other kilns. */
function atmospheres({ glazes: { buckets, recipes }, kilns }: Known, firing: Firing | undefined): ReadonlyMap<string, boolean> | undefined {
  const kiln = kilns.find(({ id }) => id === firing?.body.kilnId);
  if (!kiln?.body.powerWatts) return undefined;
  return new Map(
    buckets.flatMap(({ id, recipeId }) => {
      const recipe = recipes.find((one) => one.id === recipeId);
      return recipe ? [[id, recipe.body.atmosphere === 'reduction'] as const] : [];
    }),
  );
}

/** Undefined where nobody knows which lot it was. */
function wasFiredBefore({ body, firedAt }: Result, results: readonly Result[]): boolean | undefined {
  if (!body.lotId) return undefined;
  return results.some((other) => other.body.lotId === body.lotId && other.body.firingId !== body.firingId && other.firedAt < firedAt);
}
