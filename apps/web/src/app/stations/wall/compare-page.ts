import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Result } from '@cazuela/contract';
import { combinationKey, compareSets, CONES, type ComparedPiece, type CompareSet } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { WallTests } from '../../data/results/wall-tests';
import { addressed } from '../../data/state/address';
import { formatWhen } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { AutocompleteField } from '../../ui/autocomplete-field';
import { EmptyState } from '../../ui/empty-state';
import type { FieldOption } from '../../ui/options';
import { ResourceState } from '../../ui/resource-state';
import { Slider } from '../../ui/slider';
import { BalancedPhoto } from './balanced-photo';

const MOST = 6;
const QUARTER = 90;
const SET_WORDS: Readonly<Record<CompareSet['by'], string>> = { coat: 'Thin to thick', cone: 'Cone to cone', body: 'Clay to clay' };

/** Two to six results at one scale, zoomed, moved and turned together, with what was different about them. */
@Component({
  selector: 'cz-compare-page',
  imports: [AutocompleteField, BalancedPhoto, EmptyState, MatButton, ResourceState, RouterLink, Slider],
  templateUrl: './compare-page.html',
  styleUrl: './compare-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparePage {
  /** From the address: ids, separated by commas. */
  readonly of = input<string>();
  protected readonly api = inject(StudioApi);
  private readonly units = inject(Units);
  private readonly wall = inject(WallTests);
  protected readonly ids = addressed('of', () => this.of());
  protected readonly all = apiResource(() =>
    combineLatest({ results: this.api.results(), pieces: this.api.pieces(), bodies: this.api.bodies(), wall: this.wall.all() }),
  );
  /** Beside the results: photos with a grey patch are shown by it. */
  private readonly balance = apiResource(() => this.api.photoColours());
  protected readonly colours = computed(() => new Map((this.balance.value() ?? []).map((photo) => [photo.id, photo] as const)));
  protected readonly zoom = signal(1);
  private readonly quarters = signal(0);
  private readonly moved = signal({ x: 0, y: 0 });
  protected held: { x: number; y: number } | undefined;
  protected readonly transform = computed(() => {
    const { x, y } = this.moved();
    return `translate(${x}px, ${y}px) rotate(${QUARTER * this.quarters()}deg) scale(${this.zoom()})`;
  });
  protected readonly shown = computed((): Result[] => {
    const results = this.all.value()?.results ?? [];
    return this.ids()
      .split(',')
      .flatMap((id) => results.find((result) => result.id === id) ?? [])
      .slice(0, MOST);
  });
  protected readonly others = computed((): FieldOption[] => {
    const here = new Set(this.shown().map(({ id }) => id));
    return (this.all.value()?.results ?? [])
      .filter(({ id, body }) => !here.has(id) && body.photoId !== null)
      .map((result) => [result.id, `${result.pieceName}, ${formatWhen(result.firedAt)}, ${result.body.stars} ★`] as const);
  });
  private readonly compared = computed((): ComparedPiece[] => {
    const all = this.all.value();
    if (!all) return [];
    const keys = new Map<string, string[]>();
    for (const test of all.wall.tests) if (test.of.kind === 'result') keys.set(test.of.id, [...(keys.get(test.of.id) ?? []), combinationKey(test)]);
    return all.results.flatMap(({ id, body, glazedWith }): ComparedPiece[] => {
      const piece = all.pieces.find((one) => one.id === body.pieceId);
      if (!piece || body.photoId === null) return [];
      const coats = glazedWith.flatMap(({ bucketId, coatMm }) => (bucketId && coatMm !== null ? [coatMm] : []));
      return [
        {
          id,
          combinations: keys.get(id) ?? [],
          bodyId: piece.body.bodyId,
          cone: body.coneReached,
          ...(coats.length > 0 ? { coatMm: Math.max(...coats) } : {}),
        },
      ];
    });
  });
  protected readonly sets = computed(() => {
    const first = this.compared().find(({ id }) => id === this.shown()[0]?.id);
    if (!first) return [];
    return compareSets(first, this.compared(), (cone) => CONES.findIndex((one) => one.cone === cone)).map(({ by, ids }) => ({
      words: `${SET_WORDS[by]} (${ids.length})`,
      ids: ids.join(','),
    }));
  });
  protected readonly differences = computed(() => {
    const all = this.all.value();
    const shown = this.shown();
    if (!all) return [];
    const rows: [string, (result: Result) => string][] = [
      ['Piece', ({ pieceName }) => pieceName],
      ['Clay', ({ body }) => all.bodies.find(({ id }) => id === all.pieces.find((piece) => piece.id === body.pieceId)?.body.bodyId)?.name ?? ''],
      ['Cone', ({ body }) => `cone ${body.coneReached}`],
      ['Kiln', ({ kiln }) => kiln],
      ['Fired', ({ firedAt }) => formatWhen(firedAt)],
      ...this.coatRows(shown),
      ['Ran', ({ body }) => (body.ranMm === undefined ? '' : this.units.length(body.ranMm))],
      ['Foot', ({ body }) => body.foot ?? ''],
      ['Faults', ({ body }) => body.faults.map(({ fault, where }) => `${fault} (${where})`).join(', ')],
      ['Looks', ({ body }) => body.note],
    ];
    return rows
      .map(([what, say]) => ({ what, cells: shown.map((result) => say(result)) }))
      .filter(({ cells }) => new Set(cells).size > 1)
      .map(({ what, cells }) => ({ what, cells: cells.map((cell) => cell || '–') }));
  });

  /** A row for each glaze: coat, SG and seconds. */
  private coatRows(shown: readonly Result[]): [string, (result: Result) => string][] {
    const names = [...new Set(shown.flatMap(({ glazedWith }) => glazedWith.flatMap(({ bucketName }) => bucketName ?? [])))];
    return names.map((name) => [
      name,
      ({ glazedWith }) =>
        glazedWith
          .filter(({ bucketName }) => bucketName === name)
          .map(({ coatMm, sg, seconds, secondsPlanned }) =>
            [
              coatMm === null ? '' : this.units.coat(coatMm),
              sg === null ? '' : `SG ${this.units.sg(sg)}`,
              seconds === null ? '' : `${this.units.seconds(seconds)}${secondsPlanned ? ' planned' : ''}`,
            ]
              .filter((part) => part !== '')
              .join(', '),
          )
          .join('; '),
    ]);
  }

  protected add(id: string): void {
    if (id) this.ids.choose([...this.shown().map((result) => result.id), id].slice(-MOST).join(','));
  }

  protected take(id: string): void {
    this.ids.choose(
      this.shown()
        .map((result) => result.id)
        .filter((one) => one !== id)
        .join(','),
    );
  }

  protected turn(): void {
    this.quarters.update((quarters) => (quarters + 1) % 4);
  }

  protected reset(): void {
    this.zoom.set(1);
    this.quarters.set(0);
    this.moved.set({ x: 0, y: 0 });
  }

  protected hold(event: PointerEvent): void {
    (event.currentTarget as HTMLElement).setPointerCapture?.(event.pointerId);
    const { x, y } = this.moved();
    this.held = { x: event.clientX - x, y: event.clientY - y };
  }

  protected drag(event: PointerEvent): void {
    if (this.held) this.moved.set({ x: event.clientX - this.held.x, y: event.clientY - this.held.y });
  }
}
