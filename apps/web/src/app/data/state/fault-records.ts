import { inject, Injectable } from '@angular/core';
import type { ClayBody, CoatWindowDocument, Firing, Kiln, Piece, Result, RunnerTile, StepTile } from '@cazuela/contract';
import {
  attempt,
  bisqueOf,
  firedCoats,
  fittedLines,
  formEvidence,
  glazeIdOf,
  recordOfPiece,
  shapeOf,
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
import { firingFacts } from './firing-facts';
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
  const ofFiring = firingFacts({ ...known, buckets: known.glazes.buckets, recipes: known.glazes.recipes });
  return (result) => {
    if (!asFired.has(result.id)) asFired.set(result.id, pieceAsFired(result, { ...known, before, ofFiring }));
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

function pieceAsFired(result: Result, known: Known & { before: FiredBefore; ofFiring: ReturnType<typeof firingFacts> }): GlazedPiece | undefined {
  const piece = known.pieces.find(({ id }) => id === result.body.pieceId)?.body;
  if (!piece) return undefined;
  const { buckets, facts } = known.glazes;
  const clay = known.bodies.find(({ id }) => id === piece.bodyId);
  const windows = buckets.flatMap((bucket) => {
    const window = known.windows.find(({ glazeId, bodyId }) => glazeId === glazeIdOf(bucket) && bodyId === piece.bodyId)?.changes.at(-1)?.window;
    return window ? [[bucket.id, window] as const] : [];
  });
  const { plan } = piece;
  const bisque = clay && bisqueOf(clay, piece.lotId);
  return {
    plan,
    coats: firedCoats(result.glazedWith),
    glazes: facts,
    ranges: new Map(buckets.map(({ id, body }) => [id, { lowSg: body.sgLow, highSg: body.sgHigh }])),
    windows: new Map(windows),
    ...(clay ? { clay: clayFactsOf(clay, piece.lotId, false) } : {}),
    coneReached: result.body.coneReached,
    ...known.ofFiring(result.body.firingId),
    isRefired: wasFiredBefore(result, known.results),
    steps: result.glazedWith,
    windowSeen: (bucketId) => windowSeen(bucketId, piece.bodyId, known),
    expansionFall: (bucketId, wantedFall) => expansionFall(bucketId, wantedFall, known.glazes),
    lastGood: known.before.lastGood(result),
    isTestedOnClay: known.before.isTestedOnClay(result, piece.bodyId),
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

/** With other lines of its recipe; undefined where the powders of the studio cannot do it. */
function expansionFall(bucketId: string, fall: number, { buckets, recipes, powders }: StudioGlazes): number | undefined {
  const recipeId = buckets.find(({ id }) => id === bucketId)?.recipeId;
  const lines = recipes.find(({ id }) => id === recipeId)?.body.lines;
  const made = lines && attempt(() => fittedLines({ lines, powders, fall, newId: (powderId) => powderId }));
  return made?.kind === 'ok' ? made.value?.fall : undefined;
}

/** Undefined where nobody knows which lot it was. */
function wasFiredBefore({ body, firedAt }: Result, results: readonly Result[]): boolean | undefined {
  if (!body.lotId) return undefined;
  return results.some((other) => other.body.lotId === body.lotId && other.body.firingId !== body.firingId && other.firedAt < firedAt);
}
