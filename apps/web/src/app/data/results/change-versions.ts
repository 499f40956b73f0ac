import { inject, Injectable } from '@angular/core';
import type { BucketSummary, Firing, Piece, Problem, Recipe, ResultChangeBody } from '@cazuela/contract';
import {
  attempt,
  calcinedLines,
  CHANGES,
  fittedLines,
  glazeIdOf,
  layersAt,
  planWithChange,
  scheduleWithChange,
  windowFromLooks,
  type CoatWindow,
  type FaultPlace,
  type FiredFault,
  type Powder,
  type ResultChange,
} from '@cazuela/core';
import { combineLatest, last, map, of, switchMap, throwError, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { ApiFailure } from '../http/api';
import { StudioApi } from '../http/studio-api';
import { NOW } from '../state/clock';
import { firedLook } from '../state/fired-looks';
import { StudioStore } from '../state/studio-store';

/** A change of what a fired piece was made by. */
export interface ChangeOfPiece {
  pieceId: string;
  fault: FiredFault;
  where: FaultPlace;
  change: ResultChange;
  firing?: Firing | undefined;
}

type Became = ResultChangeBody['became'];

const NOT_AS_IT_WAS: Problem = {
  type: 'about:blank#conflict',
  title: 'No',
  status: 409,
  code: 'conflict',
  detail: 'Its plan is not as it was: look at it, and change it there.',
};
/** Below this a kiln is opened from then on, °C. */
const OPEN_BELOW_CELSIUS = 100;

/** Writes the new version that a change becomes, from what the records hold now. Emits undefined for what is no record: a habit, or done by hand. */
@Injectable({ providedIn: 'root' })
export class ChangeVersions {
  private readonly api = inject(StudioApi);
  private readonly studio = inject(StudioStore);
  private readonly now = inject(NOW);

  write(wanted: ChangeOfPiece): Observable<Became> {
    switch (CHANGES[wanted.change.kind].changes) {
      case 'plan':
        return this.plan(wanted);
      case 'window':
        return this.window(wanted);
      case 'recipe':
        return this.recipe(wanted);
      case 'schedule':
        return this.schedule(wanted);
      case 'kiln':
        return this.kiln(wanted);
      default:
        return of(undefined);
    }
  }

  private plan({ pieceId, change, where }: ChangeOfPiece): Observable<Became> {
    return this.api.pieces().pipe(
      last(),
      switchMap((pieces) => {
        const piece = pieces.find(({ id }) => id === pieceId);
        const plan = piece && planWithChange(piece.body.plan, change, where);
        if (!plan) return throwError(() => new ApiFailure('problem', NOT_AS_IT_WAS));
        return this.api.updatePiece(piece.id, piece.version, { ...piece.body, plan });
      }),
      map(({ id, version }) => ({ what: 'plan' as const, id, version })),
    );
  }

  /** The end that the fault is at goes to where the fires show it; without a window, what they show is kept as one. */
  private window({ pieceId, fault, where, change }: ChangeOfPiece): Observable<Became> {
    const { api } = this;
    return combineLatest([api.pieces(), api.buckets(), api.coatWindows(), api.tiles(), api.results()]).pipe(
      last(),
      switchMap(([pieces, buckets, windows, tiles, results]) => {
        const made = topGlaze({ pieceId, where, pieces, buckets });
        if (!made) return throwError(() => new ApiFailure('problem', NOT_AS_IT_WAS));
        const pair = { glazeId: glazeIdOf(made.bucket), bodyId: made.piece.body.bodyId };
        const document = windows.find(({ glazeId, bodyId }) => glazeId === pair.glazeId && bodyId === pair.bodyId);
        const window =
          movedWindow(document?.changes.at(-1)?.window, { fault, to: change.to }) ?? windowOf(firedLook(pair, buckets, { tiles, results, pieces }));
        if (!window) return of(undefined);
        const reason = `${made.piece.body.name} came out ${fault}`;
        const put = { version: document?.version ?? 0, ...pair, change: { at: this.now().toISOString(), by: this.studio.by(), reason, window } };
        return api.putCoatWindow(document?.id ?? uuid(), put).pipe(map(({ id, version }) => ({ what: 'window' as const, id, version })));
      }),
    );
  }

  /** With other lines that do what the change wants, where the powders of the studio can. */
  private recipe({ pieceId, fault, where, change }: ChangeOfPiece): Observable<Became> {
    const { api } = this;
    return combineLatest([api.pieces(), api.buckets(), api.recipes(), api.powders()]).pipe(
      last(),
      switchMap(([pieces, buckets, recipes, powders]) => {
        const made = topGlaze({ pieceId, where, pieces, buckets });
        const recipe = recipes.find(({ id }) => id === made?.bucket.recipeId);
        const other = made && recipe && otherLines(change, recipe.body.lines, powders);
        if (!other) return of(undefined);
        const body = { ...recipe.body, lines: other.lines, foodTested: false, untested: other.untested };
        const reason = `${other.reason}: ${made.piece.body.name} came out ${fault}`;
        return api.updateRecipe(recipe.id, recipe.version, reason, body).pipe(map(({ id, version }) => ({ what: 'recipe' as const, id, version })));
      }),
    );
  }

  private schedule({ change, firing }: ChangeOfPiece): Observable<Became> {
    return this.api.schedules().pipe(
      last(),
      switchMap((schedules) => {
        const schedule = schedules.find(({ id }) => id === firing?.body.schedule?.id);
        const body = schedule && scheduleWithChange(schedule.body, change);
        if (!body) return of(undefined);
        return this.api
          .updateSchedule(schedule.id, schedule.version, body)
          .pipe(map(({ id, version }) => ({ what: 'schedule' as const, id, version })));
      }),
    );
  }

  private kiln({ firing }: ChangeOfPiece): Observable<Became> {
    return this.api.kilns().pipe(
      last(),
      switchMap((kilns) => {
        const kiln = kilns.find(({ id }) => id === firing?.body.kilnId);
        if (!kiln) return of(undefined);
        const body = { ...kiln.body, openBelowCelsius: Math.min(kiln.body.openBelowCelsius ?? OPEN_BELOW_CELSIUS, OPEN_BELOW_CELSIUS) };
        return this.api.updateKiln(kiln.id, kiln.version, body).pipe(map(({ id, version }) => ({ what: 'kiln' as const, id, version })));
      }),
    );
  }
}

/** Lines of a recipe that do what a change wants; undefined where the powders of the studio cannot. */
function otherLines(
  { kind, from, to }: ResultChange,
  lines: Recipe['body']['lines'],
  powders: readonly Powder[],
): { lines: Recipe['body']['lines']; reason: string; untested: string } | undefined {
  if (to === undefined) return undefined;
  if (kind === 'closerFit') {
    const fitted = attempt(() => fittedLines({ lines, powders, fall: to - (from ?? 0), newId: () => uuid() }));
    if (fitted.kind !== 'ok' || !fitted.value) return undefined;
    return { lines: fitted.value.lines, reason: 'It fits its clay better', untested: 'Made to fit its clay by calculation: nobody fired it yet.' };
  }
  const calcined = attempt(() => calcinedLines({ lines, powders, mostShrinkPercent: to, newId: uuid() }));
  if (calcined.kind !== 'ok' || !calcined.value) return undefined;
  return { lines: calcined.value, reason: 'Less of its clay shrinks', untested: 'Part of its clay was calcined: nobody fired it yet.' };
}

/** The piece, and the bucket of the glaze on top where its fault is; undefined where one of them is gone. */
function topGlaze({
  pieceId,
  where,
  pieces,
  buckets,
}: {
  pieceId: string;
  where: FaultPlace;
  pieces: readonly Piece[];
  buckets: readonly BucketSummary[];
}): { piece: Piece; bucket: BucketSummary } | undefined {
  const piece = pieces.find(({ id }) => id === pieceId);
  const top = piece && layersAt(piece.body.plan, where).at(-1);
  const bucket = top && buckets.find(({ id }) => id === top.bucketId);
  return piece && bucket ? { piece, bucket } : undefined;
}

/** Undefined where there is none, or its ends would cross. */
function movedWindow(kept: CoatWindow | undefined, { fault, to }: { fault: FiredFault; to: number | undefined }): CoatWindow | undefined {
  if (!kept || to === undefined) return undefined;
  const window = fault === 'thin' ? { ...kept, thinMm: to } : { ...kept, thickMm: to };
  return window.thinMm < window.thickMm ? window : undefined;
}

function windowOf({ looks }: ReturnType<typeof firedLook>): CoatWindow | undefined {
  const made = attempt(() => windowFromLooks({ looks }));
  if (made.kind !== 'ok' || made.value.kind !== 'ok') return undefined;
  const { thinMm, thickMm, looks: words } = made.value.window;
  return { thinMm: Number(thinMm.toFixed(2)), thickMm: Number(thickMm.toFixed(2)), looks: words };
}
