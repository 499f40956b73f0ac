import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  UNMEASURED_SG_SD,
  attempt,
  bucketStory,
  evaporatedSince,
  feelVerdict,
  lightnessOf,
  mixtureOf,
  planCorrection,
  solubleNames,
  stirringDue,
  stirringNeed,
  surfaceCm2,
  suspensionRisk,
  washBefore,
  weighedDifference,
  correctionOptions,
  weighedParts,
  type BucketContents,
  type BucketEvent,
  type ToolInBucket,
} from '@cazuela/core';
import type { Bucket, BucketBody, BucketSummary } from '@cazuela/contract';
import { catchError, combineLatest, EMPTY, filter, switchMap, timer } from 'rxjs';
import { BenchLog, withLocalEvents, type NewEvent } from '../../../data/offline/bench-log';
import { BucketPrefetch } from '../../../data/http/bucket-prefetch';
import { Clock } from '../../../data/state/clock';
import { createMutation } from '../../../data/http/mutation';
import { keyedResource } from '../../../data/http/api-resource';
import { Outbox } from '../../../data/offline/outbox';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { Units } from '../../../data/units/units';
import { Notice } from '../../../ui/notice';
import { differenceWords, eventWords, rangeAdvice } from '../bucket-words';
import { correctionWords } from './corrections/correction-words';

/** The work of another tablet at the same bucket is seen after at most this long, ms. */
const LOOK_AGAIN_MS = 4_000;

/** One bucket as it stands: its document, its events, and what follows from them. */
@Injectable()
export class BucketScreen {
  private readonly api = inject(StudioApi);
  private readonly prefetch = inject(BucketPrefetch);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly units = inject(Units);
  private readonly notice = inject(Notice);
  private readonly studio = inject(StudioStore).studio;
  readonly nowAt = inject(Clock).at;
  private readonly id = signal<string | undefined>(undefined);
  readonly all = keyedResource(this.id, (id) => this.prefetch.take(id));
  readonly bucket = computed<Bucket | undefined>(() => this.all.value());
  /** What surrounds it is fetched after the bucket itself: nobody waits for the list to see a bucket. */
  readonly around = keyedResource(
    () => this.bucket()?.id,
    () => combineLatest({ powders: this.api.powders(), buckets: this.api.buckets() }),
  );
  private readonly versions = keyedResource(
    () => this.bucket()?.recipeId ?? undefined,
    (id) => this.api.recipeVersions(id),
  );
  readonly powders = computed(() => this.around.value()?.powders ?? []);
  readonly others = computed<BucketSummary[]>(() =>
    (this.around.value()?.buckets ?? []).filter((one) => one.id !== this.bucket()?.id && !one.body.closedAt),
  );
  readonly events = computed<BucketEvent[]>(() => {
    const bucket = this.bucket();
    return bucket ? withLocalEvents(bucket.events, this.outbox.localEvents('bucket', bucket.id)) : [];
  });
  private readonly story = computed(() => bucketStory({ events: this.events() }));
  readonly contents = computed(() => {
    const { now } = this.story();
    return now.kind === 'ok' ? { ...now.contents, ...drifting(this.bucket()) } : undefined;
  });
  /** What was weighed in otherwise than its recipe wants. */
  readonly notAsRecipe = computed(() => {
    const version = this.versions.value()?.find((one) => one.versionId === this.bucket()?.recipeVersionId);
    const filled = this.events().find((event) => event.type === 'filled' && event.from === 'batch');
    if (!version || filled?.type !== 'filled') return '';
    const names = new Map([...this.powders(), ...filled.parts.map(({ powderId: id, name }) => ({ id, name }))].map(({ id, name }) => [id, name]));
    return weighedDifference({ lines: version.body.lines, parts: filled.parts })
      .map((one) => differenceWords(names.get(one.powderId) ?? 'a powder that is put away', one, this.units))
      .join('; ');
  });
  readonly mixture = computed(() => mixtureOf(this.contents() ?? {}));
  /** Whether the last reading moved the SG, where the reading before it counts too. */
  readonly lastMoved = computed(() => {
    const measured = this.history().filter(({ event, undone }) => event.type === 'sgMeasured' && !undone);
    const before = this.history().filter(({ event, undone, sg }) => !undone && sg !== undefined && event.id !== measured.at(-1)?.event.id);
    return Math.abs((this.contents()?.sg ?? 0) - (before.at(-1)?.sg ?? 0)) > 0.0005;
  });
  readonly history = computed(() => this.story().moments);
  /** What this studio judges its buckets by. */
  readonly reads = computed(() => this.studio()?.reads ?? 'both');
  readonly targetSg = computed(() => {
    const body = this.bucket()?.body;
    return body ? (body.sgLow + body.sgHigh) / 2 : 1.45;
  });
  private readonly weighed = computed(() => weighedParts({ parts: this.contents()?.parts ?? [], powders: this.powders() }));
  readonly risk = computed(() => suspensionRisk({ parts: this.weighed() }));
  readonly stirring = computed(() => {
    const risk = this.risk();
    const contents = this.contents();
    if (!risk || !contents) return undefined;
    const need = stirringNeed({
      suspension: risk.suspension,
      flocculated: contents.slurryState === 'flocculated',
      epsomGrams: contents.additives?.epsomGrams,
    });
    return { need, due: stirringDue({ need, stirredAt: contents.stirredAt, nowAt: this.nowAt() }) };
  });
  /** Every correction into its range, once it was measured and nothing went in since. */
  readonly corrections = computed(() => {
    const [contents, bucket, risk] = [this.contents(), this.bucket(), this.risk()];
    if (!contents || !bucket || contents.sgSd === undefined || contents.changedSinceMeasured) return undefined;
    const { capacityMl, sgLow, sgHigh, shape } = bucket.body;
    const { volumeMl, sg, sgSd, density, waterGrams } = contents;
    const others = this.others()
      .filter((one) => one.recipeId !== null && one.recipeId === bucket.recipeId && one.contents?.sgSd !== undefined && !mixtureOf(one.contents))
      .map((one) => ({ id: one.id, code: one.code, sg: one.contents!.sg, volumeMl: one.contents!.volumeMl }));
    const asked = attempt(() =>
      correctionOptions({
        volumeMl,
        sg,
        sgSd,
        sgLow,
        sgHigh,
        density,
        capacityMl,
        waterGrams,
        surfaceCm2: surfaceCm2({ contents, capacityMl, shape }),
        suspension: risk?.suspension ?? 'holds',
        soluble: solubleNames(this.weighed()),
        others,
      }),
    );
    return asked.kind === 'ok' && asked.value.kind === 'options' ? asked.value : undefined;
  });
  readonly advice = computed(() => {
    const contents = this.contents();
    const body = this.bucket()?.body;
    if (!contents || !body) return undefined;
    const plan = attempt(() =>
      planCorrection({
        volumeMl: contents.volumeMl,
        sg: contents.sg,
        targetSg: this.targetSg(),
        tolerance: (body.sgHigh - body.sgLow) / 2,
        sgSd: contents.sgSd ?? UNMEASURED_SG_SD,
      }),
    );
    if (plan.kind === 'refused') return { tone: 'look' as const, what: plan.error.message, how: '' };
    const best = this.corrections()?.options[0];
    // A glaze that never clears cannot be settled and poured off: the quickest correction that nothing prevents is the advice.
    if (best && best.kind !== 'water' && best.kind !== 'pourOff') {
      const { what, cost } = correctionWords(best, this.units);
      const side = this.corrections()!.side === 'tooThin' ? 'Too thin' : 'Too thick';
      return { tone: 'stop' as const, what: `${side}: ${lowered(what)}.`, how: `${cost}.` };
    }
    return rangeAdvice(plan.value, { ...contents, targetSg: this.targetSg(), measured: contents.sgSd !== undefined }, this.units);
  });
  readonly evaporated = computed(() => {
    const [contents, bucket] = [this.contents(), this.bucket()];
    if (!contents || !bucket || contents.changedSinceMeasured) return undefined;
    const { capacityMl, shape } = bucket.body;
    const asked = attempt(() => evaporatedSince({ contents, capacityMl, shape, nowAt: this.nowAt() }));
    return asked.kind === 'ok' ? asked.value : undefined;
  });
  readonly byFeel = computed(() => feelVerdict({ feel: this.contents()?.feel, ranges: this.bucket()?.body.feel }));
  /** The darker bucket whose glaze may still be on the drill. */
  readonly wash = computed(() => {
    const bucket = this.bucket();
    if (!bucket) return undefined;
    const tool = (one: BucketSummary, stirredAt: string | undefined): ToolInBucket & { code: string } => ({
      id: one.id,
      name: one.body.name,
      code: one.code,
      lightness: lightnessOf(one.body.colour),
      stirredAt,
    });
    return washBefore({
      into: tool(bucket, this.contents()?.stirredAt),
      others: this.others().map((one) => tool(one, one.contents?.stirredAt)),
      nowAt: this.nowAt(),
    });
  });
  readonly saving = createMutation();

  constructor() {
    // Somebody else's work at this bucket comes in without a reload.
    timer(LOOK_AGAIN_MS, LOOK_AGAIN_MS)
      .pipe(
        filter(() => this.bucket() !== undefined && !document.hidden && !this.isWaiting()),
        switchMap(() => this.api.bucketPulse(this.id()!).pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe(({ events }) => events > this.events().length && this.all.reload());
  }

  open(id: string): void {
    this.id.set(id);
  }

  note(event: NewEvent<'bucket'>): void {
    const id = this.id()!;
    const eventId = this.log.note('bucket', id, event);
    if (event.type === 'undone') return;
    const words = eventWords(event, this.units);
    this.notice.kept(words, () => this.log.note('bucket', id, { type: 'undone', eventId }));
  }

  isWaiting(): boolean {
    return this.outbox.isWaiting(this.id() ?? '');
  }

  /** Changes the description of the bucket; the rest stays as it is now. */
  change(change: Partial<BucketBody>, done?: () => void): void {
    const bucket = this.bucket();
    if (bucket) this.replace({ ...bucket.body, ...change }, done);
  }

  replace(body: BucketBody, done: () => void = () => undefined, version = this.bucket()?.version): void {
    const bucket = this.bucket();
    if (!bucket || version === undefined) return;
    this.saving.run(this.api.updateBucket(bucket.id, version, body), () => {
      this.all.reload();
      this.notice.tell(`${body.name} is kept.`);
      done();
    });
  }
}

/** Learnt by the records from its whole history. */
const drifting = (bucket: Bucket | undefined): Pick<BucketContents, 'drift'> => (bucket?.contents?.drift ? { drift: bucket.contents.drift } : {});

const lowered = (words: string): string => words[0]!.toLowerCase() + words.slice(1);
