import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { Router, RouterLink } from '@angular/router';
import { attempt, lineOnScale, planBatch, type BatchSize, type Entered, type WaterRule } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { deed } from '../../../data/deed';
import { Keys } from '../../../data/keys';
import { loaded } from '../../../data/load';
import { remembered } from '../../../data/remembered';
import { StudioApi } from '../../../data/studio-api';
import { StudioStore } from '../../../data/studio-store';
import { sayWhen } from '../../../data/times';
import { Units } from '../../../data/units';
import { Coming } from '../../../parts/coming';
import { Choice } from '../../../parts/choice';
import { NumberField, type TypedNumber } from '../../../parts/number-field';
import { Says } from '../../../parts/says';
import { scaleWords } from '../weigh-words';

const enteredSchema = z.object({ value: z.number(), unit: z.string() });
const questionSchema = z.object({
  recipeId: z.string(),
  size: z.enum(['base', 'volume']),
  baseGrams: z.number().nullable(),
  volumeMl: z.number().nullable(),
  sg: z.number().nullable(),
  entered: enteredSchema.optional(),
  water: z.enum(['perBaseGram', 'perDryGram', 'toSg']),
  waterMl: z.number().nullable(),
  order: z.enum(['clayFirst', 'recipe']),
});
type Question = z.infer<typeof questionSchema>;

const START: Question = { recipeId: '', size: 'base', baseGrams: 1000, volumeMl: 5000, sg: null, water: 'toSg', waterMl: 1, order: 'clayFirst' };

/** Batch size, water and order, live against the weigh sheet. */
@Component({
  selector: 'cz-weigh-plan',
  imports: [RouterLink, Choice, MatIcon, NumberField, Says, Coming],
  templateUrl: './weigh-plan.html',
  styleUrl: './weigh-plan.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeighPlan {
  /** The recipe the potter came from. */
  readonly recipe = input<string>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly studio = inject(StudioStore).studio;
  protected readonly units = inject(Units);
  protected readonly sizes = [
    ['base', 'Base by weight'],
    ['volume', 'A bucket filled'],
  ] as const;
  protected readonly waters = [
    ['toSg', 'to the SG'],
    ['perBaseGram', 'per g of base'],
    ['perDryGram', 'per g of all'],
  ] as const;
  protected readonly orders = [
    ['clayFirst', 'clay first'],
    ['recipe', 'as written'],
  ] as const;
  protected readonly starting = deed();
  protected readonly all = loaded(() => combineLatest({ recipes: this.api.recipes(), powders: this.api.powders(), batches: this.api.batches() }));
  protected readonly question = remembered<Question>('weigh-plan', START, (kept) => questionSchema.safeParse(kept).data);
  protected readonly chosen = computed(() => {
    const recipes = this.all.value()?.recipes ?? [];
    return recipes.find((recipe) => recipe.id === this.question().recipeId) ?? recipes[0];
  });
  protected readonly unfinished = computed(() => (this.all.value()?.batches ?? []).filter((batch) => batch.bucketId === null));
  /** SG asked for: typed, or the middle of what the recipe wants. */
  protected readonly sg = computed(() => {
    const body = this.chosen()?.body;
    return this.question().sg ?? (body ? Number(((body.sgLow + body.sgHigh) / 2).toFixed(3)) : null);
  });
  protected readonly plan = computed(() => {
    const recipe = this.chosen();
    const { size, water, order } = this.parts() ?? {};
    if (!recipe || !size || !water) return undefined;
    return attempt(() => planBatch({ lines: recipe.body.lines, powders: this.all.value()!.powders, size, water, order: order! }));
  });
  protected readonly sheet = computed(() => {
    const plan = this.plan();
    const scale = this.studio()?.scale;
    if (plan?.kind !== 'ok' || !scale) return [];
    let running = 0;
    return plan.value.lines.map((line) => {
      running += line.targetGrams;
      return { ...line, running, remark: scaleWords(lineOnScale({ ...scale, targetGrams: line.targetGrams }), this.units) };
    });
  });
  protected readonly when = sayWhen;

  constructor() {
    effect(() => {
      const recipeId = this.recipe();
      if (recipeId) untracked(() => this.change({ recipeId, sg: null }));
    });
    inject(Keys).bind([{ keys: ['enter', ' '], words: 'start weighing', run: () => this.start() }]);
  }

  protected change(change: Partial<Question>): void {
    this.question.update((question) => ({ ...question, ...change }));
  }

  protected size(field: 'baseGrams' | 'volumeMl', typed: TypedNumber): void {
    this.change({ [field]: typed.value, entered: typed.entered });
  }

  protected text(event: Event): string {
    return (event.target as HTMLSelectElement).value;
  }

  protected print(): void {
    window.print();
  }

  protected start(): void {
    const parts = this.parts();
    const recipe = this.chosen();
    if (!parts || !recipe || this.plan()?.kind !== 'ok') return;
    const id = uuid();
    this.starting.run(this.api.createBatch({ id, recipeVersionId: recipe.versionId, ...parts }), () => void this.router.navigate(['/weigh', id]));
  }

  private parts(): { size: BatchSize; water: WaterRule; order: 'clayFirst' | 'recipe'; entered?: Entered } | undefined {
    const { size, baseGrams, volumeMl, water, waterMl, order, entered } = this.question();
    const sg = this.sg();
    const amount = size === 'base' ? baseGrams : volumeMl;
    if (amount === null || sg === null || (water !== 'toSg' && waterMl === null)) return undefined;
    return {
      size: size === 'base' ? { kind: 'base', baseGrams: amount } : { kind: 'volume', volumeMl: amount, sg },
      water: water === 'toSg' ? { kind: 'toSg', sg } : { kind: water, millilitres: waterMl! },
      order,
      ...(entered ? { entered: entered as Entered } : {}),
    };
  }
}
