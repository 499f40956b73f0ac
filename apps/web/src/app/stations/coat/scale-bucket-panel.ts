import { readCoat } from '@cazuela/core';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { CoatDipBody } from '@cazuela/contract';
import type { Asked } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { BenchLog } from '../../data/bench-log';
import { createMutation } from '../../data/mutation';
import { ScaleFeed } from '../../data/scale-feed';
import { StudioApi } from '../../data/studio-api';
import { StudioStore } from '../../data/studio-store';
import { Units } from '../../data/units';
import { NumberField } from '../../parts/number-field';
import { ErrorBanner } from '../../parts/error-banner';
import { AreaField } from './area-field';
import { askedWords } from './bucket-scale-kept';
import { BucketListener } from './bucket-listener';
import { CoatScreen } from './coat-screen';
import { predictedWords } from './coat-words';
import { PracticeBucket } from './practice-bucket';

/** The bucket stands on the connected scale: what it weighs less after each dip is that piece's coat, what it loses overnight is water. */
@Component({
  selector: 'cz-scale-bucket-panel',
  imports: [AreaField, NumberField, PracticeBucket, ErrorBanner],
  providers: [BucketListener],
  template: `
    <h2>Bucket on the scale</h2>
    @if (feed.scale(); as scale) {
      <p class="stands" role="status">
        <strong class="figure big">{{ listener.shows() }}</strong> <span class="quiet">{{ listener.stateWords() }}, {{ scale.name }}</span>
        <button type="button" class="press bare" (click)="feed.listenTo(null)">Not this scale</button>
      </p>
      <cz-area-field [areaCm2]="listener.kept().areaCm2" (changed)="listener.change({ areaCm2: $event })" />
      @if (listener.overnight(); as night) {
        <section class="night" role="note">
          @if (night.kind === 'lost') {
            <p>
              Since {{ night.since }} it lost {{ listener.shown(night.waterGrams) }} of water to the air and nothing else: SG
              <strong class="figure">{{ units.sgFine(night.sg) }}</strong> now, without a cylinder.
            </p>
            <button type="button" class="press quiet-press" (click)="book(night)">Keep it as a reading</button>
          } @else {
            <p class="look">
              Since {{ night.since }} it weighs {{ listener.shown(night.changeGrams < 0 ? -night.changeGrams : night.changeGrams) }}
              {{ night.changeGrams < 0 ? 'less' : 'more' }}: that is not water alone. Measure its SG.
            </p>
          }
          <button type="button" class="press bare" (click)="listener.dismissed.set(true)">It was something else</button>
        </section>
      }
      @for (one of listener.kept().asked; track one.id) {
        <div class="asked look" role="alert">
          <span>{{ askWords(one) }}</span>
          @if (one.lossGrams > 0) {
            <button type="button" class="press quiet-press" (click)="listener.answer(one.id, true)">A dip</button>
          }
          <button type="button" class="press quiet-press" (click)="listener.answer(one.id, false)">No dip</button>
        </div>
      }
      @if (rows().length > 0) {
        <table class="sheet">
          @for (row of rows(); track row.id) {
            <tr>
              <td class="num">{{ listener.shown(row.lossGrams) }}</td>
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
                  (changed)="$event.value !== null && listener.timed(row.id, $event.value)"
                />
              </td>
              <td>
                <button type="button" class="press bare" [attr.aria-label]="'Take out dip ' + row.id" (click)="listener.takeOut(row.id)">
                  No dip
                </button>
              </td>
            </tr>
          }
        </table>
        <button type="button" class="press" [disabled]="!listener.kept().areaCm2 || keeping.busy()" (click)="keep()">
          Keep {{ rows().length === 1 ? 'the dip' : rows().length + ' dips' }}
        </button>
        <cz-error-banner [failure]="keeping.failure()?.problem?.detail" (again)="keep()" />
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
  protected readonly store = inject(StudioStore);
  protected readonly feed = inject(ScaleFeed);
  protected readonly units = inject(Units);
  protected readonly keeping = createMutation();
  protected readonly listener = inject(BucketListener);
  protected readonly rows = computed(() => {
    const glaze = this.screen.glaze();
    const predict = this.screen.predictor();
    return this.listener.kept().dips.map((dip) => {
      const seconds = dip.seconds ?? this.screen.wantedSeconds() ?? null;
      const reading = this.readingOf(dip.lossGrams);
      const read = reading && glaze ? readCoat(reading, glaze) : undefined;
      const drips = dip.dripsBackGrams > 0 ? `, ${this.listener.shown(dip.dripsBackGrams)} dripped back` : '';
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
  protected readonly usualGrams = computed(() => Math.round(this.listener.wetGrams(this.screen.question().coatMm ?? 0.5)));

  protected askWords(asked: Asked): string {
    return askedWords(asked, this.listener.shown(Math.abs(asked.lossGrams)));
  }

  protected book(night: { sg: number; sgSd: number; waterGrams: number; since: string }): void {
    const bucket = this.screen.bucket();
    if (!bucket) return;
    const how = `${this.listener.shown(night.waterGrams)} of water lost since ${night.since}, by the scale`;
    this.log.note('bucket', bucket.id, {
      type: 'sgMeasured',
      sg: Number(night.sg.toFixed(4)),
      sgSd: Math.max(0.001, Number(night.sgSd.toFixed(4))),
      how,
    });
    this.listener.dismissed.set(true);
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
      this.listener.change({ dips: [] });
      this.screen.all.reload();
    });
  }

  private readingOf(gainGrams: number): CoatDipBody['reading'] | undefined {
    const areaCm2 = this.listener.kept().areaCm2;
    return areaCm2 && gainGrams > 0 ? { kind: 'wetWeight', gainGrams, areaCm2, divisionGrams: this.feed.scale()?.divisionGrams ?? 1 } : undefined;
  }
}
