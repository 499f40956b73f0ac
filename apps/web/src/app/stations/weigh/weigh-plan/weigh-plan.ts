import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { Router, RouterLink } from '@angular/router';
import { attempt, batchCost, coatsOfPlan, dryGramsForPieces, planBatch, shapeOf, shortage, stayMl } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { BenchLog } from '../../../data/offline/bench-log';
import { createMutation } from '../../../data/http/mutation';
import { Keys } from '../../../data/devices/keys';
import { apiResource } from '../../../data/http/api-resource';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { formatWhen } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { METHOD_OPTIONS } from '../../../parts/words/method-options';
import type { FieldOption } from '../../../ui/options';
import { NumberField, type TypedNumber } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { BucketDrawing, type DrawnBucket } from '../../../parts/bucket-drawing';
import { powderPrices } from '../../../parts/powder-prices';
import { ScalePicture } from '../../../parts/scale-picture';
import { costWords, scaleTrust, shortageWords } from '../weigh-words';
import { sheetLines } from './sheet-lines';
import { batchParts, LARGEST_TEST_GRAMS, panOf, questionSchema, unplannedPieces, START, TEST_GRAMS, type Question } from './batch-question';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import { Checkbox } from '../../../ui/checkbox';
import { Expansion } from '../../../ui/expansion';
import { SelectField } from '../../../ui/select-field';
import { ResourceState } from '../../../ui/resource-state';
import { EmptyState } from '../../../ui/empty-state';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { RecordMenu } from '../../../parts/records/record-menu';
import { MadeBefore } from '../../../parts/made-before';
import { PutAwayLink } from '../../../parts/records/put-away-link';

/** Vessels a batch is mixed in, mL, and how full one may be to stir and sieve in it. */
const VESSELS_ML = [500, 1000, 2500, 5000, 10_000, 16_000, 30_000, 60_000, 120_000];
const FILLED_SHARE = 0.8;
/** A usual glaze bucket, where none is known. */
const BUCKET_ACROSS_MM = 260;

/** Batch size, water and order, live against the weigh sheet. */
@Component({
  selector: 'cz-weigh-plan',
  imports: [
    MadeBefore,
    AutocompleteField,
    BucketDrawing,
    Checkbox,
    Choice,
    EmptyState,
    ErrorBanner,
    Expansion,
    MatButton,
    MatIcon,
    NumberField,
    PutAwayLink,
    RecordMenu,
    ResourceState,
    RouterLink,
    ScalePicture,
    SelectField,
  ],
  templateUrl: './weigh-plan.html',
  styleUrl: './weigh-plan.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeighPlan {
  /** From the address: the recipe. */
  readonly recipe = input<string>();
  /** From the address: what is short, as the coat station computed it. */
  readonly ml = input<string>();
  /** From the address: the planned piece it should be enough for, and how many of it. */
  readonly piece = input<string>();
  readonly pieceCount = input<string>();
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly router = inject(Router);
  private readonly studio = inject(StudioStore).studio;
  protected readonly units = inject(Units);
  protected readonly testGrams = TEST_GRAMS;
  protected readonly sizes = [
    ['test', 'a small test'],
    ['base', 'grams of base'],
    ['all', 'grams in all'],
    ['volume', 'litres'],
    ['pieces', 'for my pieces'],
  ] as const;
  protected readonly orders = [
    ['clayFirst', 'clay first'],
    ['recipe', 'as written'],
  ] as const;
  protected readonly methods = METHOD_OPTIONS;
  protected readonly pans = [
    ['eachLine', 'emptied after each'],
    ['whenFull', 'filled on'],
  ] as const;
  protected readonly starting = createMutation();
  protected readonly all = apiResource(() =>
    combineLatest({
      recipes: this.api.recipes(),
      powders: this.api.powders(),
      batches: this.api.batches(),
      pieces: this.api.pieces(),
      buckets: this.api.buckets(),
    }),
  );
  private readonly away = inject(PutAwayStore);
  protected readonly question = sessionSignal<Question>('weigh-plan', START, (kept) => questionSchema.safeParse(kept).data);
  /** Only what is mixed from powder can be weighed; jars are opened. */
  protected readonly recipes = computed(() =>
    this.away.without('recipe', this.all.value()?.recipes ?? []).filter((recipe) => recipe.body.product?.kind !== 'jar'),
  );
  /** A jar is opened, not weighed; another recipe is not taken in its place. */
  protected readonly jar = computed(() =>
    this.all.value()?.recipes.find(({ id, body }) => id === this.question().recipeId && body.product?.kind === 'jar'),
  );
  protected readonly chosen = computed(() => (this.jar() ? undefined : this.mixed()));
  private readonly mixed = computed(() => this.recipes().find((recipe) => recipe.id === this.question().recipeId) ?? this.recipes()[0]);
  protected readonly waters = computed((): FieldOption<Question['water']>[] => [
    ['toSg', 'to the SG'],
    ['perBaseGram', 'per g of base'],
    ['perDryGram', 'per g of all'],
    ...(this.chosen()?.body.product?.kind === 'base' ? [['label', 'by the label'] as const] : []),
  ]);
  protected readonly unfinished = computed(() =>
    this.away.without('batch', this.all.value()?.batches ?? []).filter((batch) => batch.bucketId === null && !this.isAside(batch)),
  );
  /** Batches set aside here, before the records say so. */
  private readonly givenUp = signal<Readonly<Record<string, string>>>({});
  protected readonly justGivenUp = computed(() => (this.all.value()?.batches ?? []).filter((batch) => this.givenUp()[batch.id]));
  /** The wanted SG: typed, or the middle of the recipe's range. */
  protected readonly sg = computed(() => {
    const body = this.chosen()?.body;
    return this.question().sg ?? (body ? Number(((body.sgLow + body.sgHigh) / 2).toFixed(3)) : null);
  });
  /** Planned pieces that take this glaze, with how many, and what it takes of each. */
  protected readonly pieces = computed(() => {
    const all = this.all.value();
    const recipe = this.chosen();
    if (!all || !recipe) return [];
    // A plan made before the glaze was mixed names it by its recipe.
    const bucketIds = new Set([recipe.id, ...all.buckets.filter((bucket) => bucket.recipeId === recipe.id).map((bucket) => bucket.id)]);
    return this.away.without('piece', all.pieces).flatMap((piece) => {
      const shape = shapeOf(piece.body.plan);
      const count = this.question().counts[piece.id] ?? 0;
      const parts = (piece.body.parts ?? []).map(({ plan }) => ({ plan, shape: shapeOf(plan) }));
      const each = [{ plan: piece.body.plan, shape }, ...parts].flatMap((part) => coatsOfPlan({ ...part, count: 1, bucketIds }));
      if (each.length === 0) return [];
      const tallMm = Math.max(...shape.outside.map((point) => point.heightMm));
      return [
        { id: piece.id, name: piece.body.name, planned: piece.body.count, count, tallMm, dips: each.some((one) => one.method === 'dip'), each },
      ];
    });
  });
  private readonly toCoat = computed(() => [
    ...this.pieces().flatMap((piece) => (piece.count > 0 ? piece.each.map((one) => ({ ...one, count: piece.count })) : [])),
    ...unplannedPieces(this.question()),
  ]);
  /** What must stand in the bucket for the tallest dipped piece to go under. */
  protected readonly stays = computed(() => {
    const tallest = Math.max(0, ...this.pieces().flatMap((piece) => (piece.count > 0 && piece.dips ? [piece.tallMm] : [])));
    return tallest > 0 ? Math.round(stayMl({ tallestMm: tallest, bucketAcrossMm: BUCKET_ACROSS_MM }) / 100) * 100 : 0;
  });
  private readonly parts = computed(() =>
    batchParts(this.question(), { sg: this.sg(), product: this.chosen()?.body.product, pieces: this.toCoat(), stayMl: this.stays() }),
  );
  protected readonly plan = computed(() => {
    const recipe = this.chosen();
    const parts = this.parts();
    if (!recipe || !parts) return undefined;
    return attempt(() => planBatch({ lines: recipe.body.lines, powders: this.all.value()!.powders, ...parts }));
  });
  private readonly scales = computed(() => this.studio()?.scales ?? []);
  protected readonly lines = computed(() => {
    const plan = this.plan();
    if (plan?.kind !== 'ok' || this.scales().length === 0) return undefined;
    return attempt(() => sheetLines(plan.value, { scales: this.scales(), pan: panOf(this.question()), units: this.units }));
  });
  protected readonly refusedPan = computed(() => {
    const lines = this.lines();
    return lines?.kind === 'refused' ? lines.error.message : '';
  });
  protected readonly sheet = computed(() => {
    const lines = this.lines();
    return lines?.kind === 'ok' ? lines.value : [];
  });
  /** The batch in the smallest usual vessel that leaves room to stir. */
  protected readonly vessel = computed((): DrawnBucket | undefined => {
    const [plan, recipe] = [this.plan(), this.chosen()];
    if (plan?.kind !== 'ok' || !recipe) return undefined;
    const { name, colour, sgLow, sgHigh } = recipe.body;
    const { expectedMl, expectedSg } = plan.value;
    const capacityMl = VESSELS_ML.find((ml) => expectedMl <= FILLED_SHARE * ml) ?? expectedMl / FILLED_SHARE;
    return { name, colour, sgLow, sgHigh, capacityMl, volumeMl: expectedMl, sg: expectedSg };
  });
  /** The scales of this sheet and how many lines each takes. */
  protected readonly scalesUsed = computed(() =>
    this.scales().flatMap((scale) => {
      const lines = this.sheet().filter((line) => line.scale.id === scale.id).length;
      return lines > 0 ? [{ ...scale, words: `${lines === 1 ? '1 powder' : `${lines} powders`}${scaleTrust(scale)}` }] : [];
    }),
  );
  protected readonly scaleOptions = computed((): FieldOption[] => [
    ['', 'the finest that holds each line'],
    ...this.scales().map((scale) => [scale.id, scale.name] as const),
  ]);
  /** What the shelf lacks, and how much of the batch it allows. */
  protected readonly short = computed(() => {
    const plan = this.plan();
    if (plan?.kind !== 'ok') return undefined;
    const answer = shortage({
      lines: plan.value.lines,
      stock: this.all.value()!.powders.map(({ id, stockGrams }) => ({ powderId: id, stockGrams })),
    });
    if (answer.short.length === 0) return undefined;
    return {
      words: shortageWords(answer.short, this.units),
      allowsBaseGrams: Math.floor(plan.value.baseGrams * answer.share),
      first: answer.short[0]!.powderId,
    };
  });
  protected readonly cost = computed(() => {
    const plan = this.plan();
    if (plan?.kind !== 'ok') return '';
    const prices = powderPrices(this.all.value()!.powders, this.chosen()!.body);
    const lines = plan.value.lines.map((line) => ({ ...line, grams: line.targetGrams }));
    const count =
      this.question().size === 'pieces' ? this.pieces().reduce((sum, piece) => sum + piece.count, this.question().unplanned.count ?? 0) : 0;
    const shareOnThem = count > 0 ? dryGramsForPieces({ pieces: this.toCoat(), density: plan.value.density }) / plan.value.totalGrams : 0;
    return costWords(batchCost({ lines, pricePerKg: prices }), plan.value.expectedMl, this.units, { count, shareOnThem });
  });
  /** It was never fired here: a test first, or a confirmation that it is known from elsewhere. */
  protected readonly knownElsewhere = signal(false);
  protected readonly untried = computed(() => {
    const plan = this.plan();
    const recipe = this.chosen();
    return recipe !== undefined && !recipe.fired && plan?.kind === 'ok' && plan.value.baseGrams > LARGEST_TEST_GRAMS;
  });
  protected readonly mayStart = computed(
    () => this.plan()?.kind === 'ok' && this.lines()?.kind !== 'refused' && (!this.untried() || this.knownElsewhere()),
  );
  protected readonly when = formatWhen;
  protected readonly recipeOptions = computed((): FieldOption[] =>
    this.recipes().map((one) => [one.id, `${one.body.name}, version ${one.version}`] as const),
  );

  constructor() {
    effect(() => {
      const recipeId = this.recipe();
      const millilitres = Number(this.ml());
      if (!recipeId) return;
      untracked(() => {
        this.choose(recipeId);
        if (millilitres > 0) this.change({ size: 'volume', volumeMl: millilitres, entered: undefined });
        const [pieceId, many] = [this.piece(), Math.round(Number(this.pieceCount()))];
        if (pieceId && many > 0) this.change({ size: 'pieces', counts: { [pieceId]: many }, entered: undefined });
      });
    });
    inject(Keys).bind([{ keys: ['enter', ' '], words: 'start weighing', run: () => this.start() }]);
  }

  protected change(change: Partial<Question>): void {
    this.question.update((question) => ({ ...question, ...change }));
  }

  protected choose(recipeId: string): void {
    this.knownElsewhere.set(false);
    this.change({ recipeId, sg: null, counts: {} });
  }

  protected size(field: 'testGrams' | 'baseGrams' | 'totalGrams' | 'volumeMl', typed: TypedNumber): void {
    this.change({ [field]: typed.value, entered: typed.entered });
  }

  protected unplanned(change: Partial<Question['unplanned']>): void {
    this.change({ unplanned: { ...this.question().unplanned, ...change } });
  }

  protected count(pieceId: string, count: number | null): void {
    this.change({ counts: { ...this.question().counts, [pieceId]: count } });
  }

  protected base(baseGrams: number): void {
    this.change({ size: 'base', baseGrams, entered: undefined });
  }

  protected print(): void {
    window.print();
  }

  protected start(): void {
    const parts = this.parts();
    const recipe = this.chosen();
    if (!parts || !recipe || !this.mayStart()) return;
    const id = uuid();
    const pan = panOf(this.question());
    const asked = { id, recipeVersionId: recipe.versionId, ...parts, ...(pan ? { pan } : {}) };
    this.starting.run(this.api.createBatch(asked), () => void this.router.navigate(['/weigh', id]));
  }

  protected giveUp(batchId: string): void {
    const eventId = this.log.note('batch', batchId, { type: 'setAside' });
    this.givenUp.update((all) => ({ ...all, [batchId]: eventId }));
  }

  protected takeUp(batchId: string): void {
    this.log.note('batch', batchId, { type: 'undone', eventId: this.givenUp()[batchId]! });
    this.givenUp.update(({ [batchId]: _gone, ...rest }) => rest);
  }

  private isAside(batch: { id: string; setAside: boolean }): boolean {
    return batch.setAside || this.givenUp()[batch.id] !== undefined;
  }
}
