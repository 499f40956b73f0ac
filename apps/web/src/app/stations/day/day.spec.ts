import { TestBed } from '@angular/core/testing';
import type { BenchEvent, Day } from '@cazuela/contract';
import type { DayEvent } from '@cazuela/core';
import { ago, bucket, day, id, piece, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Outbox } from '../../data/outbox';
import { DayList } from './day-list';

describe('the glazing day', () => {
  let records: FakeRecords;
  beforeEach(() =>
    jest.useFakeTimers({
      now: Date.parse('2026-03-10T10:00:00.000Z'),
      doNotFake: ['queueMicrotask', 'setImmediate', 'setTimeout', 'clearTimeout', 'performance'],
    }),
  );
  afterEach(() => jest.useRealTimers());
  const white = bucket();
  const open = async (days: Day[]): Promise<Screen<DayList>> => {
    records = new FakeRecords();
    records.openStudio();
    TestBed.inject(Outbox).run$.subscribe();
    const screen = await Screen.open(DayList);
    records.answer('/days', days);
    records.answer('/buckets', [summaryOf(white)]);
    await screen.settle();
    return screen;
  };
  const sent = (): DayEvent => {
    const request = records.http.expectOne((one) => one.url.endsWith('/events'));
    const { events } = request.request.body as { events: BenchEvent[] };
    request.flush({ acknowledged: events.map((entry) => entry.event.id), refused: [] });
    return events[0]!.event as DayEvent;
  };
  const tick = (stepId: string, minutesAgo: number): DayEvent => ({ id: id(), at: ago(minutesAgo), by: 'Maia', type: 'stepDone', stepId });

  it('says what hands do now, and what comes after', async () => {
    const screen = await open([day(piece())]);
    expect(screen.all('.now .words')[0]!.textContent).toContain('Check edges and dust');
    expect(screen.text).toContain('20 × Cup');
    expect(screen.text).toContain('0 of 3 steps done');
  });

  it('a tick is one key; then it dries until a time', async () => {
    const of = day(piece());
    const screen = await open([of]);
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'stepDone', stepId: of.items[0]!.steps[0]!.id });
    await screen.settle();
    expect(screen.text).toContain('1 of 3 steps done');
    expect(screen.text).toMatch(/20 × Cup until \d\d:\d\d, 10 min/);
    expect(screen.text).toContain('Hands are free');
  });

  it('the seconds really taken and the bucket’s SG are kept with the dip', async () => {
    const of = day(piece());
    of.items[0]!.steps[1]!.bucketId = white.id;
    const screen = await open([{ ...of, events: [tick(of.items[0]!.steps[0]!.id, 15)] }]);
    await screen.type('Really in the glaze', '4');
    await screen.press('Done');
    const event = sent();
    expect(event).toMatchObject({ type: 'stepDone', seconds: 4 });
    expect(event.type === 'stepDone' && event.sg).toBeCloseTo(1.45, 6);
  });

  it('"not dry yet" waits ten minutes more', async () => {
    const of = day(piece());
    const screen = await open([{ ...of, events: [tick(of.items[0]!.steps[0]!.id, 11)] }]);
    expect(screen.text).toContain('dry enough');
    await screen.press('Not dry yet: Cup');
    expect(sent()).toMatchObject({ type: 'notDryYet', minutes: 10 });
    await screen.settle();
    expect(screen.text).toMatch(/until \d\d:\d\d, 9 min/);
  });

  it('a tick is taken back, a step is skipped', async () => {
    const of = day(piece());
    const screen = await open([of]);
    await screen.key('s');
    expect(sent().type).toBe('stepSkipped');
    await screen.settle();
    await screen.press(/Take the last tick back/);
    expect(sent().type).toBe('undone');
    await screen.settle();
    expect(screen.text).toContain('0 of 3 steps done');
  });

  it('all done says what comes next', async () => {
    const of = day(piece());
    const { text } = await open([{ ...of, events: of.items[0]!.steps.map((step, i) => tick(step.id, 60 - i)) }]);
    expect(text).toContain('All done.');
    expect(text).toContain('damp pots burst');
  });

  it('an empty day says how to fill it', async () => {
    expect((await open([])).text).toContain('Nothing is planned for this day');
  });
});
