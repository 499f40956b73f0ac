import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import {
  UNMEASURED_SG_SD,
  dipLimits,
  wetGramsOnScale,
  HOUR_MS,
  answerAsked,
  attempt,
  readBucketScale,
  NOTHING_ON_SCALE,
  overnightWater,
  STATE_GUESSES,
  type BucketOnScale,
} from '@cazuela/core';
import { Clock } from '../../../data/state/clock';
import { deviceSignal } from '../../../data/offline/kept-signal';
import { ScaleFeed } from '../../../data/devices/scale-feed';
import { Units } from '../../../data/units/units';
import { bucketScaleSchema, type BucketScaleKept } from './bucket-scale-kept';
import { CoatScreen } from '../coat-screen';
import { keepRest, restOf } from './rest-weights';

/**
 * The bucket on the connected scale: what it weighs less after each dip, what it asks about, what it lost overnight. One instance for each bench.
 */
@Injectable()
export class BucketListener {
  private readonly screen = inject(CoatScreen);
  private readonly nowAt = inject(Clock).at;
  private readonly feed = inject(ScaleFeed);
  private readonly units = inject(Units);
  readonly dismissed = signal(false);
  /** Dips not yet saved are there again after a reload and a closed tab; the weight at rest is read anew. */
  readonly kept = deviceSignal<BucketScaleKept>(
    'bucket-scale',
    { bucketId: '', areaCm2: null, dips: [], asked: [], count: 0 },
    (kept) => bucketScaleSchema.safeParse(kept).data,
  );
  private readonly onScale = signal<BucketOnScale>(NOTHING_ON_SCALE);
  private readonly glaze = computed(() => {
    const glaze = this.screen.glaze();
    return glaze && { ...glaze, packing: STATE_GUESSES[glaze.state].packing };
  });
  private readonly limits = computed(() => dipLimits(this.feed.scale()?.divisionGrams ?? 1, this.glaze(), this.kept().areaCm2 ?? undefined));
  readonly shows = computed(() => {
    const now = this.feed.now();
    return now.kind === 'reading' ? this.shown(now.settling.shownGrams) : '–';
  });
  readonly stateWords = computed(() => {
    const now = this.feed.now();
    if (now.kind === 'overload') return 'more than it can weigh: take a larger scale';
    if (now.kind === 'connecting' || now.kind === 'opened') return 'being connected';
    if (now.kind === 'away') return 'the line to it broke, and is opened again by itself';
    if (now.kind !== 'reading') return 'nothing comes from it';
    const onScale = this.onScale();
    if (onScale.beforeLiftGrams !== undefined) return 'lifted off';
    if (onScale.restGrams === undefined) return 'put the bucket on and let it come to rest';
    return now.settling.settled ? 'stands still' : onScale.underSinceMs === undefined ? 'moving' : 'a piece is under';
  });
  readonly overnight = computed(() => {
    const [bucket, scale, onScale] = [this.screen.bucket(), this.feed.scale(), this.onScale()];
    const before = bucket && scale && untracked(() => this.before());
    if (!bucket?.contents || !before || onScale.restGrams === undefined || this.dismissed() || this.kept().dips.length > 0) return undefined;
    const { volumeMl, sg, sgSd = UNMEASURED_SG_SD, waterGrams } = bucket.contents;
    const hoursAgo = (Date.parse(this.nowAt()) - Date.parse(before.at)) / HOUR_MS;
    const asked = attempt(() =>
      overnightWater({
        before: { grams: before.grams, hoursAgo },
        nowGrams: onScale.restGrams!,
        divisionGrams: scale!.divisionGrams,
        bucket: { volumeMl, sg, sgSd, waterGrams },
      }),
    );
    if (asked.kind === 'refused' || asked.value.kind === 'nothing') return undefined;
    return { ...asked.value, since: new Date(before.at).toLocaleString('en', { weekday: 'short', hour: '2-digit', minute: '2-digit' }) };
  });
  /** Its last weight before today, read once: today's own weights come after it. */
  private readonly before = computed(() => {
    const [bucket, scale] = [this.screen.bucket(), this.feed.scale()];
    return bucket && scale ? restOf(scale.id, bucket.id) : undefined;
  });

  constructor() {
    effect(() => {
      const now = this.feed.now();
      if (now.kind !== 'reading') return;
      const { shownGrams, settledGrams } = now.settling;
      untracked(() => this.handleReading({ atMs: performance.now(), shownGrams, ...(settledGrams === undefined ? {} : { settledGrams }) }));
    });
    effect(() => {
      const bucketId = this.screen.bucket()?.id ?? '';
      this.feed.scale();
      // Another bucket, or another scale: nothing of the one before is booked on it.
      untracked(() => {
        this.onScale.set(NOTHING_ON_SCALE);
        this.dismissed.set(false);
        if (this.kept().bucketId !== bucketId) this.change({ bucketId, dips: [], asked: [], count: 0 });
      });
    });
  }

  change(change: Partial<BucketScaleKept>): void {
    this.kept.update((kept) => ({ ...kept, ...change }));
  }

  /** No finer than the scale shows. */
  shown(grams: number): string {
    const divisionGrams = this.feed.scale()?.divisionGrams ?? 1;
    return `${this.units.massFigure(Math.round(grams / divisionGrams) * divisionGrams, divisionGrams)} ${this.units.massUnit()}`;
  }

  answer(id: number, wasDip: boolean): void {
    const { dips, asked } = answerAsked({ ...this.onScale(), dips: this.kept().dips, asked: this.kept().asked }, { id, wasDip });
    this.change({ dips: [...dips], asked: [...asked] });
  }

  timed(id: number, seconds: number): void {
    this.change({ dips: this.kept().dips.map((dip) => (dip.id === id ? { ...dip, seconds } : dip)) });
  }

  takeOut(id: number): void {
    this.change({ dips: this.kept().dips.filter((dip) => dip.id !== id) });
  }

  /** Wet glaze that such a coat takes out of the bucket, g. */
  wetGrams(coatMm: number): number {
    return wetGramsOnScale(coatMm, this.glaze(), this.kept().areaCm2 ?? undefined);
  }

  private handleReading(reading: { atMs: number; shownGrams: number; settledGrams?: number }): void {
    const [bucket, scale] = [this.screen.bucket(), this.feed.scale()];
    if (!bucket || !scale) return;
    const { dips, asked, count } = this.kept();
    const before = { ...this.onScale(), dips, asked, count };
    const after = readBucketScale(before, reading, this.limits());
    if (after === before) return;
    this.onScale.set(after);
    if (after.dips !== dips || after.asked !== asked) this.change({ dips: [...after.dips], asked: [...after.asked], count: after.count });
    if (after.restGrams !== undefined && after.restGrams !== before.restGrams) {
      // Yesterday's weight is read before today's takes its place.
      void this.before();
      keepRest(scale.id, bucket.id, { grams: after.restGrams, at: this.nowAt() });
    }
  }
}
