import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { seriesBodySchema, type BucketSummary, type SeriesBody, type SeriesDocument } from '@cazuela/contract';
import { attempt, dryGrams, seriesSheet, stainInside } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../data/http/mutation';
import { apiResource } from '../../../data/http/api-resource';
import { PreferencesStore } from '../../../data/state/preferences';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { formatDateTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { NumberField } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { SeriesBench } from './series-bench';
import { cupMlOf, leftWords, questionSchema, readPercents, START, type Question } from './series-question';
import { SelectField } from '../../../ui/select-field';
import { TextField } from '../../../ui/text-field';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import type { FieldOption } from '../../../ui/options';
import { ResourceState } from '../../../ui/resource-state';
import { EmptyState } from '../../../ui/empty-state';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { RecordMenu } from '../../../parts/records/record-menu';
import { PutAwayNote } from '../../../parts/records/put-away-note';
import { PutAwayLink } from '../../../parts/records/put-away-link';
import { titleOf } from '../../../data/state/address';

/** Rows of test tiles: a ladder in one cup, in separate cups, or a blend of two buckets, each with its sheet and codes. */
@Component({
  selector: 'cz-series-page',
  imports: [
    AutocompleteField,
    Choice,
    EmptyState,
    ErrorBanner,
    MatButton,
    NumberField,
    PutAwayLink,
    PutAwayNote,
    RecordMenu,
    ResourceState,
    RouterLink,
    SelectField,
    SeriesBench,
    TextField,
  ],
  templateUrl: './series-page.html',
  styleUrl: './series-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SeriesPage {
  /** The series that was saved; without it, a new one is made. */
  readonly id = input<string>();
  protected readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly store = inject(StudioStore);
  protected readonly units = inject(Units);
  protected readonly mass = inject(PreferencesStore).value;
  protected readonly kinds = [
    ['oneCup', 'one cup'],
    ['cups', 'separate cups'],
    ['blend', 'two buckets'],
  ] as const;
  protected readonly meanings = [
    ['share', 'share of the other glaze, dry'],
    ['stain', 'percent of stain'],
  ] as const;
  protected readonly saving = createMutation();
  private readonly away = inject(PutAwayStore);
  protected readonly all = apiResource(() => combineLatest({ buckets: this.api.buckets(), powders: this.api.powders(), series: this.api.series() }));
  protected readonly question = sessionSignal<Question>('series', START, (kept) => questionSchema.safeParse(kept).data);
  protected readonly buckets = computed(() => (this.all.value()?.buckets ?? []).filter((bucket) => (bucket.contents?.dryGrams ?? 0) > 0));
  protected readonly stains = computed(() => (this.all.value()?.powders ?? []).filter((powder) => ['colourant', 'opacifier'].includes(powder.role)));
  protected readonly bucket = computed(() => this.buckets().find((one) => one.id === this.question().bucketId) ?? this.buckets()[0]);
  /** The other bucket of a blend: of the same recipe where there is one. */
  protected readonly other = computed(() => {
    const rest = this.buckets().filter((one) => one.id !== this.bucket()?.id);
    return rest.find((one) => one.id === this.question().otherId) ?? rest.find((one) => one.recipeId === this.bucket()?.recipeId) ?? rest[0];
  });
  protected readonly stain = computed(() => this.stains().find((one) => one.id === this.question().powderId) ?? this.stains()[0]);
  protected readonly opened = computed(() => this.all.value()?.series.find((one) => one.id === this.id()));
  protected readonly kept = computed(() =>
    this.away.without('series', this.all.value()?.series ?? []).map((one) => ({ ...one, when: formatDateTime(one.createdAt) })),
  );
  /** Series marked as done here, before the list is fetched again. */
  protected readonly justDone = signal<SeriesDocument | undefined>(undefined);
  protected readonly draft = computed((): { kind: 'ok'; body: SeriesBody } | { kind: 'refused'; words: string } | undefined => {
    const [bucket, percents] = [this.bucket(), readPercents(this.question().percents)];
    if (!bucket) return undefined;
    if (!percents) return { kind: 'refused', words: 'Write the percentages of the steps with commas, like 1, 2, 4, 6, 8.' };
    const missing = this.missing();
    if (missing) return { kind: 'refused', words: missing };
    const made = attempt(() => this.bodyFrom(bucket, percents));
    if (made.kind === 'refused') return { kind: 'refused', words: made.error.message };
    const read = seriesBodySchema.safeParse(made.value);
    return read.success ? { kind: 'ok', body: read.data } : { kind: 'refused', words: read.error.issues[0]!.message };
  });
  /** By stain only where the two hold different shares of it. */
  protected readonly by = computed(() => {
    const [a, b] = [this.bucket(), this.other()];
    const differ = !!a && !!b && Math.abs(stainInside(a.contents!).percent - stainInside(b.contents!).percent) > 0.05;
    return differ ? (this.question().by ?? (a.recipeId === b.recipeId ? 'stain' : 'share')) : 'share';
  });
  /** What keeps the cups from being filled. */
  private readonly missing = computed(() => {
    const [bucket, other, { kind, cupMl, totalMl }] = [this.bucket(), this.other(), this.question()];
    if (kind === 'blend') return other ? (totalMl === null ? 'Say how much goes into each cup.' : '') : 'A blend needs a second bucket.';
    if (cupMl === null || !bucket) return 'Say how much glaze goes into the cup.';
    return this.stain() ? '' : 'There is no stain in the table of powders yet.';
  });
  /** A bucket that holds less than the series takes. */
  protected readonly tooLittle = computed(() => {
    const sheet = this.sheet();
    if (this.opened() || sheet?.kind !== 'ok') return '';
    for (const { bucketId, millilitres } of sheet.value.glaze) {
      const bucket = this.buckets().find((one) => one.id === bucketId);
      if (bucket && millilitres > bucket.contents!.volumeMl)
        return `That takes ${this.units.millilitres(millilitres)} of ${bucket.body.name}, and the bucket holds ${this.units.millilitres(bucket.contents!.volumeMl)}: smaller cups, or fewer.`;
    }
    return '';
  });
  /** Something fell into a bucket of this series: its tiles show that too. */
  protected readonly spoilt = computed(() => {
    const sheet = this.sheet();
    const ids = sheet?.kind === 'ok' ? sheet.value.glaze.map((one) => one.bucketId) : [];
    return this.buckets()
      .filter((one) => ids.includes(one.id) && one.contents?.contaminated)
      .map((one) => `${one.code} ${one.body.name} is contaminated: ${one.contents!.contaminated!.join('; ')}.`)
      .join(' ');
  });
  /** Glaze to scoop into each cup. */
  protected readonly cupMl = computed(() => {
    const body = this.body();
    return body && body.kind !== 'blend' ? cupMlOf(body) : 0;
  });
  protected readonly cupBucket = computed(() => {
    const body = this.body();
    return body && body.kind !== 'blend' ? body.bucketName : '';
  });
  protected readonly body = computed(
    () => this.opened()?.body ?? (this.draft()?.kind === 'ok' ? (this.draft() as { body: SeriesBody }).body : undefined),
  );
  protected readonly code = computed(() => this.opened()?.code ?? 'K');
  protected readonly sheet = computed(() => {
    const body = this.body();
    return (
      body &&
      attempt(() => {
        const sheet = seriesSheet({ code: this.code(), question: body });
        return { ...sheet, leftWords: leftWords(sheet, body) };
      })
    );
  });
  protected readonly isDone = computed(() => this.opened()?.doneAt ?? (this.justDone()?.id === this.id() ? this.justDone()!.doneAt : null));
  protected readonly refused = computed(() => {
    const draft = this.draft();
    return !this.opened() && draft?.kind === 'refused' ? draft.words : '';
  });
  protected readonly blend = computed(() => {
    const body = this.body();
    return body?.kind === 'blend' ? body : undefined;
  });
  protected readonly bucketOptions = computed((): FieldOption[] =>
    this.buckets().map(
      (one) =>
        [
          one.id,
          `${one.code} ${one.body.name}${one.contents!.stainPercent > 0 ? ', ' + this.units.percent(one.contents!.stainPercent) + ' stain' : ''}`,
        ] as const,
    ),
  );
  protected readonly otherOptions = computed((): FieldOption[] =>
    this.buckets()
      .filter((one) => one.id !== this.bucket()?.id)
      .map((one) => [one.id, `${one.code} ${one.body.name}, ${this.units.percent(one.contents!.stainPercent)} stain`] as const),
  );
  protected readonly stainOptions = computed((): FieldOption[] => this.stains().map((one) => [one.id, one.name] as const));

  constructor() {
    titleOf(() => this.opened() && `${this.opened()!.code} ${this.opened()!.body.name}`);
  }

  protected change(change: Partial<Question>): void {
    this.question.update((question) => ({ ...question, ...change }));
  }

  protected keep(): void {
    const draft = this.draft();
    if (draft?.kind !== 'ok') return;
    this.saving.run(this.api.createSeries(uuid(), draft.body), (series) => {
      this.all.reload();
      void this.router.navigate(['/weigh/series', series.id]);
    });
  }

  protected dipped(weighedGrams?: readonly number[]): void {
    const weighed = weighedGrams ? { weighedGrams: [...weighedGrams] } : {};
    const done = { at: new Date().toISOString(), by: this.store.by(), eventIds: [uuid(), uuid()], ...weighed };
    this.saving.run(this.api.finishSeries(this.id()!, done), (series) => {
      this.justDone.set(series);
      this.all.reload();
    });
  }

  private bodyFrom(bucket: BucketSummary, percents: number[]): unknown {
    const { kind, cupMl, drawGrams, totalMl } = this.question();
    if (kind === 'blend') {
      const other = this.other();
      if (!other) return undefined;
      const name = `${bucket.body.name} and ${other.body.name}`;
      return { kind, name, by: this.by(), a: cupOf(bucket, true), b: cupOf(other, true), totalMl, percents, notes: '' };
    }
    const stain = this.stain()!;
    const { sg, density, parts } = bucket.contents!;
    const { baseDryGrams, percent, otherGrams } = stainInside({ parts, stainId: stain.id });
    const otherPercent = (100 * otherGrams) / baseDryGrams;
    const dry = dryGrams({ volumeMl: cupMl!, sg, density }) / (1 + (percent + otherPercent) / 100);
    const common = {
      name: `${stain.name} in ${bucket.body.name}`.slice(0, 80),
      powderId: stain.id,
      powderName: stain.name,
      stainDensity: stain.densityGMl,
      stainPercent: percent,
      otherPercent,
      ...cupOf(bucket, false),
      // One cup only ever gets more: its steps rise, in whatever order they were typed.
      percents: kind === 'oneCup' ? [...percents].sort((one, next) => one - next) : percents,
      notes: '',
    };
    return kind === 'cups' ? { kind, ...common, cupBaseGrams: dry } : { kind, ...common, baseGrams: dry, drawGrams };
  }
}

function cupOf(bucket: BucketSummary, withPercent: boolean): Record<string, unknown> {
  const { sg, density } = bucket.contents!;
  const { percent } = stainInside(bucket.contents!);
  return { bucketId: bucket.id, bucketName: `${bucket.code} ${bucket.body.name}`, sg, density, ...(withPercent ? { percent } : {}) };
}
