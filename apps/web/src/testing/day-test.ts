import { TestBed } from '@angular/core/testing';
import type { BenchEvent, Day } from '@cazuela/contract';
import type { DayEvent } from '@cazuela/core';
import { Outbox } from '../app/data/offline/outbox';
import { DayPage } from '../app/stations/day/day-page';
import { ago, bucket, id, POWDERS, summaryOf } from './made-up';
import { FakeRecords } from './records';
import { Screen } from './screen';

/** A glazing day in a test: two buckets on the shelf, ten in the morning, and the clock stands. Call it in a `describe`. */
export class DayTest {
  records!: FakeRecords;
  readonly white = bucket();
  readonly blue = bucket({ code: 'B2', body: { ...this.white.body, name: 'Noche Honda' } });

  constructor() {
    beforeEach(() =>
      jest.useFakeTimers({
        now: Date.parse('2026-03-10T10:00:00.000Z'),
        doNotFake: ['queueMicrotask', 'setImmediate', 'setTimeout', 'clearTimeout', 'performance'],
      }),
    );
    afterEach(() => jest.useRealTimers());
  }

  /** `stored` is what an earlier visit left on the device, by key. */
  async open(days: Day[], inputs: { bench?: string; date?: string } = {}, stored: Readonly<Record<string, unknown>> = {}): Promise<Screen<DayPage>> {
    this.records = new FakeRecords();
    for (const [key, value] of Object.entries(stored)) localStorage.setItem(key, JSON.stringify(value));
    this.records.openStudio();
    TestBed.inject(Outbox).run$.subscribe();
    const screen = await Screen.open(DayPage, inputs);
    this.records.answer('/days', days);
    this.records.answer('/buckets', [summaryOf(this.white), summaryOf(this.blue)]);
    this.records.answer('/powders', POWDERS);
    await screen.settle();
    return screen;
  }

  /** The first event that was sent; it is acknowledged. */
  sent(): DayEvent {
    const request = this.records.http.expectOne((one) => one.url.endsWith('/events'));
    const { events } = request.request.body as { events: BenchEvent[] };
    request.flush({ acknowledged: events.map((entry) => entry.event.id), refused: [] });
    return events[0]!.event as DayEvent;
  }

  record = (stepId: string, minutesAgo: number): DayEvent => ({ id: id(), at: ago(minutesAgo), by: 'Maia', type: 'stepDone', stepId });
}
