import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { BenchEvent } from '@cazuela/contract';
import { ago, batch, id } from '../../../../testing/made-up';
import { FakeRecords, STUDIO } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { Outbox } from '../../../data/offline/outbox';
import { ScaleFeed, type ScaleNow } from '../../../data/devices/scale-feed';
import { WeighBench } from './weigh-bench';

const [SCALE] = STUDIO.scales;

describe('the weighing bench with a scale on it', () => {
  const now = signal<ScaleNow>({ kind: 'none' });
  let records: FakeRecords;
  let screen: Screen<WeighBench>;
  const one = batch();
  const started = [
    { id: id(), at: ago(5), by: 'Inés', type: 'respiratorOn' as const },
    { id: id(), at: ago(4), by: 'Inés', type: 'waterPoured' as const, grams: 1100 },
  ];

  const open = async (events: typeof started | [] = started): Promise<void> => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'setImmediate', 'setTimeout', 'clearTimeout', 'performance'] });
    now.set({ kind: 'connecting' });
    const feed = { now, scale: () => SCALE, acceptsCommands: () => true, send: () => undefined, listenTo: () => undefined };
    records = new FakeRecords([{ provide: ScaleFeed, useValue: feed }]);
    records.openStudio();
    TestBed.inject(Outbox).run$.subscribe();
    screen = await Screen.open(WeighBench, { id: one.id });
    records.answer(`/batches/${one.id}`, { ...one, events });
    await screen.settle();
    await stands(0);
  };
  const stands = async (grams: number): Promise<void> => {
    now.set({ kind: 'reading', settling: { window: [], shownGrams: grams, settled: true, settledGrams: grams } });
    await screen.settle();
  };
  const title = (): string => screen.all('h2')[0]!.textContent!.trim();
  const nothingSent = (): void => records.http.expectNone((each) => each.url.endsWith('/events'));
  const sent = (): BenchEvent['event'] => {
    const request = records.http.expectOne((each) => each.url.endsWith('/events'));
    const [first] = (request.request.body as { events: BenchEvent[] }).events;
    request.flush({ acknowledged: [first!.event.id], refused: [] });
    return first!.event;
  };
  afterEach(() => jest.useRealTimers());

  it('a line that stands at its target is in, and the next one comes up', async () => {
    await open();
    await stands(400);
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 400 });
    await screen.settle();
    expect(title()).toBe('Silica');
  });

  it('Space pressed as the line took itself does not tick the next one: nothing of that is there yet', async () => {
    await open();
    await stands(400);
    sent();
    await screen.settle();
    await screen.key(' ');
    nothingSent();
    expect(title()).toBe('Silica');
    expect(screen.text).toContain('The scale shows nothing of Silica yet: pour it, type what went in, or skip it.');
    // It was poured: the message is gone, and Space takes what is there.
    await stands(900);
    expect(screen.text).not.toContain('shows nothing of');
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 500 });
  });

  it('what went in unseen is typed: the field is there by one tap on Next, without a keyboard', async () => {
    await open();
    expect(screen.all('.really.folded')).toHaveLength(1);
    await screen.press(/Next/);
    expect(screen.all('.really.folded')).toHaveLength(0);
    await screen.type('What the scale shows', '398');
    await screen.press(/Next/);
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 398, entered: { value: 398, unit: 'g' } });
  });

  it('a line that stands while its lot is typed is taken once the lot is kept', async () => {
    await open();
    await screen.key('l');
    await stands(400);
    nothingSent();
    await screen.press('Leave it');
    await stands(400);
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 400 });
  });

  it('water goes in by its own measure: what lies on the powder scale is not it', async () => {
    await open([]);
    await screen.key(' ');
    sent();
    await stands(152);
    await screen.key(' ');
    const water = sent();
    expect(water.type === 'waterPoured' && water.grams).toBeCloseTo(one.plan.waterGrams, 6);
  });

  it('too much standing on the scale offers to raise the batch; a pour on its way is not judged', async () => {
    await open();
    now.set({ kind: 'reading', settling: { window: [], shownGrams: 480, settled: false } });
    await screen.settle();
    expect(screen.has(/Raise the batch/)).toBe(false);
    await stands(480);
    expect(screen.text).toContain('80.0 g too much');
    await screen.press(/Raise the batch/);
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 480 });
    const raised = sent();
    expect(raised.type === 'batchRaised' && raised.factor).toBeCloseTo(1.2, 9);
  });

  it('a scale that fell silent says so, and the field is back', async () => {
    await open();
    now.set({ kind: 'silent' });
    await screen.settle();
    expect(screen.text).toContain('Nothing comes from the scale: plug it in, or type what it shows.');
    expect(screen.all('.really.folded')).toHaveLength(0);
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 400 });
  });
});
