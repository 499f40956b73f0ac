import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatBadge } from '@angular/material/badge';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { BucketSummary, Recipe } from '@cazuela/contract';
import { CONES } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import * as z from 'zod';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { isLow } from '../recipe-words';
import { StudioStore } from '../../../data/state/studio-store';
import { compareNames, compareText } from '../../../data/units/compare';
import { Units } from '../../../data/units/units';
import { bucketVerdict } from '../../../parts/bucket-verdict';
import { Choice } from '../../../ui/choice';
import { SelectField } from '../../../ui/select-field';
import { TextField } from '../../../ui/text-field';
import { FiredTile } from './fired-tile';
import { ResourceState } from '../../../ui/resource-state';
import { EmptyState } from '../../../ui/empty-state';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { PutAwayLink } from '../../../parts/records/put-away-link';

/** Recipes drawn at first: nobody reads five thousand tiles, and drawing them takes seconds. */
const AT_ONCE = 48;
const SORTS = [
  ['use', 'what is used first'],
  ['name', 'name'],
  ['changed', 'newest change first'],
  ['cone', 'cone'],
] as const;
const SHOWS = [
  ['all', 'all'],
  ['bucket', 'in a bucket'],
  ['unfired', 'never fired'],
] as const;
const viewSchema = z.object({ sort: z.enum(SORTS.map(([sort]) => sort)), show: z.enum(SHOWS.map(([show]) => show)) });
type View = z.infer<typeof viewSchema>;

/** Every recipe as its fired tile: what it does, what is over the base, and the buckets of it. */
@Component({
  selector: 'cz-recipe-shelf',
  imports: [Choice, EmptyState, FiredTile, MatBadge, MatButton, PutAwayLink, ResourceState, RouterLink, SelectField, TextField],
  templateUrl: './recipe-shelf.html',
  styleUrl: './recipe-shelf.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipeShelf {
  private readonly api = inject(StudioApi);
  private readonly units = inject(Units);
  private readonly away = inject(PutAwayStore);
  private readonly studio = inject(StudioStore).studio;
  private readonly byFeel = computed(() => this.studio()?.reads === 'feel');
  /** Only recipes with this powder, when the address names one. */
  readonly powder = input<string>();
  protected readonly sorts = SORTS;
  protected readonly shows = SHOWS;
  protected readonly all = apiResource(() =>
    combineLatest({ recipes: this.api.recipes(), powders: this.api.powders(), buckets: this.api.buckets() }),
  );
  /** Photos come when they come: the list does not wait for them. */
  private readonly results = apiResource(() => this.api.results());
  protected readonly view = sessionSignal<View>('recipe-shelf', { sort: 'use', show: 'all' }, (kept) => viewSchema.safeParse(kept).data);
  private readonly typed = sessionSignal('recipe-shelf.filter', { text: '' }, (kept) => z.object({ text: z.string() }).safeParse(kept).data);
  protected readonly filter = computed(() => this.typed().text);
  protected readonly powderName = computed(() => this.nameOf(this.powder() ?? '') || undefined);
  private readonly shown = linkedSignal({ source: () => [this.filter(), this.view()], computation: () => AT_ONCE });

  protected readonly lowCount = computed(() => (this.all.value()?.powders ?? []).filter(isLow).length);
  private readonly names = computed(() => new Map(this.all.value()?.powders.map(({ id, name }) => [id, name])));
  private readonly bucketsOf = computed(() => {
    const groups = new Map<string, BucketSummary[]>();
    for (const bucket of this.all.value()?.buckets ?? [])
      if (bucket.recipeId && bucket.contents && !bucket.body.closedAt) groups.set(bucket.recipeId, [...(groups.get(bucket.recipeId) ?? []), bucket]);
    return groups;
  });
  /** The newest photo of a piece that had no other glaze on it. */
  private readonly photos = computed(() => {
    const recipeOf = new Map(this.all.value()?.buckets.map(({ id, recipeId }) => [id, recipeId]));
    const photos = new Map<string, string>();
    for (const { body, glazedWith } of this.results.value() ?? []) {
      const recipes = new Set(glazedWith.flatMap(({ bucketId }) => (bucketId ? [recipeOf.get(bucketId)] : [])));
      const [only] = recipes;
      if (body.photoId && only && recipes.size === 1 && !photos.has(only)) photos.set(only, this.api.thumbnailUrl(body.photoId));
    }
    return photos;
  });

  private readonly found = computed(() => {
    const text = this.filter().trim().toLowerCase();
    const { sort, show } = this.view();
    const isCalled = ({ body }: Recipe): boolean =>
      body.name.toLowerCase().includes(text) || body.lines.some(({ powderId }) => this.nameOf(powderId).toLowerCase().includes(text));
    return this.away
      .without('recipe', this.all.value()?.recipes ?? [])
      .filter((recipe) => isCalled(recipe) && (!this.powder() || recipe.body.lines.some((line) => line.powderId === this.powder())))
      .filter((recipe) => show === 'all' || (show === 'bucket' ? this.bucketsOf().has(recipe.id) : !recipe.fired))
      .sort((a, b) => this.compare(sort, a, b));
  });
  protected readonly more = computed(() => Math.max(0, this.found().length - this.shown()));
  protected readonly entries = computed(() =>
    this.found()
      .slice(0, this.shown())
      .map((recipe) => ({
        recipe,
        photo: this.photos().get(recipe.id),
        does: this.does(recipe),
        additions: recipe.body.lines
          .filter((line) => line.part !== 'base')
          .map(({ percent, powderId }) => `+ ${this.units.typed(percent)} % ${this.nameOf(powderId)}`),
        buckets: (this.bucketsOf().get(recipe.id) ?? []).map((bucket) => ({
          id: bucket.id,
          code: bucket.code,
          litres: this.units.litres(bucket.contents!.volumeMl),
          ...bucketVerdict(bucket, this.byFeel()),
        })),
      })),
  );

  protected type(text: string): void {
    this.typed.set({ text });
  }

  protected showMore(): void {
    this.shown.update((count) => count + AT_ONCE);
  }

  protected change(change: Partial<View>): void {
    this.view.update((view) => ({ ...view, ...change }));
  }

  private nameOf(powderId: string): string {
    return this.names().get(powderId) ?? '';
  }

  /** "gloss, cone 5–6, runs": what is known of it, and nothing of what is not. */
  private does({ body, fired }: Recipe): string {
    const cones = body.coneLow === body.coneHigh ? `cone ${body.coneLow}` : `cone ${body.coneLow}–${body.coneHigh}`;
    const known = [body.surface === 'unknown' ? '' : body.surface, cones, body.movement === 'unknown' ? '' : body.movement];
    return [...known, fired ? '' : 'never fired here'].filter(Boolean).join(', ');
  }

  private compare(sort: View['sort'], a: Recipe, b: Recipe): number {
    const byName = compareNames(a.body.name, b.body.name);
    // A bucket that stands there counts before the newest version.
    const used = ({ id, changedAt }: Recipe): string => `${this.bucketsOf().has(id) ? 1 : 0}${changedAt}`;
    switch (sort) {
      case 'use':
        return compareText(used(b), used(a)) || byName;
      case 'name':
        return byName;
      case 'changed':
        return compareText(b.changedAt, a.changedAt) || byName;
      case 'cone':
        return coneRank(a) - coneRank(b) || byName;
    }
  }
}

/** From the softest cone to the hottest: 06 comes long before 6. */
const coneRank = ({ body }: Recipe): number => CONES.findIndex(({ cone }) => cone === body.coneLow);
