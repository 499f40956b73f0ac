import { computed, inject, Injectable, signal } from '@angular/core';
import type { BucketSummary, Day } from '@cazuela/contract';
import {
  replayDay,
  stirringDue,
  stirringNeed,
  suspensionRisk,
  weighedParts,
  type DayEvent,
  type DayItem,
  type DayStep,
  type StirringNeed,
} from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { BenchLog, withLocalEvents, type NewEvent } from '../../data/offline/bench-log';
import { Clock, NOW } from '../../data/state/clock';
import { apiResource } from '../../data/http/api-resource';
import { createMutation } from '../../data/http/mutation';
import { DayItems } from '../../data/state/day-items';
import { Outbox } from '../../data/offline/outbox';
import { StudioApi } from '../../data/http/studio-api';
import { localDay } from '../../data/units/times';
import { Notice } from '../../ui/notice';
import { bucketOfRecipe } from '../../data/state/glazes';
import { TakeBack } from '../../parts/take-back';
import { StudioStore } from '../../data/state/studio-store';
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

/** A glazing day as it stands at this moment, replayed from its events. */
@Injectable()
export class DayScreen {
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly clock = inject(Clock);
  private readonly now = inject(NOW);
  private readonly notice = inject(Notice);
  private readonly studio = inject(StudioStore).studio;
  private readonly others = inject(TakeBack);
  private readonly dayItems = inject(DayItems);
  readonly taking = createMutation();
  readonly all = apiResource(() => combineLatest({ days: this.api.days(), buckets: this.api.buckets(), powders: this.api.powders() }));
  readonly date = signal(localDay(this.now()));
  readonly days = computed(() => this.all.value()?.days ?? []);
  readonly day = computed<Day | undefined>(() => this.days().find((day) => day.date === this.date()));
  private readonly events = computed<DayEvent[]>(() => {
    const day = this.day();
    return day ? withLocalEvents(day.events, this.outbox.localEvents('day', day.id)) : [];
  });
  /** Steps recorded here after the clock last changed count at their own time. */
  readonly nowAt = computed(() =>
    [
      this.clock.at(),
      ...this.events()
        .slice(-1)
        .map((event) => event.at),
    ]
      .sort()
      .at(-1)!,
  );
  readonly state = computed(() => {
    const day = this.day();
    return day && replayDay({ items: day.items, events: this.events(), nowAt: this.nowAt() });
  });

  /** The bucket of a step as it stands, with what was done to it here since the page was opened. */
  bucketOf(step: DayStep): BucketNow | undefined {
    const all = this.all.value();
    const bucket = all && this.bucketIn(all.buckets, step.bucketId);
    if (!all || !bucket) return undefined;
    const done = this.outbox.localEvents('bucket', bucket.id);
    const newest = (type: 'codeRead' | 'stirred', known: string | undefined): string | undefined =>
      [known, ...done.filter((event) => event.type === type).map((event) => event.at)]
        .filter((at) => at !== undefined)
        .sort()
        .at(-1);
    const codeReadAt = newest('codeRead', bucket.contents?.codeReadAt);
    const stirredAt = newest('stirred', bucket.contents?.stirredAt);
    const risk = suspensionRisk({ parts: weighedParts({ parts: bucket.contents?.parts ?? [], powders: all.powders }) });
    const need =
      risk &&
      stirringNeed({
        suspension: risk.suspension,
        flocculated: bucket.contents?.slurryState === 'flocculated',
        epsomGrams: bucket.contents?.additives?.epsomGrams,
      });
    const { contaminated } = bucket.contents ?? {};
    const verdict = bucketVerdict(bucket, this.studio()?.reads === 'feel');
    return {
      bucket,
      codeRead: codeReadAt !== undefined && localDay(new Date(codeReadAt)) === localDay(new Date(this.nowAt())),
      ...(need && stirringDue({ need, stirredAt, nowAt: this.nowAt() }) ? { stir: need.every } : {}),
      ...(contaminated ? { contaminated: contaminated.join('; ') } : {}),
      ...(verdict.tone === 'good' ? {} : { verdict: verdict.words }),
    };
  }

  /** A step of a plan made before the glaze was mixed names the recipe: it goes into the bucket of that recipe. */
  private bucketIn(buckets: readonly BucketSummary[], id: string | undefined): BucketSummary | undefined {
    return id === undefined ? undefined : (buckets.find((one) => one.id === id) ?? bucketOfRecipe(id, buckets));
  }

  noteBucket(bucketId: string, event: NewEvent<'bucket'>): void {
    this.log.note('bucket', bucketId, event);
  }

  done(step: DayStep, seconds: number | null): void {
    const sg = this.bucketIn(this.all.value()?.buckets ?? [], step.bucketId)?.contents?.sg;
    this.note(`Done: ${step.words}`, {
      type: 'stepDone',
      stepId: step.id,
      // Planned seconds are not told as what hands did.
      ...(seconds === null ? {} : { seconds: Number(seconds.toFixed(1)) }),
      ...(sg === undefined ? {} : { sg }),
    });
  }

  /** `words` say what it was, for the line that offers to take it back. */
  note(words: string, event: NewEvent<'day'>): void {
    const day = this.day();
    if (!day) return;
    const eventId = this.log.note('day', day.id, event);
    this.notice.kept(words, () => this.log.note('day', day.id, { type: 'undone', eventId }));
  }

  /** Pieces that were put on by mistake; put back with one tap. */
  takeOff(item: DayItem): void {
    const date = this.date();
    this.taking.run(this.dayItems.takeOff(date, item.id), () => {
      this.all.reload();
      this.notice.kept(`${item.count} × ${item.name} taken off the day`, () =>
        this.taking.run(this.dayItems.put(date, [item]), () => this.all.reload()),
      );
    });
  }

  takeBack(eventId: string): void {
    const day = this.day();
    if (!day) return;
    this.others.ask(
      this.events().find((event) => event.id === eventId),
      () => this.log.note('day', day.id, { type: 'undone', eventId }),
    );
  }
}
