import { TestBed } from '@angular/core/testing';
import type { BenchEvent, Day } from '@cazuela/contract';
import type { DayEvent } from '@cazuela/core';
import { ago, bucket, day, id, piece, POWDERS, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Outbox } from '../../data/offline/outbox';
import { DayPage } from './day-page';

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
  const blue = bucket({ code: 'B2', body: { ...white.body, name: 'Noche Honda' } });
  const open = async (days: Day[], inputs: { bench?: string; date?: string } = {}): Promise<Screen<DayPage>> => {
    records = new FakeRecords();
    records.openStudio();
    TestBed.inject(Outbox).run$.subscribe();
    const screen = await Screen.open(DayPage, inputs);
    records.answer('/days', days);
    records.answer('/buckets', [summaryOf(white), summaryOf(blue)]);
    records.answer('/powders', POWDERS);
    await screen.settle();
    return screen;
  };
  const sent = (): DayEvent => {
    const request = records.http.expectOne((one) => one.url.endsWith('/events'));
    const { events } = request.request.body as { events: BenchEvent[] };
    request.flush({ acknowledged: events.map((entry) => entry.event.id), refused: [] });
    return events[0]!.event as DayEvent;
  };
  const record = (stepId: string, minutesAgo: number): DayEvent => ({ id: id(), at: ago(minutesAgo), by: 'Maia', type: 'stepDone', stepId });

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
    expect(screen.text).toMatch(/20 × Cup until \d\d:\d\d, 1 min/);
    expect(screen.text).toContain('Hands are free');
  });

  it('the seconds really taken and the bucket’s SG are kept with the dip', async () => {
    const of = day(piece());
    of.items[0]!.steps[1]!.bucketId = white.id;
    const screen = await open([{ ...of, events: [record(of.items[0]!.steps[0]!.id, 15)] }]);
    await screen.type('Code on the bucket', 'b1');
    await screen.press('Read it');
    expect(records.http.expectOne((one) => one.url.endsWith('/events')).request.body).toMatchObject({
      events: [{ stream: 'bucket', streamId: white.id, event: { type: 'codeRead' } }],
    });
    await screen.settle();
    await screen.type('Really in the glaze', '4');
    await screen.press('Done');
    TestBed.tick();
    const [event] = TestBed.inject(Outbox).localEvents('day', of.id);
    expect(event).toMatchObject({ type: 'stepDone', seconds: 4 });
    expect(event?.type === 'stepDone' && event.sg).toBeCloseTo(1.45, 6);
  });

  it('the first dip waits for the code, and says which bucket it is when it is the wrong one', async () => {
    const of = day(piece());
    of.items[0]!.steps[1]!.bucketId = white.id;
    const screen = await open([{ ...of, events: [record(of.items[0]!.steps[0]!.id, 15)] }]);
    expect(screen.button('Done').disabled).toBe(true);
    await screen.type('Code on the bucket', 'B2');
    await screen.press('Read it');
    expect(screen.text).toContain('Stop: that is B2 Noche Honda. Wanted is B1 Leche de Higo.');
    await screen.type('Code on the bucket', 'B77');
    await screen.press('Read it');
    expect(screen.text).toContain('No bucket of this studio has the code “B77”.');
    await screen.press('No code on it, but I looked');
    expect(screen.button('Done').disabled).toBe(false);
    expect(screen.text).toContain('Stir it: now and then');
  });

  it('"not dry yet" waits ten minutes more', async () => {
    const of = day(piece());
    const screen = await open([{ ...of, events: [record(of.items[0]!.steps[0]!.id, 11)] }]);
    expect(screen.text).toContain('dry enough');
    await screen.press('Not dry yet: Cup');
    expect(sent()).toMatchObject({ type: 'notDryYet', minutes: 10 });
    await screen.settle();
    expect(screen.text).toMatch(/until \d\d:\d\d, 10 min/);
  });

  it('“it is dry” is told of the pieces: their next step is for the hands, with its code still to be read', async () => {
    const of = day(piece());
    const [check] = of.items[0]!.steps;
    const screen = await open([{ ...of, events: [record(check!.id, 0)] }]);
    expect(screen.text).toContain('Hands are free');
    await screen.press('It is dry');
    expect(sent()).toMatchObject({ type: 'feltDry', stepId: check!.id });
    await screen.settle();
    expect(screen.all('.now .words')[0]!.textContent).toContain('Dip the outside in Leche de Higo');
    expect(screen.text).toContain('1 of 3 steps done; hands are done about');
  });

  it('pieces put on by mistake are taken off, as the day is in the records now', async () => {
    const [of, other] = [day(piece()), day(piece())];
    const screen = await open([of], { bench: 'pots' });
    await screen.press('Take off the day: Cup');
    // Somebody put other pieces on meanwhile: those stay.
    records.answer('/days', [{ ...of, version: 4, items: [...of.items, ...other.items] }]);
    const put = records.http.expectOne((request) => request.method === 'PUT');
    expect(put.request.body).toEqual({ version: 4, items: other.items });
    put.flush({ ...of, version: 5, items: other.items });
    await screen.settle();
    records.answer('/days', [{ ...of, version: 5, items: other.items }]);
    records.answer('/buckets', []);
    records.answer('/powders', POWDERS);
    await screen.settle();
    expect(screen.all('.list h3')).toHaveLength(1);
  });

  it('a group of which something is done stays on the day', async () => {
    const of = day(piece());
    const screen = await open([{ ...of, events: [record(of.items[0]!.steps[0]!.id, 3)] }], { bench: 'pots' });
    expect(screen.button('Take off the day: Cup').disabled).toBe(true);
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
    const { text } = await open([{ ...of, events: of.items[0]!.steps.map((step, i) => record(step.id, 60 - i)) }]);
    expect(text).toContain('All done.');
    expect(text).toContain('damp pots burst');
  });

  it('an empty day says how to fill it', async () => {
    expect((await open([])).text).toContain('Nothing is planned for this day');
  });
});
