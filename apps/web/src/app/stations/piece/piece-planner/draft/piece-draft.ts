import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { pieceBodySchema, pieceSchema, type Piece, type PieceBody } from '@cazuela/contract';
import {
  formOf,
  layersOf,
  LUSTRE_FILM_MM,
  MOST_LAYERS,
  planFault,
  planOfPart,
  withLayers,
  withPartPlan,
  type Layer,
  type PieceForm,
  type PiecePlan,
  type Strip,
} from '@cazuela/core';
import {
  animationFrameScheduler,
  auditTime,
  BehaviorSubject,
  catchError,
  concatMap,
  debounceTime,
  defer,
  distinctUntilChanged,
  EMPTY,
  share,
  Subject,
  tap,
  type Observable,
} from 'rxjs';
import { v7 as uuid } from 'uuid';
import { toFailure, type ApiFailure } from '../../../../data/http/api';
import { DraftHistory } from '../../../../data/state/draft-history';
import { StudioApi } from '../../../../data/http/studio-api';
import { drawnShape } from './drawn-shape';
import { differenceWords, mergedPiece } from './merged-piece';
import { layersAt, layersChanged, newLayer, stripChanged } from './plan-changes';

/** Heavy computation waits until a drag has rested for this long, ms. */
const RESTS_MS = 150;

/** A piece being planned: every change is saved at once, with undo, and with both versions when two people plan it. */
@Injectable()
export class PieceDraft {
  private readonly api = inject(StudioApi);
  private readonly changes = new Subject<void>();
  private readonly current = signal<PieceBody | undefined>(undefined);
  private readonly settled = signal<PieceBody | undefined>(undefined);
  private readonly moves = new Subject<void>();
  private readonly isDragging = new BehaviorSubject(false);
  private readonly history = new DraftHistory<PieceBody>();
  /** The body before a drag began. */
  private readonly heldBody = signal<PieceBody | undefined>(undefined);
  private kept: PieceBody | undefined;
  private piece: Piece | undefined;
  /** The same object for the same plan of a part: at rest, `body` and `settledBody` are one. */
  private readonly seenBodies = new WeakMap<PiecePlan, { of: PieceBody; body: PieceBody }>();

  /** Which recipe version a bucket holds now: stored with the plan when a coat of it is planned. */
  versionOf: (bucketId: string) => { recipeVersionId: string; number: number } | undefined = () => undefined;

  /** The lid or saucer that is being planned, by its id; empty for the piece itself. */
  readonly part = signal('');
  /** Piece, lid and saucer as they are in the records. */
  readonly whole = this.settled.asReadonly();
  /** The body at this moment, its plan that of the chosen part. During a drag it changes many times a second: templates use `settledBody`, or `dragView` when they must follow. */
  readonly body = computed(() => this.seen(this.current()));
  readonly shape = drawnShape(() => this.body()?.plan);
  /** Emits during a drag, once for every animation frame: views draw then, not while pointer events are still handled. */
  readonly moves$: Observable<void> = this.moves.pipe(auditTime(0, animationFrameScheduler), share());
  /** The body when the last drag rested. A signal of its own: nothing that depends on it is checked during a drag. */
  readonly settledBody = computed(() => this.seen(this.settled()));
  /** True from the first move of a drag until it rests or ends. Not a signal: what only waits for it needs no change detection. */
  readonly dragging$: Observable<boolean> = this.isDragging.pipe(distinctUntilChanged());
  readonly failure = signal<ApiFailure | undefined>(undefined);
  /** How often changes of two people were joined here. */
  readonly merged = signal(0);
  readonly canUndo = this.history.canUndo;
  readonly canRedo = this.history.canRedo;
  /** Why the last change is not possible; cleared by the next possible one. */
  readonly refused = signal<string | undefined>(undefined);
  readonly stale = computed(() => {
    const failure = this.failure();
    const current = failure?.problem.code === 'stale' ? pieceSchema.safeParse(failure.problem.current) : undefined;
    if (!current?.success) return undefined;
    // As it was when the last drag rested: a template reads this.
    const mine = this.settled()!;
    const { conflicts } = this.kept ? mergedPiece(this.kept, mine, current.data.body) : { conflicts: ['plan'] };
    const differences = [...new Set(conflicts.map((name) => differenceWords(name, mine, current.data.body)))];
    return { detail: failure!.problem.detail, current: current.data, differences };
  });

  /** Saves run one after another and each sends the newest state; what a later one has sent already is not sent again. */
  readonly saves$: Observable<unknown> = this.changes.pipe(concatMap(() => this.save()));

  constructor() {
    // Ending the stream lets a running save finish when the screen is left.
    inject(DestroyRef).onDestroy(() => this.changes.complete());
    this.moves.pipe(debounceTime(RESTS_MS), takeUntilDestroyed()).subscribe(() => this.settle());
  }

  /** The version that what stands here has in the records, or will have once its save is through. */
  version(): number | undefined {
    return this.piece && this.piece.version + (this.current() === this.kept ? 0 : 1);
  }

  open(piece: Piece): void {
    this.piece = piece;
    this.kept = piece.body;
    this.put(piece.body);
    this.history.reset();
    this.heldBody.set(undefined);
    this.refused.set(undefined);
    this.failure.set(undefined);
  }

  change(change: Partial<PieceBody>): void {
    const before = this.heldBody() ?? this.current();
    if (!before) return;
    const { plan, ...rest } = change;
    const others = { ...before, ...rest };
    if (!this.show(plan ? withPartPlan(others, this.part(), this.withVersions(plan)) : others)) return;
    this.heldBody.set(undefined);
    this.keep(before);
  }

  plan(change: Partial<PiecePlan>): void {
    const body = this.body();
    if (body) this.change({ plan: { ...body.plan, ...change } });
  }

  /** During a drag: shown at once, saved when it ends. */
  drag(change: Partial<PiecePlan>): void {
    const body = this.current();
    if (!body) return;
    if (!this.heldBody()) this.heldBody.set(body);
    const plan = { ...planOfPart(body, this.part()), ...change };
    if (this.allows(plan)) this.current.set(withPartPlan(body, this.part(), plan));
    this.isDragging.next(true);
    this.moves.next();
  }

  /** The drag ended: one step to undo, one save. */
  drop(): void {
    const [before, body] = [this.heldBody(), this.current()];
    this.heldBody.set(undefined);
    this.settle();
    if (!before || !body || before === body) return;
    if (this.canBeKept(body, before)) this.keep(before);
    else this.put(before);
  }

  form(change: Partial<PieceForm>, mode: 'drag' | 'plan' = 'plan'): void {
    const body = this.body();
    if (!body) return;
    const form: PieceForm = { ...formOf(body.plan), ...change };
    this[mode]({ form });
  }

  addStrip(strip: Omit<Strip, 'id' | 'layers'>): void {
    this.edit((plan) => ({ strips: [...(plan.strips ?? []), { id: uuid(), layers: [], ...strip }] }));
  }

  changeStrip(id: string, change: Partial<Strip>): void {
    this.edit((plan) => stripChanged(plan, id, change));
  }

  removeStrip(id: string): void {
    this.edit((plan) => ({ strips: (plan.strips ?? []).filter((strip) => strip.id !== id) }));
  }

  /** A decorating colour was changed: coats made from it get its kind. */
  decoratingColourChanged(
    decoratingColours: NonNullable<PiecePlan['decoratingColours']>,
    decoratingColourId: string,
    coatingKind: Layer['coatingKind'],
  ): void {
    const plan = { ...this.body()!.plan, decoratingColours };
    this.plan(
      coatingKind
        ? withLayers(plan, (layer) =>
            layer.bucketId === decoratingColourId
              ? { ...layer, coatingKind, ...(coatingKind === 'lustre' ? { method: 'brush' as const, coatMm: LUSTRE_FILM_MM } : {}) }
              : layer,
          )
        : { decoratingColours },
    );
  }

  /** On a zone, or on a strip by its id. Does nothing where a place is full. */
  addLayer(place: string, bucketId: string, coatingKind?: Layer['coatingKind']): void {
    if (layersAt(this.body()!.plan, place).length >= MOST_LAYERS) return;
    const layer = { id: uuid(), ...newLayer(place, bucketId, coatingKind) };
    this.edit((plan) => layersChanged(plan, place, (layers) => [...layers, layer]));
  }

  changeLayer(place: string, id: string, change: Partial<Layer>): void {
    this.edit((plan) => layersChanged(plan, place, (layers) => layers.map((layer) => (layer.id === id ? { ...layer, ...change } : layer))));
  }

  /** Coats of a place in another order, bottom up. */
  moveLayer(place: string, moved: (layers: readonly Layer[]) => Layer[]): void {
    this.edit((plan) => ({ ...layersChanged(plan, place, moved), order: [] }));
  }

  removeLayer(place: string, id: string): void {
    this.edit((plan) => layersChanged(plan, place, (layers) => layers.filter((layer) => layer.id !== id)));
  }

  private edit(change: (plan: PiecePlan) => Partial<PiecePlan>): void {
    this.plan(change(this.body()!.plan));
  }

  private show(body: PieceBody): boolean {
    const allowed = this.allows(planOfPart(body, this.part())) && this.canBeKept(body, this.current());
    if (allowed) this.put(body);
    return allowed;
  }

  /** What the records would refuse is refused here, while the reason is visible; a plan that was past its limits before can be mended. */
  private canBeKept(body: PieceBody, before: PieceBody | undefined): boolean {
    const read = pieceBodySchema.safeParse(body);
    if (read.success || (before && !pieceBodySchema.safeParse(before).success)) return true;
    this.refused.set(read.error.issues[0]!.message);
    return false;
  }

  private allows(plan: PiecePlan): boolean {
    const fault = planFault(plan);
    this.refused.set(fault);
    return !fault;
  }

  private seen(body: PieceBody | undefined): PieceBody | undefined {
    if (!body?.parts) return body;
    const plan = planOfPart(body, this.part());
    if (plan === body.plan) return body;
    const seen = this.seenBodies.get(plan);
    if (seen?.of === body) return seen.body;
    const made = { ...body, plan };
    this.seenBodies.set(plan, { of: body, body: made });
    return made;
  }

  private put(body: PieceBody): void {
    this.current.set(body);
    this.settle();
  }

  /** Heavy computation may follow what is here now. */
  private settle(): void {
    this.settled.set(this.current());
    this.isDragging.next(false);
  }

  /** Versions of the buckets in use; one that is stored already stays, whatever the bucket holds since. */
  private withVersions(plan: PiecePlan): PiecePlan {
    const used = [...new Set(layersOf(plan).map((layer) => layer.bucketId))];
    const kept = used.flatMap((bucketId) => {
      const before = plan.versions?.find((one) => one.bucketId === bucketId);
      const now = before ? undefined : this.versionOf(bucketId);
      return before ? [before] : now ? [{ bucketId, ...now }] : [];
    });
    const { versions: _versions, ...rest } = plan;
    return kept.length > 0 ? { ...rest, versions: kept } : rest;
  }

  private keep(before: PieceBody): void {
    this.history.record(before);
    this.changes.next();
  }

  undo(): void {
    this.step('undo');
  }

  redo(): void {
    this.step('redo');
  }

  private step(direction: 'undo' | 'redo'): void {
    const now = this.current();
    const other = now && this.history[direction](now);
    if (!other) return;
    this.refused.set(undefined);
    this.put(other);
    this.changes.next();
  }

  /** After a failure: sends the newest state again. */
  again(): void {
    this.changes.next();
  }

  /** Somebody saved first. What they and this screen changed is joined where it does not touch, and saved. */
  private mergedWith(failure: ApiFailure, mine: PieceBody): boolean {
    const current = failure.problem.code === 'stale' ? pieceSchema.safeParse(failure.problem.current) : undefined;
    if (!current?.success || !this.kept) return false;
    const { body, conflicts } = mergedPiece(this.kept, mine, current.data.body);
    if (conflicts.length > 0) return false;
    this.piece = current.data;
    this.kept = current.data.body;
    this.put(body);
    this.merged.update((times) => times + 1);
    this.changes.next();
    return true;
  }

  /** Saves what is here as the newest version, over the one somebody else saved. */
  keepMine(current: Piece): void {
    this.piece = current;
    this.changes.next();
  }

  private save(): Observable<unknown> {
    return defer(() => {
      const body = this.current();
      if (!body || !this.piece || body === this.kept) return EMPTY;
      return this.api.updatePiece(this.piece.id, this.piece.version, body).pipe(
        tap((piece) => {
          this.piece = piece;
          this.kept = body;
          this.failure.set(undefined);
        }),
        catchError((error: unknown) => {
          const failure = toFailure(error);
          if (!this.mergedWith(failure, body)) this.failure.set(failure);
          return EMPTY;
        }),
      );
    });
  }
}
