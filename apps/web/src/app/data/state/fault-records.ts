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
import { whileUnchanged } from '../unchanged';
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
  /** Each piece is put together once. */
  private readonly firedPieces = whileUnchanged((known: Known): FiredPieces => ({
    pieceOf: finder(known),
    results: known.results,
    firings: known.firings,
  }));

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
    }).pipe(map(this.firedPieces));
  }
}

function finder(known: Known): FiredPieces['pieceOf'] {
  const asFired = new Map<string, GlazedPiece | undefined>();
  const index = indexOf(known);
  return (result) => {
    if (!asFired.has(result.id)) asFired.set(result.id, pieceAsFired(result, known, index));
    return asFired.get(result.id);
  };
}

interface Index {
  pieces: ReadonlyMap<string, Piece>;
  bodies: ReadonlyMap<string, ClayBody>;
  ranges: GlazedPiece['ranges'];
  /** Windows of one clay, by bucket. */
  windowsOf: (bodyId: string) => ReadonlyMap<string, CoatWindow>;
  /** Results of one lot. */
  firedOf: (lotId: string) => readonly Result[];
  before: FiredBefore;
  ofFiring: ReturnType<typeof firingFacts>;
}

/** What each piece asks for, looked up fast: there are thousands of them. */
function indexOf(known: Known): Index {
  const { buckets, recipes } = known.glazes;
  const windowOf = new Map(known.windows.map(({ glazeId, bodyId, changes }) => [`${glazeId} ${bodyId}`, changes.at(-1)?.window] as const));
  const windowsOf = new Map<string, ReadonlyMap<string, CoatWindow>>();
  const firedOf = new Map<string, Result[]>();
  for (const result of known.results) if (result.body.lotId) firedOf.set(result.body.lotId, [...(firedOf.get(result.body.lotId) ?? []), result]);
  return {
    pieces: new Map(known.pieces.map((piece) => [piece.id, piece])),
    bodies: new Map(known.bodies.map((body) => [body.id, body])),
    ranges: new Map(buckets.map(({ id, body }) => [id, { lowSg: body.sgLow, highSg: body.sgHigh }])),
    windowsOf: (bodyId) => {
      const windows =
        windowsOf.get(bodyId) ??
        new Map(
          buckets.flatMap((bucket) => {
            const window = windowOf.get(`${glazeIdOf(bucket)} ${bodyId}`);
            return window ? [[bucket.id, window] as const] : [];
          }),
        );
      windowsOf.set(bodyId, windows);
      return windows;
    },
    firedOf: (lotId) => firedOf.get(lotId) ?? [],
    before: firedBefore({ ...known, buckets }),
    ofFiring: firingFacts({ ...known, buckets, recipes }),
  };
}

/** What finds the record of a result at a place; undefined where the plan of the piece is gone. */
export const recorderOf =
  ({ pieceOf }: Pick<FiredPieces, 'pieceOf'>): RecordOf =>
  (result, where) => {
    const piece = pieceOf(result);
    return piece && recordOfPiece(piece, where);
  };

function pieceAsFired(result: Result, known: Known, index: Index): GlazedPiece | undefined {
  const piece = index.pieces.get(result.body.pieceId)?.body;
  if (!piece) return undefined;
  const { facts } = known.glazes;
  const clay = index.bodies.get(piece.bodyId);
  const { plan } = piece;
  const bisque = clay && bisqueOf(clay, piece.lotId);
  return {
    plan,
    coats: firedCoats(result.glazedWith),
    glazes: facts,
    ranges: index.ranges,
    windows: index.windowsOf(piece.bodyId),
    ...(clay ? { clay: clayFactsOf(clay, piece.lotId, false) } : {}),
    coneReached: result.body.coneReached,
    ...index.ofFiring(result.body.firingId),
    isRefired: wasFiredBefore(result, index),
    steps: result.glazedWith,
    windowSeen: (bucketId) => windowSeen(bucketId, piece.bodyId, known),
    expansionFall: (bucketId, wantedFall) => expansionFall(bucketId, wantedFall, known.glazes),
    lastGood: index.before.lastGood(result),
    isTestedOnClay: index.before.isTestedOnClay(result, piece.bodyId),
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
function wasFiredBefore({ body, firedAt }: Result, index: Index): boolean | undefined {
  if (!body.lotId) return undefined;
  return index.firedOf(body.lotId).some((other) => other.body.firingId !== body.firingId && other.firedAt < firedAt);
}
