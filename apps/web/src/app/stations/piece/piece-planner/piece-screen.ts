import { computed, inject, Injectable, signal } from '@angular/core';
import {
  wallObservations,
  glazeIdOf,
  handWarnings,
  isTurnedOver,
  coatObservations,
  asThinned,
  attempt,
  cautionFor,
  currentVariations,
  knowledgeOf,
  laborOf,
  layersOf,
  matchingDip,
  orderWarnings,
  pieceWarnings,
  preparationsOf,
  quickForecast,
  shapeOf,
  sortWarnings,
  stepWords,
  type BodyFacts,
  type CoatKnowledge,
  type GlazeFacts,
  type Matching,
  type PiecePlan,
  type PieceShape,
  type RunForecast,
  type DecoratingColour,
  type TimedStep,
} from '@cazuela/core';
import type { ClayBody } from '@cazuela/contract';
import { combineLatest } from 'rxjs';
import { bucketOfRecipe, factsOf, glazeOfRecipe, Glazes } from '../../../data/state/glazes';
import { learntFlows } from '../../../data/state/learnt-flows';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { apiResource, keyedResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { CoatLearner } from '../../../data/learning/coat-learner';
import { Units } from '../../../data/units/units';
import { drawnShape, sameParts } from './draft/drawn-shape';
import { PieceDraft } from './draft/piece-draft';
import { clayFactsOf } from '../../../data/state/clay-facts';
import { PieceFigures } from './figures/piece-figures';
import { stepsOn, worstOn, type KnownOfPlan } from './figures/plan-on';
import { PlanRun, type PlanToRun } from './run/plan-run';
import { dipTrouble, waitWords } from './piece-words';

/** The same object every time, so that nothing is computed again. */
const NO_DECORATING_COLOURS: readonly DecoratingColour[] = [];
const NONE_ASIDE: PiecePlan['putAside'] = [];

/** What is known of a piece being planned: its glazes and clay, its timed steps, what speaks against it, how much it takes. */
@Injectable()
export class PieceScreen {
  private readonly api = inject(StudioApi);
  private readonly glazes = inject(Glazes);
  private readonly away = inject(PutAwayStore);
  private readonly units = inject(Units);
  private readonly draft = inject(PieceDraft);
  readonly id = signal<string | undefined>(undefined);
  /** Heavy computation and workers wait until a drag rests, so that the drawing does not wait for them. */
  readonly settledBody = this.draft.settledBody;
  private readonly settledPlan = computed(() => this.settledBody()?.plan);
  readonly restedShape = drawnShape(this.settledPlan);
  readonly all = keyedResource(
    () => this.id(),
    (id) => combineLatest({ piece: this.api.piece(id), bodies: this.api.bodies(), glazes: this.glazes.all(), runners: this.api.runnerTiles() }),
  );
  private readonly filled = computed(() => this.all.value()?.glazes.buckets.filter((bucket) => bucket.contents) ?? []);
  /** Recipes that this plan names without a bucket: their ids, so that a drag computes nothing anew. */
  private readonly plannedRecipeIds = computed(() => {
    const known = new Set(this.recipes().map((recipe) => recipe.id));
    const whole = this.draft.whole();
    const plans = whole ? [whole.plan, ...(whole.parts ?? []).map(({ plan }) => plan)] : [];
    return [...new Set(plans.flatMap(layersOf).map((layer) => layer.bucketId))].filter((id) => known.has(id)).join(' ');
  });
  private readonly plannedRecipes = computed(() => {
    const glazes = this.all.value()?.glazes;
    const ids = this.plannedRecipeIds().split(' ');
    return glazes ? this.recipes().flatMap((recipe) => (ids.includes(recipe.id) ? (glazeOfRecipe(recipe, glazes) ?? []) : [])) : [];
  });
  /** Every glaze of the plan as if in a bucket: those that stand there, and recipes that are not mixed yet. */
  readonly buckets = computed(() => [...this.filled(), ...this.plannedRecipes()]);
  /** What can be planned with though nobody mixed it yet. */
  readonly notMixed = computed(() =>
    this.away.without('recipe', this.recipes()).filter((recipe) => bucketOfRecipe(recipe.id, this.filled()) === undefined),
  );
  readonly recipes = computed(() => this.all.value()?.glazes.recipes ?? []);
  /** Earlier results, fetched beside the piece: they sharpen what is known and delay nothing. */
  private readonly fired = apiResource(() => combineLatest({ results: this.api.results(), pieces: this.api.pieces() }));
  /** Glazes as their buckets stand, or will stand once they are in range, with what tiles and fired pieces taught of their flow. */
  private readonly learnt = computed(() => {
    const found = this.all.value();
    if (!found) return { facts: [], overlaps: [] };
    const { results = [], pieces = [] } = this.fired.value() ?? {};
    const planned = this.plannedRecipes().flatMap((glaze) => factsOf(glaze, found.glazes.recipes, found.glazes.powders));
    return learntFlows(
      { runners: found.runners, results, pieces },
      { facts: [...found.glazes.facts, ...planned], buckets: [...found.glazes.buckets, ...this.plannedRecipes()] },
    );
  });
  private readonly thinned = computed(() => this.settledPlan()?.thinned);
  /** Glazes as the plan dips from them. */
  readonly facts = computed(() => asThinned({ thinned: this.thinned() }, this.learnt().facts));
  readonly overlaps = computed(() => this.learnt().overlaps);
  readonly bodies = computed(() => this.all.value()?.bodies ?? []);
  private readonly decoratingColours = computed(() => this.settledPlan()?.decoratingColours ?? NO_DECORATING_COLOURS);
  readonly colours = computed(
    () =>
      new Map([
        ...this.buckets().map((bucket): [string, string] => [bucket.id, bucket.body.colour]),
        ...this.decoratingColours().map((decoratingColour): [string, string] => [decoratingColour.id, decoratingColour.colour]),
      ]),
  );
  readonly names = computed(
    () =>
      new Map([
        ...this.buckets().map((bucket): [string, string] => [bucket.id, bucket.body.name]),
        ...this.decoratingColours().map((decoratingColour): [string, string] => [decoratingColour.id, decoratingColour.name]),
      ]),
  );
  readonly clay = computed(() => this.bodies().find((body) => body.id === this.settledBody()?.bodyId));
  readonly figures = new PieceFigures(this.settledPlan, this.restedShape, this.facts);
  /** The same on every move of a drag; for `dragView`, not for a template. */
  readonly movedFigures = new PieceFigures(
    computed(() => this.draft.body()?.plan),
    this.draft.shape,
    this.facts,
  );
  /** The studio's own dips sharpen the seconds of its plans. */
  private readonly learning = inject(CoatLearner).learn(
    computed(() => ({ observations: coatObservations(this.all.value()?.glazes.dips ?? []), walls: wallObservations(this.bodies()) })),
  ).learning;
  private readonly lotId = computed(() => this.settledBody()?.lotId);
  private readonly isRefire = computed(() => this.settledPlan()?.refire === true);
  readonly clayFacts = computed((): BodyFacts | undefined => {
    const clay = this.clay();
    return clay && clayFactsOf(clay, this.lotId(), this.isRefire());
  });
  readonly knowledge = computed(() => this.knowledgeOn(this.clay()?.id ?? ''));
  private readonly known = computed(() => this.knownOn(this.clayFacts(), this.knowledge()));
  /** Only the parts of a plan that decide its steps: dragging a point of the form starts no new search. */
  private readonly stepPlan = computed(
    () => {
      const plan = this.settledPlan();
      if (!plan) return undefined;
      const { form, edges: _edges, textures: _textures, versions: _versions, putAside: _aside, unwanted: _unwanted, ...rest } = plan;
      // How much of the wall a soaked foot wets, and whether a mask is the seat of a lid, depends on the height of the piece.
      const needsForm = rest.footBy === 'soak' || rest.lid === true || isTurnedOver(rest);
      return { ...rest, putAside: NONE_ASIDE, ...(needsForm ? { form } : {}) };
    },
    { equal: sameParts },
  );
  private readonly wallMm = computed(() => this.restedShape().wallMm);
  readonly steps = computed<TimedStep[]>(() => {
    const plan = this.stepPlan();
    return plan ? this.stepsFor(plan) : [];
  });
  /** Seconds of each layer's dip, for another plan. */
  readonly secondsOf = computed(
    () =>
      (plan: PiecePlan): ReadonlyMap<string, number> =>
        new Map(
          this.stepsFor(plan).flatMap((step): [string, number][] =>
            step.layer && step.dip?.kind === 'ok' ? [[step.layer.id, step.dip.seconds]] : [],
          ),
        ),
  );
  readonly stepRows = computed(() => {
    const waxFootMm = this.settledPlan()?.waxFootMm ?? 0;
    const pins = this.settledPlan()?.pins ?? [];
    return this.steps().map((step) => ({
      key: step.key,
      kind: step.kind,
      isMask: step.kind === 'wax' || step.kind === 'waxOver' || step.kind === 'tape',
      isPinned: pins.some((pin) => pin.before === step.key),
      colour: this.colours().get(step.layer?.bucketId ?? ''),
      words: stepWords({ step, glazeName: this.names().get(step.layer?.bucketId ?? ''), waxFootMm }),
      wait: waitWords(step),
      trouble: dipTrouble(step, this.units),
      caution: cautionFor(step, undefined),
    }));
  });
  readonly warnings = computed(() => {
    const plan = this.settledPlan();
    if (!plan) return [];
    const glazes = this.facts();
    const body = this.clayFacts();
    const question = {
      plan,
      shape: this.restedShape(),
      glazes,
      overlaps: this.overlaps(),
      forecast: this.run.forecast(),
      safeLine: this.run.safeLine(),
      ...(body ? { body } : {}),
    };
    return sortWarnings({
      warnings: [
        ...orderWarnings({ plan, steps: this.steps(), glazes }),
        ...handWarnings({ plan, steps: this.steps(), glazes }),
        ...pieceWarnings(question),
      ],
      putAside: plan.putAside,
    });
  });
  /** The pieces of a set that are each different, or why its rule makes too few. */
  readonly set = computed(() => {
    const body = this.settledBody();
    return (
      body?.variations && attempt(() => currentVariations({ plan: body.plan, glazes: this.facts(), count: body.count, variations: body.variations! }))
    );
  });
  /** What a bucket holds, to be stored with the plan. */
  readonly versionOf = (bucketId: string): { recipeVersionId: string; number: number } | undefined => {
    const bucket = this.buckets().find((one) => one.id === bucketId);
    return bucket?.recipeVersionId && bucket.recipeVersion !== null
      ? { recipeVersionId: bucket.recipeVersionId, number: bucket.recipeVersion }
      : undefined;
  };
  /** The worst that speaks against one piece of a set, or a part, by a quick look at its run. */
  worstOf = (plan: PiecePlan): string | undefined => worstOn(plan, this.known());
  /** Within what a dip stays alike from piece to piece. */
  matchingOf({ layer, zones }: TimedStep, glaze: GlazeFacts): Matching | undefined {
    const clay = this.clayFacts();
    const faces = zones.length === 2 ? 2 : 1;
    return (
      clay &&
      layer &&
      matchingDip({ ...glaze, ...clay, state: glaze.slurryState, wallMm: this.wallMm(), faces, coatMm: layer.coatMm }, this.knowledge()(glaze))
    );
  }
  /** The steps of one piece of a set, or of a part. */
  stepsFor = (plan: PiecePlan, wallMm = this.wallMm()): TimedStep[] => stepsOn(plan, this.known(), wallMm);
  /** A quick look at a plan that is not shown. */
  forecastOf(plan: PiecePlan): RunForecast | undefined {
    const made = attempt(() => quickForecast({ plan, ...this.runsIn(shapeOf(plan)) }));
    return made.kind === 'ok' ? made.value : undefined;
  }
  /** What a plan would stand on with another clay body, or other buckets. */
  knownWith({ clay, plan }: { clay: ClayBody | undefined; plan: PiecePlan }): KnownOfPlan {
    const lotId = clay?.id === this.clay()?.id ? this.lotId() : undefined;
    const facts = clay && clayFactsOf(clay, lotId, plan.refire === true);
    return { ...this.knownOn(facts, this.knowledgeOn(clay?.id ?? '')), glazes: asThinned(plan, this.learnt().facts) };
  }
  private knownOn(body: BodyFacts | undefined, knowledge: KnownOfPlan['knowledge']): KnownOfPlan {
    return { glazes: this.facts(), body, knowledge, overlaps: this.overlaps() };
  }
  private knowledgeOn(bodyId: string): (glaze: GlazeFacts) => CoatKnowledge {
    const [learning, buckets] = [this.learning(), this.buckets()];
    return (glaze) => {
      const bucket = buckets.find((one) => one.id === glaze.bucketId);
      return knowledgeOf(learning, { glazeId: bucket ? glazeIdOf(bucket) : glaze.bucketId, bodyId });
    };
  }
  /** How far it runs; every view that speaks of it reads it here. */
  readonly run = inject(PlanRun);

  constructor() {
    this.run.of(() => {
      const plan = this.settledPlan();
      return plan && { plan, ...this.runsIn(this.restedShape()) };
    });
  }

  /** A quick look at the plan under a moving hand; for `dragView`, not for a template. */
  readonly movedForecast = (): RunForecast | undefined => {
    const plan = this.draft.body()?.plan;
    return plan && this.run.lookAt({ plan, ...this.runsIn(this.draft.shape()) });
  };

  private runsIn(shape: PieceShape): Omit<PlanToRun, 'plan'> {
    return { shape, glazes: this.facts(), overlaps: this.overlaps() };
  }

  readonly hasGlaze = computed(() => this.steps().some((step) => step.kind === 'layer'));
  /** What is made ready before the first step. */
  readonly preparations = computed(() => {
    const plan = this.settledPlan();
    return plan ? preparationsOf(plan, this.learnt().facts) : [];
  });
  readonly labor = computed(() =>
    laborOf({
      steps: this.steps(),
      count: this.settledBody()?.count ?? 1,
      lightness: new Map(this.facts().map((glaze) => [glaze.bucketId, glaze.lightness])),
      preparations: this.preparations(),
    }),
  );
}
