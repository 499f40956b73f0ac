import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import {
  attempt,
  hearBucketScale,
  answerAsked,
  NOTHING_ON_SCALE,
  overnightWater,
  solidsByMass,
  STATE_GUESSES,
  type Asked,
  type BucketOnScale,
} from '@cazuela/core';
import type { CoatDipBody } from '@cazuela/contract';
import { v7 as uuid } from 'uuid';
import { BenchLog } from '../../data/bench-log';
import { Clock } from '../../data/clock';
import { readCoat } from '../../data/coat-learning';
import { deed } from '../../data/deed';
import { remembered } from '../../data/remembered';
import { ScaleFeed } from '../../data/scale-feed';
import { StudioApi } from '../../data/studio-api';
import { StudioStore } from '../../data/studio-store';
import { Units } from '../../data/units';
import { NumberField } from '../../parts/number-field';
import { Says } from '../../parts/says';
import { AreaField } from './area-field';
import { CoatScreen } from './coat-screen';
import { predictedWords } from './coat-words';
import { askedWords, bucketScaleSchema, type BucketScaleKept } from './bucket-scale-kept';
import { PracticeBucket } from './practice-bucket';
import { keepRest, restOf } from './rest-weights';

/** A cup, where no area is told yet. */
const USUAL_AREA_CM2 = 300;
/** Thinnest and thickest coat that a loss may be, mm. */
const THINNEST_MM = 0.04;
const THICKEST_MM = 2.5;

/** The bucket stands on the connected scale: what it weighs less after each dip is that piece's coat, what it loses overnight is water. */
@Component({
  selector: 'cz-scale-bucket-panel',
  imports: [AreaField, NumberField, PracticeBucket, Says],
  template: `
    <h2>Bucket on the scale</h2>
    @if (feed.scale(); as scale) {
      <p class="stands" role="status">
        <strong class="figure big">{{ shows() }}</strong> <span class="quiet">{{ stateWords() }}, {{ scale.name }}</span>
        <button type="button" class="press bare" (click)="feed.listenTo(null)">Not this scale</button>
      </p>
      <cz-area-field [areaCm2]="kept().areaCm2" (changed)="change({ areaCm2: $event })" />
      @if (overnight(); as night) {
        <section class="night" role="note">
          @if (night.kind === 'lost') {
            <p>
              Since {{ night.since }} it lost {{ shown(night.waterGrams) }} of water to the air and nothing else: SG
              <strong class="figure">{{ units.sgFine(night.sg) }}</strong> now, without a cylinder.
            </p>
            <button type="button" class="press quiet-press" (click)="book(night)">Keep it as a reading</button>
          } @else {
            <p class="look">
              Since {{ night.since }} it weighs {{ shown(night.changeGrams < 0 ? -night.changeGrams : night.changeGrams) }}
              {{ night.changeGrams < 0 ? 'less' : 'more' }}: that is not water alone. Measure its SG.
            </p>
          }
          <button type="button" class="press bare" (click)="dismissed.set(true)">It was something else</button>
        </section>
      }
      @for (one of kept().asked; track one.id) {
        <div class="asked look" role="alert">
          <span>{{ askWords(one) }}</span>
          @if (one.lossGrams > 0) {
            <button type="button" class="press quiet-press" (click)="answer(one.id, true)">A dip</button>
          }
          <button type="button" class="press quiet-press" (click)="answer(one.id, false)">No dip</button>
        </div>
      }
      @if (rows().length > 0) {
        <table class="sheet">
          @for (row of rows(); track row.id) {
            <tr>
              <td class="num">{{ shown(row.lossGrams) }}</td>
              <td>{{ row.words }}</td>
              <td>
                <cz-number-field
                  [label]="'Seconds of dip ' + row.id"
                  [labelHidden]="true"
                  unit="s"
                  [decimals]="1"
                  [value]="row.seconds"
                  [least]="0"
                  [most]="600"
                  (changed)="$event.value !== null && timed(row.id, $event.value)"
                />
              </td>
              <td><button type="button" class="press bare" [attr.aria-label]="'Take out dip ' + row.id" (click)="takeOut(row.id)">No dip</button></td>
            </tr>
          }
        </table>
        <button type="button" class="press" [disabled]="!kept().areaCm2 || keeping.busy()" (click)="keep()">
          Keep {{ rows().length === 1 ? 'the dip' : rows().length + ' dips' }}
        </button>
        <cz-says [failure]="keeping.failure()?.problem?.detail" (again)="keep()" />
      } @else {
        <p class="quiet small">
          Let it stand still once with its glaze, stirrer out. Then dip: what it weighs less is the coat. Let drips fall back into it, the tongs too.
          Each change that could be anything is asked about.
        </p>
      }
      <cz-practice-bucket [bucketGrams]="bucketGrams()" [coatGrams]="usualGrams()" />
    } @else {
      <p>Stand the bucket on a connected scale and every dip is weighed by itself.</p>
      <p class="row">
        @for (scale of store.studio()?.scales ?? []; track scale.id) {
          <button type="button" class="press quiet-press" (click)="feed.listenTo(scale.id)">Listen to {{ scale.name }}</button>
        }
      </p>
    }
  `,
  styles: `
    .big {
      font-size: 1.8rem;
    }
    .stands,
    .row,
    .asked {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem 1rem;
      align-items: center;
    }
    .night {
      margin: 0.8rem 0;
      padding: 0.6rem 0.9rem;
      background: var(--slip);
      border-radius: 6px;
    }
    .asked {
      margin: 0.6rem 0;
    }
    table {
      margin: 0.6rem 0;
    }
    cz-number-field {
      width: 7rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScaleBucketPanel {
  private readonly screen = inject(CoatScreen);
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly nowAt = inject(Clock).at;
  protected readonly store = inject(StudioStore);
  protected readonly feed = inject(ScaleFeed);
  protected readonly units = inject(Units);
  protected readonly keeping = deed();
  protected readonly dismissed = signal(false);
  /** Dips not yet kept are there again after a reload; where it rests is seen anew. */
  protected readonly kept = remembered<BucketScaleKept>(
    'bucket-scale',
    { bucketId: '', areaCm2: null, dips: [], asked: [], count: 0 },
    (kept) => bucketScaleSchema.safeParse(kept).data,
  );
  private readonly heard = signal<BucketOnScale>(NOTHING_ON_SCALE);
  private readonly limits = computed(() => {
    const divisionGrams = this.feed.scale()?.divisionGrams ?? 1;
    return { divisionGrams, leastGrams: Math.max(4 * divisionGrams, this.wetGrams(THINNEST_MM)), mostGrams: this.wetGrams(THICKEST_MM) };
  });
  protected readonly shows = computed(() => {
    const now = this.feed.now();
    return now.kind === 'reading' ? this.shown(now.settling.shownGrams) : '–';
  });
  protected readonly stateWords = computed(() => {
    const now = this.feed.now();
    if (now.kind === 'overload') return 'more than it can weigh: take a larger scale';
    if (now.kind !== 'reading') return 'nothing comes from it';
    const heard = this.heard();
    if (heard.beforeLiftGrams !== undefined) return 'lifted off';
    if (heard.restGrams === undefined) return 'put the bucket on and let it come to rest';
    return now.settling.settled ? 'stands still' : heard.underSinceMs === undefined ? 'moving' : 'a piece is under';
  });
  protected readonly overnight = computed(() => {
    const [bucket, scale, heard] = [this.screen.bucket(), this.feed.scale(), this.heard()];
    const before = bucket && scale && untracked(() => this.before());
    if (!bucket?.contents || !before || heard.restGrams === undefined || this.dismissed() || this.kept().dips.length > 0) return undefined;
    const { volumeMl, sg, sgSd = 0.02, waterGrams } = bucket.contents;
    const hoursAgo = (Date.parse(this.nowAt()) - Date.parse(before.at)) / 3_600_000;
    const asked = attempt(() =>
      overnightWater({
        before: { grams: before.grams, hoursAgo },
        nowGrams: heard.restGrams!,
        divisionGrams: scale!.divisionGrams,
        bucket: { volumeMl, sg, sgSd, waterGrams },
      }),
    );
    if (asked.kind === 'refused' || asked.value.kind === 'nothing') return undefined;
    return { ...asked.value, since: new Date(before.at).toLocaleString('en', { weekday: 'short', hour: '2-digit', minute: '2-digit' }) };
  });
  /** What it weighed when it was last seen, read once: today's own weights come after it. */
  private readonly before = computed(() => {
    const [bucket, scale] = [this.screen.bucket(), this.feed.scale()];
    return bucket && scale ? restOf(scale.id, bucket.id) : undefined;
  });
  protected readonly rows = computed(() => {
    const glaze = this.screen.glaze();
    const predict = this.screen.predictor();
    return this.kept().dips.map((dip) => {
      const seconds = dip.seconds ?? this.screen.wantedSeconds() ?? null;
      const reading = this.readingOf(dip.lossGrams);
      const read = reading && glaze ? readCoat(reading, glaze) : undefined;
      const drips = dip.dripsBackGrams > 0 ? `, ${this.shown(dip.dripsBackGrams)} dripped back` : '';
      const expected =
        predict && seconds !== null
          ? `; ${predictedWords(predict(seconds), { wantedSeconds: undefined, seconds, window: this.screen.window() }, this.units)}`
          : '';
      const coat =
        read?.kind === 'ok' ? `${this.units.coat(read.value.coatMm)} ± ${this.units.coat(read.value.coatMm * read.value.lnSd)}` : 'say its area';
      return { ...dip, seconds, reading, words: `${coat}${drips}${expected}` };
    });
  });
  protected readonly bucketGrams = computed(() => {
    const contents = this.screen.bucket()?.contents;
    return contents ? Math.round(contents.volumeMl * contents.sg) : 8000;
  });
  /** What the practice hands take with a piece: the coat wanted. */
  protected readonly usualGrams = computed(() => Math.round(this.wetGrams(this.screen.question().coatMm ?? 0.5)));

  constructor() {
    effect(() => {
      const now = this.feed.now();
      if (now.kind !== 'reading') return;
      const { shownGrams, settledGrams } = now.settling;
      untracked(() => this.hear({ atMs: performance.now(), shownGrams, ...(settledGrams === undefined ? {} : { settledGrams }) }));
    });
    effect(() => {
      const bucketId = this.screen.bucket()?.id ?? '';
      this.feed.scale();
      // Another bucket, or another scale: nothing of the one before is booked on it.
      untracked(() => {
        this.heard.set(NOTHING_ON_SCALE);
        this.dismissed.set(false);
        if (this.kept().bucketId !== bucketId) this.change({ bucketId, dips: [], asked: [], count: 0 });
      });
    });
  }

  protected change(change: Partial<BucketScaleKept>): void {
    this.kept.update((kept) => ({ ...kept, ...change }));
  }

  /** No finer than the scale under it tells. */
  protected shown(grams: number): string {
    const divisionGrams = this.feed.scale()?.divisionGrams ?? 1;
    return `${this.units.massFigure(Math.round(grams / divisionGrams) * divisionGrams, divisionGrams)} ${this.units.massUnit()}`;
  }

  protected answer(id: number, wasDip: boolean): void {
    const { dips, asked } = answerAsked({ ...this.heard(), dips: this.kept().dips, asked: this.kept().asked }, { id, wasDip });
    this.change({ dips: [...dips], asked: [...asked] });
  }

  protected timed(id: number, seconds: number): void {
    this.change({ dips: this.kept().dips.map((dip) => (dip.id === id ? { ...dip, seconds } : dip)) });
  }

  protected takeOut(id: number): void {
    this.change({ dips: this.kept().dips.filter((dip) => dip.id !== id) });
  }

  protected askWords(asked: Asked): string {
    return askedWords(asked, this.shown(Math.abs(asked.lossGrams)));
  }

  protected book(night: { sg: number; sgSd: number; waterGrams: number; since: string }): void {
    const bucket = this.screen.bucket();
    if (!bucket) return;
    const how = `${this.shown(night.waterGrams)} of water lost since ${night.since}, by the scale`;
    this.log.note('bucket', bucket.id, {
      type: 'sgMeasured',
      sg: Number(night.sg.toFixed(4)),
      sgSd: Math.max(0.001, Number(night.sgSd.toFixed(4))),
      how,
    });
    this.dismissed.set(true);
    this.screen.change({ sg: Number(night.sg.toFixed(3)) });
  }

  protected keep(): void {
    const head = this.screen.dipHead();
    const rows = this.rows().filter((row) => row.reading !== undefined && row.seconds !== null);
    if (!head || rows.length === 0) return;
    const at = new Date().toISOString();
    const dips = rows.map((row) => ({ id: uuid(), body: { ...head, at, seconds: row.seconds!, reading: row.reading! } }));
    const lostMl = rows.reduce((sum, row) => sum + row.lossGrams, 0) / head.sg;
    this.keeping.run(this.api.addCoatDips(dips), () => {
      this.log.note('bucket', head.bucketId, { type: 'glazeTaken', millilitres: Number(lostMl.toFixed(1)), reason: 'dips' });
      this.change({ dips: [] });
      this.screen.all.reload();
    });
  }

  /** Wet glaze that such a coat takes out of the bucket, g. */
  private wetGrams(coatMm: number): number {
    const glaze = this.screen.glaze();
    if (!glaze) return 100 * coatMm;
    const dryGrams = coatMm * 0.1 * STATE_GUESSES[glaze.state].packing * glaze.density * (this.kept().areaCm2 ?? USUAL_AREA_CM2);
    return dryGrams / solidsByMass(glaze);
  }

  private hear(reading: { atMs: number; shownGrams: number; settledGrams?: number }): void {
    const [bucket, scale] = [this.screen.bucket(), this.feed.scale()];
    if (!bucket || !scale) return;
    const { dips, asked, count } = this.kept();
    const before = { ...this.heard(), dips, asked, count };
    const after = hearBucketScale(before, reading, this.limits());
    if (after === before) return;
    this.heard.set(after);
    if (after.dips !== dips || after.asked !== asked) this.change({ dips: [...after.dips], asked: [...after.asked], count: after.count });
    if (after.restGrams !== undefined && after.restGrams !== before.restGrams) {
      // What it weighed yesterday is taken in before today's weight takes its place.
      void this.before();
      keepRest(scale.id, bucket.id, { grams: after.restGrams, at: this.nowAt() });
    }
  }

  private readingOf(gainGrams: number): CoatDipBody['reading'] | undefined {
    const areaCm2 = this.kept().areaCm2;
    return areaCm2 && gainGrams > 0 ? { kind: 'wetWeight', gainGrams, areaCm2, divisionGrams: this.feed.scale()?.divisionGrams ?? 1 } : undefined;
  }
}
