import { inject, type Signal } from '@angular/core';
import type { BucketSummary } from '@cazuela/contract';
import { stirringDue, stirringNeed, suspensionRisk, weighedParts, type DayItem, type DayStep, type Powder, type StirringNeed } from '@cazuela/core';
import { BenchLog, type NewEvent } from '../../data/offline/bench-log';
import { Outbox } from '../../data/offline/outbox';
import { bucketOfRecipe } from '../../data/state/glazes';
import { StudioStore } from '../../data/state/studio-store';
import { localDay } from '../../data/units/times';
import { bucketVerdict } from '../../parts/bucket-verdict';

export interface BucketNow {
  bucket: BucketSummary;
  /** Its code was read on this day. */
  codeRead: boolean;
  /** How often it wants stirring, when that is due. */
  stir?: StirringNeed['every'];
  contaminated?: string;
  /** As on its own page and on the shelf; left out when it is as it should be. */
  verdict?: string;
}

/** Stirring before a piece, seconds: a rule of the bench. */
const STIR_SECONDS = 15;

/** The buckets of a day as they stand, with what was done to them here since the page was opened. */
export class DayBuckets {
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly studio = inject(StudioStore).studio;

  /** Call it where fields are initialised. */
  constructor(
    readonly all: Signal<readonly BucketSummary[]>,
    private readonly powders: Signal<readonly Powder[]>,
    private readonly nowAt: Signal<string>,
  ) {}

  /** A step of a plan made before the glaze was mixed names the recipe: it goes into the bucket of that recipe. */
  find(id: string | undefined): BucketSummary | undefined {
    return id === undefined ? undefined : (this.all().find((one) => one.id === id) ?? bucketOfRecipe(id, this.all()));
  }

  /** The bucket of a step as it stands. */
  ofStep(step: DayStep): BucketNow | undefined {
    const bucket = this.find(step.bucketId);
    return bucket && this.at(bucket);
  }

  at(bucket: BucketSummary): BucketNow {
    const nowAt = this.nowAt();
    const done = this.outbox.localEvents('bucket', bucket.id);
    const newest = (type: 'codeRead' | 'stirred', known: string | undefined): string | undefined =>
      [known, ...done.filter((event) => event.type === type).map((event) => event.at)]
        .filter((at) => at !== undefined)
        .sort()
        .at(-1);
    const codeReadAt = newest('codeRead', bucket.contents?.codeReadAt);
    const stirredAt = newest('stirred', bucket.contents?.stirredAt);
    const need = this.needOf(bucket);
    const { contaminated } = bucket.contents ?? {};
    const verdict = bucketVerdict(bucket, this.studio()?.reads === 'feel');
    return {
      bucket,
      codeRead: codeReadAt !== undefined && localDay(new Date(codeReadAt)) === localDay(new Date(nowAt)),
      ...(need && stirringDue({ need, stirredAt, nowAt }) ? { stir: need.every } : {}),
      ...(contaminated ? { contaminated: contaminated.join('; ') } : {}),
      ...(verdict.tone === 'good' ? {} : { verdict: verdict.words }),
    };
  }

  /** Buckets, as steps name them, that were stirred and measured on this day: nothing is to be made ready at their first dip. */
  readyToday(lots: readonly DayItem[]): Set<string> {
    const today = localDay(new Date(this.nowAt()));
    const isToday = (at: string | undefined): boolean => at !== undefined && localDay(new Date(at)) === today;
    const ids = lots.flatMap(({ steps }) => steps.flatMap(({ bucketId }) => bucketId ?? []));
    return new Set(
      ids.filter((id) => {
        const contents = this.find(id)?.contents;
        return isToday(contents?.measuredAt) && isToday(contents?.stirredAt);
      }),
    );
  }

  /** A glaze that settles at once is stirred before every piece: that is labor of its step. */
  withStirring(items: readonly DayItem[]): DayItem[] {
    const settling = new Set(
      this.all()
        .filter((bucket) => this.needOf(bucket)?.every === 'piece')
        .map(({ id }) => id),
    );
    if (settling.size === 0) return [...items];
    return items.map((item) => ({
      ...item,
      steps: item.steps.map((step) => {
        const bucketId = this.find(step.bucketId)?.id;
        return bucketId && settling.has(bucketId) ? { ...step, laborSeconds: step.laborSeconds + STIR_SECONDS } : step;
      }),
    }));
  }

  note(bucketId: string, event: NewEvent<'bucket'>): void {
    this.log.note('bucket', bucketId, event);
  }

  private needOf(bucket: BucketSummary): StirringNeed | undefined {
    const risk = suspensionRisk({ parts: weighedParts({ parts: bucket.contents?.parts ?? [], powders: this.powders() }) });
    return (
      risk &&
      stirringNeed({
        suspension: risk.suspension,
        flocculated: bucket.contents?.slurryState === 'flocculated',
        epsomGrams: bucket.contents?.additives?.epsomGrams,
      })
    );
  }
}
