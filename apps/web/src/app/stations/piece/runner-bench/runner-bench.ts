import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { RunnerTile } from '@cazuela/contract';
import { combineLatest } from 'rxjs';
import { createMutation } from '../../../data/http/mutation';
import { Glazes } from '../../../data/state/glazes';
import { learntFlows } from '../../../data/state/learnt-flows';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { Loading } from '../../../ui/loading';
import { ErrorBanner } from '../../../ui/error-banner';
import { PlanRunner } from './plan-runner';
import { RunnerCard } from './runner-card';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import type { FieldOption } from '../../../ui/options';
import { EmptyState } from '../../../ui/empty-state';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { PutAwayLink } from '../../../parts/records/put-away-link';

/** Runner tiles: how far each glaze runs, measured, and each pair over one another. Every piece plan uses what is learnt here. */
@Component({
  selector: 'cz-runner-bench',
  imports: [AutocompleteField, EmptyState, ErrorBanner, Loading, MatButton, PutAwayLink, RouterLink, RunnerCard],
  templateUrl: './runner-bench.html',
  styles: `
    .row {
      margin: 0.8rem 0 1.2rem;
    }
    .cards {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
      gap: 1rem;
      margin-top: 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunnerBench {
  /** Found by its code: it comes first. */
  readonly tile = input<string>();
  /** From the address, where a pair is to be tested: its buckets. */
  readonly below = input<string>();
  readonly over = input<string>();
  private readonly api = inject(StudioApi);
  private readonly known = inject(Glazes);
  private readonly planner = inject(PlanRunner);
  protected readonly planning = createMutation();
  private readonly away = inject(PutAwayStore);
  protected readonly all = apiResource(() => combineLatest({ tiles: this.api.runnerTiles(), glazes: this.known.all() }));
  /** Fired pieces, fetched beside the tiles: they sharpen what is known and delay nothing. */
  private readonly fired = apiResource(() => combineLatest({ results: this.api.results(), pieces: this.api.pieces() }));
  protected readonly tiles = linkedSignal<readonly RunnerTile[]>(() => this.all.value()?.tiles ?? []);
  protected readonly ordered = computed(() =>
    this.away.without('runner', this.tiles()).sort((a, b) => Number(b.id === this.tile()) - Number(a.id === this.tile())),
  );
  protected readonly glazes = computed(() => this.all.value()?.glazes.facts ?? []);
  protected readonly lower = linkedSignal(() => this.below() ?? '');
  protected readonly upper = linkedSignal(() => this.over() ?? '');
  protected readonly chosen = computed(() => this.lower() || (this.glazes()[0]?.bucketId ?? ''));
  protected readonly learnt = computed(() => {
    const found = this.all.value()?.glazes;
    if (!found) return [];
    const { results = [], pieces = [] } = this.fired.value() ?? {};
    const { facts, overlaps } = learntFlows({ runners: this.tiles(), results, pieces }, found);
    const name = (bucketId: string): string => facts.find((glaze) => glaze.bucketId === bucketId)?.name ?? 'a glaze';
    return [
      ...facts
        .filter(({ flow }) => flow.basis === 'runnerTile' || (flow.pieces ?? 0) > 0)
        .map((glaze) => {
          const run = glaze.flow.flow * 0.09;
          const spread = Math.exp(glaze.flow.lnSd);
          return `${glaze.name} runs about ${run.toFixed(1)} mm at a normal dip (two of three times ${(run / spread).toFixed(1)} to ${(run * spread).toFixed(1)})${fromPieces(glaze.flow.pieces)}.`;
        }),
      ...overlaps.map(
        (pair) =>
          `${name(pair.a)} and ${name(pair.b)} together run ${pair.omega.toFixed(1)} times as far as by themselves (± ${Math.round(100 * (Math.exp(pair.lnSd) - 1))} %)${fromPieces(pair.pieces)}.`,
      ),
    ];
  });
  protected readonly glazeOptions = computed((): FieldOption[] => this.glazes().map((glaze) => [glaze.bucketId, glaze.name] as const));
  protected readonly overOptions = computed((): FieldOption[] => [
    ['', 'nothing: its own flow'],
    ...this.glazes().map((glaze) => [glaze.bucketId, glaze.name] as const),
  ]);

  protected plan(event: Event): void {
    event.preventDefault();
    const found = this.all.value()!.glazes;
    const ids = [this.chosen(), ...(this.upper() && this.upper() !== this.chosen() ? [this.upper()] : [])];
    const facts = ids.flatMap((id) => found.facts.find((glaze) => glaze.bucketId === id) ?? []);
    this.planning.run(this.planner.plan(facts, found.buckets), (tile) => this.put(tile));
  }

  protected put(tile: RunnerTile): void {
    this.tiles.update((tiles) =>
      tiles.some((one) => one.id === tile.id) ? tiles.map((one) => (one.id === tile.id ? tile : one)) : [tile, ...tiles],
    );
  }
}

/** Fired pieces teach beside the tiles. */
const fromPieces = (pieces = 0): string => (pieces > 0 ? `, from ${pieces} measured ${pieces === 1 ? 'piece' : 'pieces'} too` : '');
