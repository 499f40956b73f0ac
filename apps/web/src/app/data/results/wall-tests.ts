import { inject, Injectable } from '@angular/core';
import type {
  BucketSummary,
  ClayBody,
  CoatWindowDocument,
  Day,
  Firing,
  GlazeVersionRow,
  Load,
  Piece,
  Recipe,
  Result,
  RunnerTile,
  StepTile,
} from '@cazuela/contract';
import {
  dayStanding,
  glazeIdOf,
  coatDoneMm,
  coatOfLayer,
  firedCoats,
  glazesOfVersions,
  recipeOfGlaze,
  replayLoad,
  seenCoats,
  USUAL_CONE,
  versionKey,
  windowVerdict,
  type Layer,
  type PiecePlan,
  type TestState,
  type WallCoat,
  type WallTest,
} from '@cazuela/core';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';
import { whileUnchanged } from '../unchanged';
import { compareText } from '../units/compare';

/** A glaze of the wall's edges. */
export interface WallGlaze {
  id: string;
  name: string;
  colour: string;
  /** A bucket that holds it; undefined where none does. */
  bucketId?: string | undefined;
}

/** All that hangs on the wall, with its edges. */
export interface WallOfTests {
  tests: WallTest[];
  glazes: WallGlaze[];
  bodies: ClayBody[];
  /** Glazes whose window on a clay is known: "glaze clay". */
  hasWindow: ReadonlySet<string>;
}

interface Known {
  pieces: Piece[];
  results: Result[];
  tiles: StepTile[];
  runners: RunnerTile[];
  days: Day[];
  loads: Load[];
  firings: Firing[];
}
interface AllKnown extends Known {
  buckets: BucketSummary[];
  recipes: Recipe[];
  bodies: ClayBody[];
  versions: GlazeVersionRow[];
  windows: CoatWindowDocument[];
}

/** Every piece and tile of the studio, as a test of the glazes that are seen on it. */
@Injectable({ providedIn: 'root' })
export class WallTests {
  private readonly api = inject(StudioApi);
  /** Thousands of tests are put together once. */
  private readonly wall = whileUnchanged(wallOf);

  all(): Observable<WallOfTests> {
    return combineLatest({
      buckets: this.api.buckets(),
      recipes: this.api.recipes(),
      bodies: this.api.bodies(),
      pieces: this.api.pieces(),
      results: this.api.results(),
      tiles: this.api.tiles(),
      runners: this.api.runnerTiles(),
      days: this.api.days(),
      loads: this.api.loads(),
      firings: this.api.firings(),
      versions: this.api.allRecipeVersions(),
      windows: this.api.coatWindows(),
    }).pipe(map(this.wall));
  }
}

function wallOf({ buckets, recipes, bodies, versions, windows, ...known }: AllKnown): WallOfTests {
  const glazeOf = new Map<string, string>([
    ...recipes.map(({ id }) => [id, id] as const),
    ...buckets.map((bucket) => [bucket.id, glazeIdOf(bucket)] as const),
  ]);
  const versionGlazes = glazesOfVersions(versions);
  /** A version of a recipe that differs is another glaze. */
  const glazeIn = (bucketId: string, plan: PiecePlan): string | undefined => {
    const glazeId = glazeOf.get(bucketId);
    const number = plan.versions?.find((kept) => kept.bucketId === bucketId)?.number;
    return glazeId !== undefined && number !== undefined ? (versionGlazes.get(versionKey({ recipeId: glazeId, number })) ?? glazeId) : glazeId;
  };
  const tests = testsOf(known, glazeIn, coatJudge(windows, buckets));
  const seen = new Set(tests.flatMap(({ lowerId, upperId }) => [lowerId, upperId]));
  const bucketOf = new Map(buckets.map((bucket) => [glazeIdOf(bucket), bucket]));
  const glazes: WallGlaze[] = [
    ...recipes.map(({ id, body }) => ({ id, name: body.name, colour: body.colour, bucketId: bucketOf.get(id)?.id })),
    ...buckets
      .filter((bucket) => glazeIdOf(bucket) === bucket.id && (seen.has(bucket.id) || isOneGlaze(bucket)))
      .map(({ id, body }) => ({ id, name: body.name, colour: body.colour, bucketId: id })),
  ];
  for (const version of versions) {
    const id = versionGlazes.get(versionKey(version)) ?? version.recipeId;
    if (id === version.recipeId || !seen.has(id) || glazes.some((one) => one.id === id)) continue;
    glazes.push({ id, name: `${version.name}, version ${version.number}`, colour: version.colour });
  }
  const hasWindow = new Set(windows.map(({ glazeId, bodyId }) => `${glazeId} ${bodyId}`));
  return { tests, glazes: glazes.sort((a, b) => compareText(a.name, b.name)), bodies, hasWindow };
}

/** A bought glaze without a recipe; scraps of several are tested by nobody. */
const isOneGlaze = ({ contents }: BucketSummary): boolean => contents !== null && (contents.glazes?.length ?? 1) <= 1;

/** How thick a glaze is on a clay, by its window there; undefined where nobody knows its coat or its window. */
type CoatJudge = (glazeId: string, bodyId: string, coats: readonly Layer[], done?: Result) => WallCoat | undefined;

function coatJudge(windows: readonly CoatWindowDocument[], buckets: readonly BucketSummary[]): CoatJudge {
  const windowOf = new Map(windows.map(({ glazeId, bodyId, changes }) => [`${glazeId} ${bodyId}`, changes.at(-1)?.window]));
  const ranges = new Map(buckets.map(({ id, body }) => [id, { lowSg: body.sgLow, highSg: body.sgHigh }]));
  return (glazeId, bodyId, coats, done) => {
    const window = windowOf.get(`${recipeOfGlaze(glazeId)} ${bodyId}`);
    if (!window) return undefined;
    const kept = done ? firedCoats(done.glazedWith) : [];
    const coatMm = coats.reduce((sum, layer) => {
      const coat = coatOfLayer(kept, layer);
      return sum + ((coat && (coatDoneMm(coat, ranges.get(layer.bucketId)) ?? coat.plannedMm)) ?? layer.coatMm);
    }, 0);
    return windowVerdict({ coatMm, window });
  };
}

function testsOf(known: Known, glazeIn: (bucketId: string, plan: PiecePlan) => string | undefined, coatOf: CoatJudge): WallTest[] {
  const { pieces, results, tiles, runners } = known;
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const firedIds = new Set(results.map(({ body }) => body.pieceId));
  const states = statesOf(known);
  const ofResults = results.flatMap((result): WallTest[] => {
    const { id, pieceName, firedAt, body } = result;
    const piece = byId.get(body.pieceId);
    if (!piece) return [];
    return seenCoats(piece.body.plan, (bucketId) => glazeIn(bucketId, piece.body.plan)).map(({ coats, ...combination }) => ({
      ...combination,
      coat: coatOf(combination.upperId, piece.body.bodyId, coats, result),
      of: { kind: 'result', id, name: pieceName },
      state: 'fired',
      bodyId: piece.body.bodyId,
      cone: body.coneReached,
      at: firedAt,
      ...(body.stars > 0 ? { stars: body.stars } : {}),
      isFaulty: body.faults.length > 0,
      ...(body.photoId ? { photoId: body.photoId } : {}),
    }));
  });
  const ofPlans = pieces
    // A keeper is a plan to go by; nobody makes it itself.
    .filter(({ id, body }) => !body.keeper && (!firedIds.has(id) || states.has(id)))
    .flatMap(({ id, body, createdAt }): WallTest[] =>
      seenCoats(body.plan, (bucketId) => glazeIn(bucketId, body.plan)).map(({ coats, ...combination }) => ({
        ...combination,
        coat: coatOf(combination.upperId, body.bodyId, coats),
        of: { kind: 'piece', id, name: body.name },
        state: states.get(id) ?? 'planned',
        bodyId: body.bodyId,
        cone: body.plan.cone ?? USUAL_CONE,
        at: createdAt,
      })),
    );
  const ofTiles = tiles.map(({ id, code, body, createdAt }): WallTest => ({
    upperId: body.glazeId,
    coat: 'steps',
    of: { kind: 'tile', id, name: `Step tile ${code}` },
    state: body.firedAt ? 'fired' : body.dippedAt ? 'glazed' : 'planned',
    bodyId: body.bodyId,
    cone: body.cone ?? USUAL_CONE,
    at: body.firedAt ?? createdAt,
  }));
  const ofRunners = runners.map(({ id, code, body, createdAt }): WallTest => {
    const [lower, upper] = body.layers;
    return {
      ...(upper ? { lowerId: lower!.glazeId, upperId: upper.glazeId } : { upperId: lower!.glazeId }),
      of: { kind: 'runner', id, name: `Runner tile ${code}` },
      state: body.firedAt || body.runMm !== undefined ? 'fired' : 'planned',
      ...(body.bodyId ? { bodyId: body.bodyId } : {}),
      cone: body.cone ?? body.wantedCone ?? USUAL_CONE,
      at: body.firedAt ?? createdAt,
    };
  });
  return [...ofResults, ...ofPlans, ...ofTiles, ...ofRunners];
}

/** How far the pots of a plan are that were not read yet, by the plan. */
function statesOf({ days, loads, firings, results }: Known): Map<string, Exclude<TestState, 'planned' | 'fired'>> {
  const read = new Set(results.map(({ body }) => body.lotId));
  const firingIds = new Set(firings.map(({ id }) => id));
  const inKiln = new Set(
    loads.flatMap(({ events }) => {
      const { firingId, lots } = replayLoad(events);
      return firingId !== undefined && firingIds.has(firingId) ? lots.map(({ itemId }) => itemId) : [];
    }),
  );
  const states = new Map<string, Exclude<TestState, 'planned' | 'fired'>>();
  for (const day of days)
    for (const { item, open } of dayStanding(day).lots) {
      if (read.has(item.id) || open < item.steps.length || item.count === 0) continue;
      if (inKiln.has(item.id)) states.set(item.pieceId, 'inKiln');
      else if (!states.has(item.pieceId)) states.set(item.pieceId, 'glazed');
    }
  return states;
}
