import { readCoat, type Asked } from '@cazuela/core';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { CoatDipBody } from '@cazuela/contract';
import { v7 as uuid } from 'uuid';
import { BenchLog } from '../../../data/offline/bench-log';
import { createMutation } from '../../../data/http/mutation';
import { ScaleFeed } from '../../../data/devices/scale-feed';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { Units } from '../../../data/units/units';
import { NumberField } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { AreaField } from '../area-field';
import { askedWords } from './bucket-scale-kept';
import { BucketListener } from './bucket-listener';
import { CoatScreen } from '../coat-screen';
import { predictedWords } from '../coat-words';
import { PracticeBucket } from './practice-bucket';

/** The bucket stands on the connected scale: what it weighs less after each dip is that piece's coat, what it loses overnight is water. */
@Component({
  selector: 'cz-scale-bucket-panel',
  imports: [AreaField, ErrorBanner, MatButton, NumberField, PracticeBucket],
  providers: [BucketListener],
  templateUrl: './scale-bucket-panel.html',
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
      return { ...dip, seconds, isTimed: dip.seconds !== null && dip.seconds !== undefined, reading, words: `${coat}${drips}${expected}` };
    });
  });
  protected readonly someUntimed = computed(() => this.rows().some((row) => !row.isTimed));
  /** Every scale that is connected is a practice one; only the demo studio keeps what it shows. */
  protected readonly isPractice = computed(() => this.store.studio()?.demo === false);
  protected readonly bucketGrams = computed(() => {
    const contents = this.screen.bucket()?.contents;
    return contents ? Math.round(contents.volumeMl * contents.sg) : 8000;
  });
  /** What a practice dip takes out: the wanted coat. */
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
    const dips = rows.map((row) => ({
      id: uuid(),
      body: { ...head, at, seconds: row.seconds!, ...(row.isTimed ? {} : { secondsPlanned: true as const }), reading: row.reading! },
    }));
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
