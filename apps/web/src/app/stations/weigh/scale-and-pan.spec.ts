import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { BatchEvent } from '@cazuela/core';
import { ago, batch, id, POWDERS, RECIPE } from '../../../testing/made-up';
import { FakeRecords, STUDIO } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { ScaleFeed, type ScaleNow } from '../../data/devices/scale-feed';
import { Outbox } from '../../data/offline/outbox';
import { WeighBench } from './weigh-bench/weigh-bench';
import { WeighPlan } from './weigh-plan/weigh-plan';

let records: FakeRecords;

describe('the pan a batch is weighed in', () => {
  it('is carried by the scale too: more loads, or no way at all; both go with the batch', async () => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(WeighPlan, { recipe: RECIPE.id });
    records.answer('/recipes', [RECIPE]);
    records.answer('/powders', POWDERS);
    for (const path of ['/batches', '/pieces', '/buckets']) records.answer(path, []);
    await screen.settle();
    await screen.type('Empty pan', '5500');
    expect(screen.text).toContain('in 2 loads');
    await screen.type('Empty pan', '6000');
    expect(screen.text).toContain('take a lighter pan or another scale');
    expect(screen.button('Start weighing').disabled).toBe(true);
    await screen.type('Empty pan', '250');
    expect(screen.text).toContain('3 powders, never checked with a known weight');
    await screen.press('filled on');
    await screen.press('Start weighing');
    const sent = records.http.expectOne((one) => one.method === 'POST').request.body as { pan: object };
    expect(sent.pan).toEqual({ panGrams: 250, emptied: 'whenFull' });
  });

  const bench = async (emptied: 'eachLine' | 'whenFull', panGrams: number): Promise<Screen<WeighBench>> => {
    records = new FakeRecords();
    records.openStudio();
    TestBed.inject(Outbox).run$.subscribe();
    const plain = batch();
    const events: BatchEvent[] = [
      { id: id(), at: ago(5), by: 'Inés', type: 'respiratorOn' },
      { id: id(), at: ago(4), by: 'Inés', type: 'waterPoured', grams: 1100 },
      { id: id(), at: ago(3), by: 'Inés', type: 'lineWeighed', lineId: plain.plan.lines[0]!.lineId, grams: 400 },
    ];
    const of = { ...plain, plan: { ...plain.plan, pan: { panGrams, emptied } }, events };
    const screen = await Screen.open(WeighBench, { id: of.id });
    records.answer(`/batches/${of.id}`, of);
    await screen.settle();
    return screen;
  };

  it('filled on shows what the scale will show, and takes what was in it off what is typed', async () => {
    const screen = await bench('whenFull', 200);
    expect(screen.root.querySelector('.weight')!.textContent).toContain('1,000');
    expect(screen.text).toContain('Filled on to that: 400.0 g are in the pan, 600.0 g more go in.');
    expect(screen.text).toContain(', on the bench scale, never checked with a known weight.');
    await screen.type('What the scale shows', '1012');
    expect(screen.text).toContain('12.0 g too much');
    await screen.key(' ');
    const { events } = records.http.expectOne((one) => one.url.endsWith('/events')).request.body as { events: { event: BatchEvent }[] };
    expect(events[0]!.event).toMatchObject({ type: 'lineWeighed', grams: 612 });
  });

  it('that cannot take the next line is emptied first', async () => {
    const screen = await bench('whenFull', 5300);
    expect(screen.text).toContain('Empty the pan into the bucket first.');
    expect(screen.root.querySelector('.weight')!.textContent).toContain('600');
  });

  it('emptied each time begins every line at zero', async () => {
    const screen = await bench('eachLine', 200);
    expect(screen.root.querySelector('.weight')!.textContent).toContain('600');
    expect(screen.text).not.toContain('Filled on');
  });
});

describe('a scale that only practises', () => {
  const STANDS: ScaleNow = { kind: 'reading', settling: { window: [], shownGrams: 600, settled: true, settledGrams: 600 } };
  const openIn = async (demo: boolean): Promise<Screen<WeighBench>> => {
    const feed = { now: signal<ScaleNow>(STANDS), scale: signal(STUDIO.scales[0]), acceptsCommands: signal(true) };
    records = new FakeRecords([{ provide: ScaleFeed, useValue: feed }]);
    records.openStudio({ demo });
    TestBed.inject(Outbox).run$.subscribe();
    const plain = batch();
    const events: BatchEvent[] = [
      { id: id(), at: ago(5), by: 'Inés', type: 'respiratorOn' },
      { id: id(), at: ago(4), by: 'Inés', type: 'waterPoured', grams: 1100 },
      ...plain.plan.lines.map((line): BatchEvent => ({
        id: id(),
        at: ago(3),
        by: 'Inés',
        type: 'lineWeighed',
        lineId: line.lineId,
        grams: line.targetGrams,
        ...(demo ? {} : { practice: true as const }),
      })),
    ];
    const screen = await Screen.open(WeighBench, { id: plain.id });
    records.answer(`/batches/${plain.id}`, { ...plain, events });
    await screen.settle();
    return screen;
  };

  it('makes no bucket in a real studio: the practice is ended and waits no longer', async () => {
    const screen = await openIn(false);
    expect(screen.text).toContain('It was practice');
    jest.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    await screen.press(/End the practice/);
    const { events } = records.http.expectOne((one) => one.url.endsWith('/events')).request.body as { events: { event: BatchEvent }[] };
    expect(events[0]!.event.type).toBe('setAside');
  });

  it('shows in the demo studio how a connected one would do it', async () => {
    expect((await openIn(true)).text).toContain('Mix it');
  });
});
