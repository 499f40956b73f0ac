import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { RunnerTile } from '@cazuela/contract';
import {
  coatObservations,
  glazeIdOf,
  knowledgeOf,
  USUAL_CONE,
  wallObservations,
  type CoatKnowledge,
  type Combination,
  type GlazeFacts,
} from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { CoatLearner } from '../../../data/learning/coat-learner';
import { clayFactsOf } from '../../../data/state/clay-facts';
import { offsetsOf } from '../../../data/state/kiln-offsets';
import { CONE_OPTIONS } from '../../../data/units/cone-options';
import { Units } from '../../../data/units/units';
import { MadeBefore } from '../../../parts/made-before';
import { SelectField } from '../../../ui/select-field';
import { runnerSteps } from './runner-steps';
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
  imports: [AutocompleteField, EmptyState, ErrorBanner, Loading, MadeBefore, MatButton, PutAwayLink, RouterLink, RunnerCard, SelectField],
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
  /** On which clay, and for which cone. */
  readonly clay = input<string>();
  readonly at = input<string>();
  private readonly api = inject(StudioApi);
  private readonly known = inject(Glazes);
  private readonly planner = inject(PlanRunner);
  private readonly units = inject(Units);
  protected readonly planning = createMutation();
  private readonly away = inject(PutAwayStore);
  protected readonly all = apiResource(() => combineLatest({ tiles: this.api.runnerTiles(), glazes: this.known.all(), bodies: this.api.bodies() }));
  /** Fired pieces, fetched beside the tiles: they sharpen what is known and delay nothing. */
  private readonly fired = apiResource(() => combineLatest({ results: this.api.results(), pieces: this.api.pieces() }));
  /** Kilns that are being filled, and where they are cool. */
  private readonly kilns = apiResource(() => combineLatest({ loads: this.api.loads(), kilns: this.api.kilns(), firings: this.api.firings() }));
  protected readonly tiles = linkedSignal<readonly RunnerTile[]>(() => this.all.value()?.tiles ?? []);
  protected readonly ordered = computed(() =>
    this.away.without('runner', this.tiles()).sort((a, b) => Number(b.id === this.tile()) - Number(a.id === this.tile())),
  );
  protected readonly glazes = computed(() => this.all.value()?.glazes.facts ?? []);
  protected readonly lower = linkedSignal(() => this.below() ?? '');
  protected readonly upper = linkedSignal(() => this.over() ?? '');
  protected readonly bodyId = linkedSignal(() => this.clay() ?? '');
  protected readonly bodyOptions = computed((): FieldOption[] => [
    ['', 'any clay'],
    ...(this.all.value()?.bodies ?? []).map(({ id, name }) => [id, name] as const),
  ]);
  protected readonly cone = linkedSignal(() => this.at() ?? USUAL_CONE);
  protected readonly cones = CONE_OPTIONS;
  /** What it would show, for the wall. */
  protected readonly combinations = computed((): Combination[] => {
    const glazeOf = (bucketId: string): string | undefined => {
      const bucket = this.all.value()?.glazes.buckets.find(({ id }) => id === bucketId);
      return bucket && glazeIdOf(bucket);
    };
    const [lowerId, upperId] = [glazeOf(this.chosen()), glazeOf(this.upper())];
    if (lowerId === undefined) return [];
    return upperId === undefined || upperId === lowerId ? [{ upperId: lowerId }] : [{ lowerId, upperId }];
  });
  private readonly lessons = inject(CoatLearner).learn(
    computed(() => ({
      observations: coatObservations(this.all.value()?.glazes.dips ?? []),
      walls: wallObservations(this.all.value()?.bodies ?? []),
    })),
  );
  /** The load that is lit next, with the place for a tile that may run. */
  protected readonly nextLoad = computed(() => {
    const found = this.kilns.value();
    const load = found?.loads.find(({ events }) => !events.some(({ type }) => type === 'fired'));
    const kiln = found?.kilns.find(({ id }) => id === load?.kilnId);
    if (!found || !load || !kiln) return undefined;
    const offsets = offsetsOf(kiln, found.firings);
    const { shelves, chamber } = kiln.body;
    const cool = [...shelves].sort(
      (a, b) => offsets.at(a.heightMm / chamber.heightMm).celsius - offsets.at(b.heightMm / chamber.heightMm).celsius,
    )[0];
    return { id: load.id, words: `in the next load of ${kiln.body.name}, a corner${cool ? ` of its coolest shelf, ${cool.name}` : ''}` };
  });
  /** How a tile is made; nothing once it was fired. */
  protected readonly stepsOf = computed(() => {
    const found = this.all.value();
    return (tile: RunnerTile): string[] => {
      if (!found || tile.body.runMm !== undefined) return [];
      const card = found.bodies.find(({ id }) => id === tile.body.bodyId);
      const knowledge = (glaze: GlazeFacts): CoatKnowledge => {
        const bucket = found.glazes.buckets.find(({ id }) => id === glaze.bucketId);
        return knowledgeOf(this.lessons.learning(), { glazeId: bucket ? glazeIdOf(bucket) : glaze.bucketId, bodyId: card?.id ?? '' });
      };
      const known = {
        glazes: found.glazes.facts,
        knowledge,
        ...(card ? { clay: { card, facts: clayFactsOf(card, undefined, false) } } : {}),
        ...(this.nextLoad() ? { place: this.nextLoad()!.words } : {}),
      };
      return runnerSteps(tile, known, this.units);
    };
  });
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
    this.planning.run(this.planner.plan(facts, found.buckets, { bodyId: this.bodyId(), cone: this.cone() }), (tile) => this.put(tile));
  }

  protected put(tile: RunnerTile): void {
    this.tiles.update((tiles) =>
      tiles.some((one) => one.id === tile.id) ? tiles.map((one) => (one.id === tile.id ? tile : one)) : [tile, ...tiles],
    );
  }
}

/** Fired pieces teach beside the tiles. */
const fromPieces = (pieces = 0): string => (pieces > 0 ? `, from ${pieces} measured ${pieces === 1 ? 'piece' : 'pieces'} too` : '');
