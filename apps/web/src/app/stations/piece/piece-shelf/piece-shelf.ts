import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import type { Piece } from '@cazuela/contract';
import { PIECE_SHAPES, shapeOf, type PieceShape } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { createMutation } from '../../../data/http/mutation';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { Loading } from '../../../ui/loading';
import { PieceSection, pixelsPerMm } from '../../../parts/piece-section';
import { ErrorBanner } from '../../../ui/error-banner';
import { PlanImport } from './plan-import';
import { compareNames, compareText } from '../../../data/units/compare';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { Card, CardGrid } from '../../../ui/card-grid';
import { SelectField } from '../../../ui/select-field';
import { TextField } from '../../../ui/text-field';
import { EmptyState } from '../../../ui/empty-state';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { PutAwayLink } from '../../../parts/records/put-away-link';

/** Room for the largest piece on the shelf, px. */
const BOX_PX = { width: 170, height: 150 };

/** So few are all seen at once. */
const FEW = 8;
const SORTS = [
  ['newest', 'newest first'],
  ['name', 'name'],
  ['clay', 'clay body'],
] as const;
type Sort = (typeof SORTS)[number][0];
const sortSchema = z.object({ by: z.enum(SORTS.map(([by]) => by)) });

@Component({
  selector: 'cz-piece-shelf',
  imports: [Card, CardGrid, EmptyState, ErrorBanner, Loading, MatButton, PieceSection, PlanImport, PutAwayLink, RouterLink, SelectField, TextField],
  templateUrl: './piece-shelf.html',
  styleUrl: './piece-shelf.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceShelf {
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly away = inject(PutAwayStore);
  protected readonly creating = createMutation();
  protected readonly shapes = PIECE_SHAPES;
  protected readonly all = apiResource(() => combineLatest({ pieces: this.api.pieces(), bodies: this.api.bodies(), buckets: this.api.buckets() }));
  protected readonly colours = computed(() => new Map((this.all.value()?.buckets ?? []).map((bucket) => [bucket.id, bucket.body.colour])));
  protected readonly filled = computed(() => (this.all.value()?.buckets ?? []).filter((bucket) => bucket.contents));
  protected readonly noBody = computed(() => this.all.value()?.bodies.length === 0);
  protected readonly mayFilter = computed(() => (this.all.value()?.pieces.length ?? 0) > FEW);
  protected readonly sorts = SORTS;
  protected readonly filter = signal('');
  protected readonly sort = sessionSignal<{ by: Sort }>('piece-shelf', { by: 'newest' }, (kept) => sortSchema.safeParse(kept).data);
  private readonly clays = computed(() => new Map((this.all.value()?.bodies ?? []).map((body) => [body.id, body])));
  private readonly shown = computed(() => {
    const text = this.filter().trim().toLowerCase();
    const clayOf = (piece: Piece): string => this.clays().get(piece.body.bodyId)?.name ?? '';
    const { by } = this.sort();
    return this.away
      .without('piece', this.all.value()?.pieces ?? [])
      .filter((piece) => `${piece.body.name} ${clayOf(piece)}`.toLowerCase().includes(text))
      .sort((a, b) => {
        const byName = compareNames(a.body.name, b.body.name);
        if (by === 'newest') return compareText(b.createdAt, a.createdAt) || byName;
        return by === 'name' ? byName : compareNames(clayOf(a), clayOf(b)) || byName;
      });
  });
  /** All pieces stand at one scale, that of the largest: a cup is small beside a platter. */
  protected readonly entries = computed(() => {
    const drawn = this.shown().map((piece) => {
      const shape = shapeOf(piece.body.plan);
      return { piece, shape, perMm: pixelsPerMm(shape, BOX_PX) };
    });
    const common = Math.min(...drawn.map(({ perMm }) => perMm));
    return drawn.map(({ piece, shape, perMm }) => ({
      id: piece.id,
      piece,
      shape,
      widthPx: (BOX_PX.width * common) / perMm,
      heightPx: (BOX_PX.height * common) / perMm,
      clay: this.clays().get(piece.body.bodyId),
    }));
  });
  protected readonly bare = {
    shapeId: '',
    zones: { inside: [], outside: [], rim: [], foot: [] },
    waxFootMm: 0,
    rimBandMm: 20,
    order: [],
    putAside: [],
  };
  protected readonly none = new Map<string, string>();

  protected create(shape: PieceShape): void {
    const bodyId = this.all.value()?.bodies[0]?.id;
    if (!bodyId) return;
    const id = uuid();
    const plan = {
      ...this.bare,
      shapeId: shape.id,
      waxFootMm: shape.slabMm === undefined ? 10 : 0,
      ...(shape.id === 'liddedPot' ? { lid: true } : {}),
    };
    this.creating.run(this.api.createPiece(id, { name: shape.name, bodyId, count: 1, plan }), () => void this.router.navigate(['/piece', id]));
  }

  protected opened(id: string): void {
    void this.router.navigate(['/piece', id]);
  }
}
