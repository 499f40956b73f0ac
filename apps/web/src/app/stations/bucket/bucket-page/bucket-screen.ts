import { computed, inject, Injectable, signal } from '@angular/core';
import { attempt, bucketHistory, planCorrection, replayBucket, type BucketEvent } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { BenchLog, withDoneHere, type NewEvent } from '../../../data/bench-log';
import { loadedFor } from '../../../data/load';
import { Outbox } from '../../../data/outbox';
import { StudioApi } from '../../../data/studio-api';
import { Units } from '../../../data/units';
import { rangeAdvice } from '../bucket-words';

/** One bucket as it stands: its document, its events, what follows from them. */
@Injectable()
export class BucketScreen {
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly units = inject(Units);
  private readonly id = signal<string | undefined>(undefined);
  readonly all = loadedFor(this.id, (id) => combineLatest({ bucket: this.api.bucket(id), powders: this.api.powders() }));
  readonly bucket = computed(() => this.all.value()?.bucket);
  readonly powders = computed(() => this.all.value()?.powders ?? []);
  readonly events = computed<BucketEvent[]>(() => {
    const bucket = this.bucket();
    return bucket ? withDoneHere(bucket.events, this.outbox.doneHere('bucket', bucket.id)) : [];
  });
  readonly contents = computed(() => {
    const replay = replayBucket({ events: this.events() });
    return replay.kind === 'ok' ? replay.contents : undefined;
  });
  readonly history = computed(() => bucketHistory({ events: this.events() }));
  readonly targetSg = computed(() => {
    const body = this.bucket()?.body;
    return body ? (body.sgLow + body.sgHigh) / 2 : 1.45;
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
        sgSd: contents.sgSd ?? 0.02,
      }),
    );
    if (plan.kind === 'refused') return { tone: 'look' as const, what: plan.error.message, how: '' };
    return rangeAdvice(plan.value, { ...contents, targetSg: this.targetSg(), measured: contents.sgSd !== undefined }, this.units);
  });

  open(id: string): void {
    this.id.set(id);
  }

  note(event: NewEvent<'bucket'>): void {
    this.log.note('bucket', this.id()!, event);
  }

  isWaiting(): boolean {
    return this.outbox.isWaiting(this.id() ?? '');
  }
}
