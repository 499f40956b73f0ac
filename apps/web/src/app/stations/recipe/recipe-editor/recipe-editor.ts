import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked, viewChildren } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatTooltip } from '@angular/material/tooltip';
import { Router, RouterLink } from '@angular/router';
import { POWDER_ROLES, recipeBodySchema, recipeSchema, SURFACES, type Product, type Recipe, type StudioPowder } from '@cazuela/contract';
import { additionSum, attempt, baseSum, batchCost, normaliseRecipe, recipeOutlook, type RecipeLine } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { combineLatest, of } from 'rxjs';
import { createMutation } from '../../../data/http/mutation';
import { Keys } from '../../../data/devices/keys';
import { keyedResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { Units } from '../../../data/units/units';
import { NumberField, type TypedNumber } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { TwoVersions } from '../../../parts/two-versions';
import { fireWords } from '../../../parts/fire-words';
import { powderPrices, sumWords } from '../../../parts/powder-prices';
import { bentoniteWords, DRY_COAT_WORDS, SUSPENSION_WORDS } from '../recipe-words';
import { PastePanel } from './paste-panel';
import { ProductPanel } from './product-panel';
import { EMPTY_RECIPE, RecipeDraft } from './recipe-draft';
import { RecipeFamily } from './recipe-family';
import { RecipeJar } from './recipe-jar';
import { RecipeLine as RecipeLineRow } from './recipe-line';
import { recipeUnfit, twinOf } from './recipe-unfit';
import { VersionList } from './version-list';
import { TextField } from '../../../ui/text-field';
import { SelectField } from '../../../ui/select-field';
import { Checkbox } from '../../../ui/checkbox';
import { ColourField } from '../../../ui/colour-field';
import { Expansion } from '../../../ui/expansion';
import { plainOptions, type FieldOption } from '../../../ui/options';
import { CONE_OPTIONS } from '../../../data/units/cone-options';
import { TextArea } from '../../../ui/text-area';
import { Notice } from '../../../ui/notice';
import { ResourceState } from '../../../ui/resource-state';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { PutAwayNote } from '../../../parts/records/put-away-note';
import { RecordActions } from '../../../parts/records/record-actions';
import { StartingRecipes } from './starting-recipes';
import { ExplainedText } from '../../../parts/words/explained-text';
import { titleOf } from '../../../data/state/address';

const roleRank = ({ role }: { role: string }): number => (POWDER_ROLES as readonly string[]).indexOf(role);
const MOVEMENTS = ['unknown', 'stays', 'moves', 'runs', 'pours'] as const;

@Component({
  selector: 'cz-recipe-editor',
  imports: [
    Checkbox,
    ColourField,
    ErrorBanner,
    Expansion,
    ExplainedText,
    MatButton,
    MatIcon,
    MatIconButton,
    MatMenuModule,
    MatTooltip,
    NumberField,
    PastePanel,
    ProductPanel,
    PutAwayNote,
    RecipeFamily,
    RecipeJar,
    RecipeLineRow,
    ResourceState,
    RouterLink,
    SelectField,
    StartingRecipes,
    TextArea,
    TextField,
    TwoVersions,
    VersionList,
  ],
  providers: [RecipeDraft],
  templateUrl: './recipe-editor.html',
  styleUrl: './recipe-editor.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipeEditor {
  /** From the address: a recipe's id, or "new". */
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly store = inject(StudioStore);
  protected readonly units = inject(Units);
  protected readonly draft = inject(RecipeDraft);
  private readonly notice = inject(Notice);
  private readonly away = inject(PutAwayStore);
  protected readonly records = inject(RecordActions);
  protected readonly record = computed(() => ({ kind: 'recipe' as const, id: this.id(), name: this.draft.body().name }));
  protected readonly isAway = computed(() => this.away.find(this.record()) !== undefined);
  protected readonly saving = createMutation();
  protected readonly learning = createMutation();
  protected readonly opening = createMutation();
  protected readonly all = keyedResource(
    () => this.id(),
    (id) => combineLatest({ powders: this.api.powders(), recipe: id === 'new' ? of(undefined) : this.api.recipe(id) }),
  );
  /** Versions are asked for when somebody wants to see them. */
  protected readonly showsVersions = signal(false);
  protected readonly showsFamily = signal(false);
  protected readonly recipe = signal<Recipe | undefined>(undefined);
  protected readonly reason = signal('');
  /** Fields without a valid number: saving waits for them. */
  private readonly wrongFields = signal<ReadonlySet<string>>(new Set());
  protected readonly cones = CONE_OPTIONS;
  protected readonly surfaces = plainOptions(SURFACES);
  protected readonly movements = plainOptions(MOVEMENTS);
  protected readonly atmospheres = plainOptions(recipeBodySchema.shape.atmosphere.options);
  /** Further names learnt on this page count at once. */
  private readonly taught = signal<ReadonlyMap<string, StudioPowder>>(new Map());
  protected readonly powders = computed(() => (this.all.value()?.powders ?? []).map((powder) => this.taught().get(powder.id) ?? powder));
  protected readonly base = computed(() => this.draft.body().lines.filter((line) => line.part === 'base'));
  protected readonly additions = computed(() => this.draft.body().lines.filter((line) => line.part !== 'base'));
  protected readonly sum = computed(() => baseSum({ lines: this.draft.body().lines }));
  protected readonly over = computed(() => additionSum({ lines: this.draft.body().lines }));
  protected readonly isTidy = computed(() => Math.abs(this.sum() - 100) < 0.005);
  /** Some write a recipe so that base and additions make 100 together. */
  protected readonly addUpAsParts = computed(() => this.over() > 0 && Math.abs(this.sum() + this.over() - 100) < 0.05);
  protected readonly outlook = computed(() => attempt(() => recipeOutlook({ lines: this.draft.body().lines, powders: this.powders() })));
  protected readonly suspension = computed(() => {
    const outlook = this.outlook();
    return outlook.kind === 'ok' ? SUSPENSION_WORDS[outlook.value.suspension] : undefined;
  });
  protected readonly dryCoat = computed(() => {
    const outlook = this.outlook();
    return outlook.kind === 'ok' ? DRY_COAT_WORDS[outlook.value.dryCoat] : undefined;
  });
  protected readonly fire = computed(() => {
    const outlook = this.outlook();
    return outlook.kind === 'ok' ? fireWords(outlook.value.fire) : '';
  });
  protected readonly tooMuchBentonite = computed(() => {
    const outlook = this.outlook();
    return outlook.kind === 'ok' ? bentoniteWords(outlook.value, this.units) : '';
  });
  /** The powders under what they are for: what makes a glaze melt is not looked for among the colours. */
  protected readonly powderOptions = computed((): FieldOption[] =>
    this.away
      .without('powder', this.powders())
      .concat(this.powders().filter(({ id }) => this.isAwayAndUsed(id)))
      .sort((a, b) => roleRank(a) - roleRank(b) || a.name.localeCompare(b.name))
      .map(({ id, name, role }) => [id, name, role] as const),
  );
  /** The one thing to change before all others. */
  protected readonly changeFirst = computed(() => {
    const outlook = this.outlook();
    if (outlook.kind === 'ok' && (outlook.value.fire.kind === 'doesNotMelt' || outlook.value.fire.kind === 'noFlux'))
      return { tone: 'stop', words: `Change first. ${this.fire()}` };
    const wanting = [this.suspension(), this.dryCoat()].filter((one) => one !== undefined && one.tone !== 'good');
    const [worst] = wanting.sort((a, b) => Number(b!.tone === 'stop') - Number(a!.tone === 'stop'));
    if (worst) return { tone: worst.tone, words: `Change first. ${worst.what} ${worst.remedy}` };
    return { tone: 'good', words: this.isTidy() ? 'Nothing speaks against it before the fire.' : 'Bring the base to 100 first.' };
  });
  /** What a kilo of dry glaze costs, or what a jar or a pack is sold for. */
  protected readonly cost = computed(() => {
    const { lines, product } = this.draft.body();
    if (product?.kind === 'jar')
      return product.jarPrice === undefined
        ? ''
        : `${this.units.money(product.jarPrice)} a jar of ${this.units.millilitres(product.jarMl)}, ${this.units.money((product.jarPrice / product.jarMl) * 1000)} a litre.`;
    const tidy = attempt(() => normaliseRecipe({ lines }));
    if (tidy.kind === 'refused') return '';
    const whole = tidy.value.reduce((sum, line) => sum + line.percent, 0);
    const nameOf = (id: string): string => this.powders().find((powder) => powder.id === id)?.name ?? '';
    const priced = tidy.value.map((line) => ({ powderId: line.powderId, name: nameOf(line.powderId), grams: (1000 * line.percent) / whole }));
    const kilo = batchCost({ lines: priced, pricePerKg: powderPrices(this.powders(), this.draft.body()) });
    return sumWords(kilo, (cost) => `${this.units.money(cost)} a kilo of dry glaze`) || 'No powder of it has a price yet.';
  });
  private readonly lineFields = viewChildren(RecipeLineRow);
  /** Why it cannot be saved as it is; undefined when it can. */
  protected readonly unfit = computed(() => {
    const reason = this.recipe() ? this.reason() : undefined;
    return recipeUnfit({ body: this.draft.body(), reason, hasWrongField: this.wrongFields().size > 0 });
  });
  private readonly isRenamed = computed(() => this.draft.body().name.trim() !== '' && this.draft.body().name !== this.recipe()?.body.name);
  private readonly others = keyedResource(
    () => this.isRenamed() || undefined,
    () => this.api.recipes(),
  );
  /** Another recipe of this name is told before there are two. */
  protected readonly twin = computed(() => (this.isRenamed() ? twinOf(this.draft.body().name, this.id(), this.others.value() ?? []) : undefined));
  private readonly buckets = keyedResource(
    () => (this.draft.body().product?.kind === 'jar' ? true : undefined),
    () => this.api.buckets(),
  );
  /** An open jar of it: from there it is brushed. */
  protected readonly openJarBucket = computed(() =>
    this.draft.body().product?.kind === 'jar' ? this.buckets.value()?.find((one) => one.recipeId === this.id() && one.contents) : undefined,
  );
  protected readonly stale = computed(() => {
    const failure = this.saving.failure();
    if (failure?.problem.code !== 'stale') return undefined;
    const current = recipeSchema.safeParse(failure.problem.current);
    return current.success
      ? {
          detail: failure.problem.detail,
          current: current.data,
          theirs: `Version ${current.data.version}: ${current.data.reason || 'no reason given'}`,
          mine: this.reason() || 'Your changes',
        }
      : undefined;
  });

  constructor() {
    titleOf(() => this.draft.body().name);
    // Opened once: powders that come anew leave the draft as it is.
    const fetched = computed(() => this.all.value() && (this.all.value()!.recipe ?? 'new'));
    effect(() => {
      const recipe = fetched();
      if (recipe) untracked(() => this.openFrom(recipe === 'new' ? undefined : recipe));
    });
    inject(Keys).bind([
      { keys: ['u'], words: 'take the last change back', run: () => this.draft.undo() },
      { keys: ['w'], words: 'weigh it', run: () => this.weigh() },
    ]);
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected goTo(lineId: string): void {
    this.lineFields()
      .find(({ line }) => line().id === lineId)
      ?.focus();
  }

  /** A powder called a stain is one, until the potter says otherwise. */
  protected choosePowder(line: RecipeLine, powderId: string): void {
    const isStain = line.part === 'addition' && /\bstain\b/i.test(this.powders().find((powder) => powder.id === powderId)?.name ?? '');
    this.draft.changeLine(line.id, { powderId, ...(isStain ? { part: 'stain' as const } : {}) });
  }

  protected percent(line: RecipeLine, typed: TypedNumber): void {
    this.mark(line.id, typed.value === null);
    if (typed.value !== null) this.draft.changeLine(line.id, { percent: typed.value });
  }

  protected sg(field: 'sgLow' | 'sgHigh', typed: TypedNumber): void {
    this.mark(field, typed.value === null);
    if (typed.value !== null) this.draft.change({ [field]: typed.value });
  }

  protected remove(line: RecipeLine): void {
    this.mark(line.id, false);
    this.draft.removeLine(line.id);
  }

  protected product(product: Product | undefined): void {
    const { product: _gone, ...rest } = this.draft.body();
    this.draft.replaceBody(product ? { ...rest, product } : rest);
  }

  /** The next recipe on the same base: everything as here, under a name of its own. */
  protected sibling(): void {
    const { untested: _gone, ...body } = this.draft.body();
    const id = uuid();
    const lines = body.lines.map((line) => ({ ...line, id: uuid() }));
    this.saving.run(
      this.api.createRecipe(id, { ...body, lines, name: `${body.name}, sibling`.slice(0, 80), foodTested: false }),
      () => void this.router.navigate(['/recipe', id]),
    );
  }

  protected openJar(): void {
    const recipe = this.recipe();
    if (!recipe) return;
    const jar = { bucketId: uuid(), filledEventId: uuid(), at: new Date().toISOString(), by: this.store.by(), versionId: recipe.versionId };
    this.opening.run(this.api.openJar(recipe.id, jar), (bucket) => void this.router.navigate(['/bucket', bucket.id]));
  }

  protected addLine(part: RecipeLine['part']): void {
    const used = new Set(this.draft.body().lines.map((line) => line.powderId));
    const next = this.powders().find(
      (powder) => !used.has(powder.id) && (part === 'base' ? powder.role !== 'colourant' : powder.role === 'colourant'),
    );
    if (next) this.draft.addLine(part, next.id);
  }

  protected save(overVersion?: number): void {
    if (this.unfit()) return;
    const body = this.draft.body();
    const recipe = this.recipe();
    if (!recipe) {
      const id = uuid();
      this.saving.run(this.api.createRecipe(id, body), () => {
        this.draft.replace(EMPTY_RECIPE, { id: 'new', version: 0 });
        void this.router.navigate(['/recipe', id], { replaceUrl: true });
      });
      return;
    }
    const version = overVersion ?? recipe.version;
    this.saving.run(this.api.updateRecipe(recipe.id, version, this.reason().trim(), body), (saved) => {
      this.take(saved);
      this.notice.tell(`${saved.body.name}, version ${saved.version}, is kept.`);
    });
  }

  /** What the records have now, after a save or when theirs is taken. */
  protected take(recipe: Recipe): void {
    this.draft.replace(recipe.body, { id: recipe.id, version: recipe.version });
    this.show(recipe);
  }

  private show(recipe: Recipe): void {
    this.recipe.set(recipe);
    this.reason.set('');
    this.wrongFields.set(new Set());
    this.saving.clear();
  }

  private openFrom(recipe: Recipe | undefined): void {
    if (!recipe) return this.draft.open(EMPTY_RECIPE, { id: 'new', version: 0 });
    this.draft.open(recipe.body, { id: recipe.id, version: recipe.version });
    this.show(recipe);
  }

  protected weigh(): void {
    if (!this.recipe() || this.draft.isChanged()) return;
    // A jar is opened with its button: a key alone makes no bucket.
    if (this.draft.body().product?.kind !== 'jar') void this.router.navigate(['/weigh'], { queryParams: { recipe: this.id() } });
  }

  private mark(field: string, wrong: boolean): void {
    this.wrongFields.update((fields) => {
      const next = new Set(fields);
      if (wrong) next.add(field);
      else next.delete(field);
      return next;
    });
  }

  /** A powder that was put away stays in the lines that have it. */
  private isAwayAndUsed(id: string): boolean {
    return this.away.find({ kind: 'powder', id }) !== undefined && this.draft.body().lines.some((line) => line.powderId === id);
  }

  /** Kept with the powder, so that the next paste and the next file know it. */
  protected learnAlias({ powderId, alias }: { powderId: string; alias: string }): void {
    const powder = this.powders().find((one) => one.id === powderId);
    if (!powder) return;
    const { id: _id, version, stockGrams: _stock, ...body } = powder;
    this.learning.run(this.api.updatePowder(powderId, version, { ...body, aliases: [...(body.aliases ?? []), alias] }), (kept) => {
      this.taught.update((taught) => new Map(taught).set(powderId, kept));
      this.notice.tell(`“${alias}” is ${kept.name} from now on.`);
    });
  }

  protected async delete(): Promise<void> {
    if (await this.records.delete(this.record())) await this.router.navigate(['/recipe']);
  }
}
