import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { pieceSchema, type Piece, type PieceBody } from '@cazuela/contract';
import { MOST_LAYERS, type Layer, type PiecePlan, type Zone } from '@cazuela/core';
import { catchError, concatMap, defer, EMPTY, Subject, tap, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { toFailure, type ApiFailure } from '../../../data/api';
import { StudioApi } from '../../../data/studio-api';

/** A piece being planned: every change is kept in the records at once, with undo and with both versions when two plan it. */
@Injectable()
export class PieceDraft {
  private readonly api = inject(StudioApi);
  private readonly changes = new Subject<void>();
  private readonly current = signal<PieceBody | undefined>(undefined);
  private readonly past = signal<readonly PieceBody[]>([]);
  private kept: PieceBody | undefined;
  private piece: Piece | undefined;

  readonly body = this.current.asReadonly();
  readonly failure = signal<ApiFailure | undefined>(undefined);
  readonly canUndo = computed(() => this.past().length > 0);
  readonly stale = computed(() => {
    const failure = this.failure();
    const current = failure?.problem.code === 'stale' ? pieceSchema.safeParse(failure.problem.current) : undefined;
    return current?.success ? { detail: failure!.problem.detail, current: current.data } : undefined;
  });

  /** Saves run one after another and each sends the newest state; what a later one has sent already is not sent again. */
  readonly saves$: Observable<unknown> = this.changes.pipe(concatMap(() => this.save()));

  constructor() {
    // Ending the stream lets a save under way finish when the screen is left.
    inject(DestroyRef).onDestroy(() => this.changes.complete());
  }

  open(piece: Piece): void {
    this.piece = piece;
    this.kept = piece.body;
    this.current.set(piece.body);
    this.past.set([]);
    this.failure.set(undefined);
  }

  change(change: Partial<PieceBody>): void {
    const before = this.current();
    if (!before) return;
    this.past.update((past) => [...past.slice(-99), before]);
    this.current.set({ ...before, ...change });
    this.changes.next();
  }

  plan(change: Partial<PiecePlan>): void {
    const body = this.current();
    if (body) this.change({ plan: { ...body.plan, ...change } });
  }

  addLayer(zone: Zone, bucketId: string): void {
    const zones = this.current()!.plan.zones;
    if (zones[zone].length >= MOST_LAYERS) return;
    const way = zone === 'inside' ? 'pour' : 'dip';
    this.plan({ zones: { ...zones, [zone]: [...zones[zone], { id: uuid(), bucketId, way, coatMm: 0.5 } satisfies Layer] } });
  }

  changeLayer(zone: Zone, id: string, change: Partial<Layer>): void {
    const zones = this.current()!.plan.zones;
    this.plan({ zones: { ...zones, [zone]: zones[zone].map((layer) => (layer.id === id ? { ...layer, ...change } : layer)) } });
  }

  removeLayer(zone: Zone, id: string): void {
    const zones = this.current()!.plan.zones;
    this.plan({ zones: { ...zones, [zone]: zones[zone].filter((layer) => layer.id !== id) } });
  }

  undo(): void {
    const before = this.past().at(-1);
    if (!before) return;
    this.past.update((past) => past.slice(0, -1));
    this.current.set(before);
    this.changes.next();
  }

  /** After a failure: sends the newest state again. */
  again(): void {
    this.changes.next();
  }

  /** Keeps what stands here as the newest version, over the one somebody else saved. */
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
          this.failure.set(toFailure(error));
          return EMPTY;
        }),
      );
    });
  }
}
