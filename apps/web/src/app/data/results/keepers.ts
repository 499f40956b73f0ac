import { inject, Injectable } from '@angular/core';
import type { ClayBody, Firing, Kiln, Piece, PieceBody, Problem, Result } from '@cazuela/contract';
import {
  attempt,
  changedSince,
  coatDoneMm,
  firedCoats,
  glazeIdOf,
  planAgain,
  versionFlowRatio,
  withLayers,
  type Keeper,
  type KeptIn,
  type SinceKept,
  type StudioSince,
} from '@cazuela/core';
import { combineLatest, forkJoin, last, map, of, switchMap, throwError, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { ApiFailure } from '../http/api';
import { StudioApi } from '../http/studio-api';
import { Glazes, type StudioGlazes } from '../state/glazes';

/** A keeper with what has changed since it was glazed. */
export interface CheckedKeeper {
  piece: Piece & { body: { keeper: Keeper } };
  since: SinceKept[];
}

interface Known {
  glazes: StudioGlazes;
  pieces: Piece[];
  bodies: ClayBody[];
  firings: Firing[];
  kilns: Kiln[];
}

const PLAN_GONE: Problem = {
  type: 'about:blank#notFound',
  title: 'No',
  status: 404,
  code: 'notFound',
  detail: 'The plan of this result is not here any more: there is nothing to keep.',
};
/** A name may have so many letters. */
const NAME_LETTERS = 70;

/** Plans that were kept because they came out well: kept, checked against the studio as it stands, and made again. */
@Injectable({ providedIn: 'root' })
export class Keepers {
  private readonly api = inject(StudioApi);
  private readonly glazes = inject(Glazes);

  /** Saves the plan of a result as a plan of its own, with coats as they were done and with all that has to be the same. */
  keep(result: Result): Observable<Piece> {
    return this.known().pipe(
      switchMap(({ glazes, pieces, firings, bodies }) => {
        const piece = pieces.find(({ id }) => id === result.body.pieceId);
        if (!piece) return throwError(() => new ApiFailure('problem', PLAN_GONE));
        const firing = firings.find(({ id }) => id === result.body.firingId);
        const keeper = keeperOf(result, piece, { glazes, bodies, kilnId: firing?.body.kilnId });
        const coats = new Map(keeper.glazes.map(({ bucketId, coatMm }) => [bucketId, coatMm]));
        const plan = withLayers(piece.body.plan, (layer) => ({ ...layer, coatMm: coats.get(layer.bucketId) ?? layer.coatMm }));
        const { variations: _set, ...body } = piece.body;
        return this.api.createPiece(uuid(), { ...body, name: `${body.name.slice(0, NAME_LETTERS)}, kept`, count: 1, plan, keeper });
      }),
    );
  }

  /** What has changed since a keeper was glazed. */
  check(piece: Piece): Observable<SinceKept[]> {
    const { keeper, bodyId } = piece.body;
    if (!keeper) return of([]);
    return this.known().pipe(
      switchMap(({ glazes, bodies, firings, kilns }) => {
        const buckets = keptIn(glazes);
        const shelves = kilns.find(({ id }) => id === keeper.kilnId)?.body.shelves;
        const read = firings
          .filter(({ body }) => body.kilnId === keeper.kilnId && body.startedAt > keeper.glazedAt)
          .sort((a, b) => b.body.startedAt.localeCompare(a.body.startedAt))
          .flatMap(({ body }) => body.witnesses?.find(({ shelfId }) => shelfId === keeper.shelfId) ?? []);
        return forkJoin({ flowRatios: this.flowRatios(keeper, buckets, glazes), powderLots: this.powderLots(keeper, buckets, glazes) }).pipe(
          map(({ flowRatios, powderLots }): StudioSince => {
            const clayLotId = bodies.find(({ id }) => id === bodyId)?.lots?.at(-1)?.id;
            return {
              buckets,
              recipeVersions: new Map(glazes.recipes.map(({ id, version }) => [id, version])),
              flowRatios,
              powderLots,
              ...(clayLotId === undefined ? {} : { clayLotId }),
              ...(read[0] ? { shelfCone: read[0].lower } : {}),
              hasShelf: keeper.shelfId === undefined || (shelves?.some(({ id }) => id === keeper.shelfId) ?? false),
            };
          }),
        );
      }),
      map((now) => changedSince(keeper, now)),
    );
  }

  /** A plan like it, with the buckets that hold its glazes now. */
  again(piece: Piece): Observable<Piece> {
    return this.known().pipe(
      switchMap(({ glazes }) => {
        const { keeper, ...body } = piece.body;
        const plan = keeper ? planAgain(body.plan, keeper, keptIn(glazes)) : body.plan;
        const { lotId: _lot, ...rest } = body;
        return this.api.createPiece(uuid(), { ...rest, name: body.name.replace(/, kept$/, ''), plan });
      }),
    );
  }

  private known(): Observable<Known> {
    return combineLatest({
      glazes: this.glazes.all(),
      pieces: this.api.pieces(),
      bodies: this.api.bodies(),
      firings: this.api.firings(),
      kilns: this.api.kilns(),
    }).pipe(last());
  }

  /** Of glazes whose bucket holds another version than the one that was used. */
  private flowRatios(keeper: Keeper, buckets: readonly KeptIn[], { powders }: StudioGlazes): Observable<ReadonlyMap<string, number>> {
    const changed = keeper.glazes.flatMap(({ glazeId, recipeVersion }) => {
      const versions = buckets.flatMap((bucket) => (bucket.glazeId === glazeId && !bucket.isGone ? (bucket.recipeVersion ?? []) : []));
      const now = versions.includes(recipeVersion ?? 0) ? undefined : versions[0];
      return recipeVersion === undefined || now === undefined ? [] : [{ glazeId, recipeVersion, now }];
    });
    if (changed.length === 0) return of(new Map());
    return forkJoin(
      changed.map(({ glazeId, recipeVersion, now }) =>
        this.api.recipeVersions(glazeId).pipe(
          map((versions): [string, number][] => {
            const [before, after] = [recipeVersion, now].map((wanted) => versions.find(({ number }) => number === wanted)?.body.lines);
            if (!before || !after) return [];
            const ratio = attempt(() => versionFlowRatio({ before, after, powders }));
            return ratio.kind === 'ok' ? [[glazeId, ratio.value]] : [];
          }),
        ),
      ),
    ).pipe(map((pairs) => new Map(pairs.flat())));
  }

  /** Of glazes that were mixed anew since: lots of their powders that came meanwhile. */
  private powderLots(keeper: Keeper, buckets: readonly KeptIn[], { recipes, powders }: StudioGlazes): Observable<StudioSince['powderLots']> {
    const mixed = keeper.glazes.filter(({ glazeId }) => buckets.some((bucket) => bucket.glazeId === glazeId && bucket.createdAt > keeper.glazedAt));
    const needed = new Map<string, string[]>();
    for (const { glazeId } of mixed)
      for (const { powderId } of recipes.find(({ id }) => id === glazeId)?.body.lines ?? [])
        needed.set(powderId, [...(needed.get(powderId) ?? []), glazeId]);
    if (needed.size === 0) return of([]);
    return forkJoin(
      [...needed].map(([powderId, glazeIds]) =>
        this.api
          .powderMoves(powderId)
          .pipe(
            map(({ moves }) =>
              moves
                .filter(({ kind, lot, at }) => kind === 'received' && lot !== '' && at > keeper.glazedAt)
                .map(({ lot }) => ({ powder: powders.find(({ id }) => id === powderId)?.name ?? 'a powder', lot, glazeIds })),
            ),
          ),
      ),
    ).pipe(map((lots) => lots.flat()));
  }
}

/** Plans that are keepers. */
export const isKeeper = (piece: Piece): piece is CheckedKeeper['piece'] => piece.body.keeper !== undefined;

function keeperOf(
  { id, body, glazedWith, firedAt }: Result,
  piece: Piece,
  { glazes: { buckets }, bodies, kilnId }: { glazes: StudioGlazes; bodies: readonly ClayBody[]; kilnId: string | undefined },
): Keeper {
  const done = glazedWith.flatMap(({ doneAt }) => doneAt ?? []).sort();
  const glazedAt = done.at(-1) ?? firedAt;
  const clay = bodies.find((one) => one.id === piece.body.bodyId);
  const clayLotId = piece.body.lotId ?? clay?.lots?.filter(({ at }) => at <= glazedAt).at(-1)?.id;
  const versions: PieceBody['plan']['versions'] = piece.body.plan.versions ?? [];
  const glazes = glazedWith.flatMap(({ bucketId, bucketName, sg, seconds, secondsPlanned }) => {
    const bucket = buckets.find((one) => one.id === bucketId);
    if (!bucketId || !bucket) return [];
    const [coat] = firedCoats(glazedWith.filter((one) => one.bucketId === bucketId));
    const coatMm = coat && (coatDoneMm(coat, { lowSg: bucket.body.sgLow, highSg: bucket.body.sgHigh }) ?? coat.plannedMm);
    const recipeVersion = versions.find((one) => one.bucketId === bucketId)?.number ?? bucket.recipeVersion ?? undefined;
    return [
      {
        bucketId,
        glazeId: glazeIdOf(bucket),
        name: bucketName ?? bucket.body.name,
        ...(recipeVersion === undefined ? {} : { recipeVersion }),
        ...(sg === null ? {} : { sg }),
        ...(coatMm === undefined ? {} : { coatMm }),
        ...(seconds === null ? {} : { seconds, ...(secondsPlanned ? { secondsPlanned } : {}) }),
      },
    ];
  });
  return {
    resultId: id,
    glazedAt,
    coneReached: body.coneReached,
    glazes: [...new Map(glazes.map((glaze) => [glaze.bucketId, glaze])).values()],
    ...(clayLotId ? { clayLotId } : {}),
    ...(kilnId && body.shelfId ? { kilnId, shelfId: body.shelfId } : {}),
  };
}

const keptIn = ({ buckets }: StudioGlazes): KeptIn[] =>
  buckets.map((bucket) => ({
    id: bucket.id,
    glazeId: glazeIdOf(bucket),
    ...(bucket.recipeVersion === null ? {} : { recipeVersion: bucket.recipeVersion }),
    ...(bucket.contents ? { sg: bucket.contents.sg } : {}),
    isGone: !bucket.contents || bucket.body.closedAt !== undefined,
    createdAt: bucket.createdAt,
  }));
