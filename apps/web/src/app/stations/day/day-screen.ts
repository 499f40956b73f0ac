import { computed, inject, Injectable, signal } from '@angular/core';
import type { Day } from '@cazuela/contract';
import { replayDay, type DayEvent, type DayStep } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { BenchLog, withDoneHere, type NewEvent } from '../../data/bench-log';
import { Clock, NOW } from '../../data/clock';
import { loaded } from '../../data/load';
import { Outbox } from '../../data/outbox';
import { StudioApi } from '../../data/studio-api';
import { localDay } from '../../data/times';

/** A glazing day as it stands at this moment, replayed from its ticks. */
@Injectable()
export class DayScreen {
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly clock = inject(Clock);
  private readonly now = inject(NOW);
  readonly all = loaded(() => combineLatest({ days: this.api.days(), buckets: this.api.buckets() }));
  readonly date = signal(localDay(this.now()));
  readonly days = computed(() => this.all.value()?.days ?? []);
  readonly day = computed<Day | undefined>(() => this.days().find((day) => day.date === this.date()));
  private readonly events = computed<DayEvent[]>(() => {
    const day = this.day();
    return day ? withDoneHere(day.events, this.outbox.doneHere('day', day.id)) : [];
  });
  /** Ticks made here after the clock last moved count at their own time. */
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

  done(step: DayStep, seconds: number | null): void {
    const sg = this.all.value()?.buckets.find((bucket) => bucket.id === step.bucketId)?.contents?.sg;
    const took = seconds ?? step.seconds;
    this.note({
      type: 'stepDone',
      stepId: step.id,
      ...(took === undefined ? {} : { seconds: Number(took.toFixed(1)) }),
      ...(sg === undefined ? {} : { sg }),
    });
  }

  note(event: NewEvent<'day'>): void {
    const day = this.day();
    if (day) this.log.note('day', day.id, event);
  }
}
