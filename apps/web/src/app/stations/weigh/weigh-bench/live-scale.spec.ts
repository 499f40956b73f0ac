import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Scale } from '@cazuela/contract';
import { settle, STUDIO } from '../../../../testing/records';
import { ScaleFeed, type ScaleNow } from '../../../data/devices/scale-feed';
import { LiveScale } from './live-scale';

const [SCALE] = STUDIO.scales;
const CLAY = { key: 'batch/clay/1', targetGrams: 60 };
const SILICA = { key: 'batch/silica/1', targetGrams: 80 };

describe('the scale beside the line that is weighed', () => {
  const now = signal<ScaleNow>({ kind: 'none' });
  const scale = signal<Scale | undefined>(SCALE);
  let live: LiveScale;
  let taken: number[];
  let takes: boolean;

  const begin = (): void => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [LiveScale, { provide: ScaleFeed, useValue: { now, scale } }] });
    live = TestBed.inject(LiveScale);
  };
  const follow = (line: typeof CLAY | undefined): void =>
    live.follow(line, (grams) => {
      if (takes) taken.push(grams);
      return takes;
    });
  const shows = async (grams: number, still: boolean): Promise<void> => {
    now.set({ kind: 'reading', settling: { window: [], shownGrams: grams, settled: still, ...(still ? { settledGrams: grams } : {}) } });
    await settle();
  };
  const runs = (grams: number): Promise<void> => shows(grams, false);
  const stands = (grams: number): Promise<void> => shows(grams, true);

  beforeEach(async () => {
    sessionStorage.clear();
    now.set({ kind: 'connecting' });
    scale.set(SCALE);
    [taken, takes] = [[], true];
    begin();
    await stands(150);
    follow(CLAY);
    live.tare();
    await stands(150);
  });

  it('shows what is in the pan, not the pan, and how far the pour has come', async () => {
    await runs(180);
    expect(live.netGrams()).toBe(30);
    expect(live.pour()).toMatchObject({ zone: 'far', missingGrams: 30, share: 0.5 });
  });

  it('takes a line once when it stands at its target, and not while powder runs', async () => {
    await runs(210);
    expect(taken).toEqual([]);
    await stands(210.04);
    await stands(210.04);
    await stands(210);
    expect(taken).toEqual([60]);
  });

  it.each([
    ['short', 205],
    ['too much', 216],
  ])('takes nothing that is %s', async (_what, grams) => {
    await stands(grams);
    expect(taken).toEqual([]);
  });

  it('takes nothing by itself where every line is tapped', async () => {
    live.habit({ acceptsAlone: false });
    await stands(210);
    expect(taken).toEqual([]);
    expect(live.weight()).toBe(60);
  });

  it('waits with a line that stands while somebody types a note, and takes it afterwards', async () => {
    takes = false;
    await stands(210);
    expect(taken).toEqual([]);
    expect(live.pour()?.zone).toBe('there');
    takes = true;
    await stands(210);
    expect(taken).toEqual([60]);
  });

  it('the next line begins where the one before ended, with nothing of its own yet', async () => {
    await stands(210);
    follow(SILICA);
    await stands(210.1);
    expect(live.netGrams()).toBeCloseTo(0.1, 9);
    // A tap meant for the clay must not accept the silica.
    expect(live.weight()).toBe('nothing');
    await stands(290);
    expect(taken).toEqual([60, 80]);
  });

  it('a line that is half a division has something once half of it is there', async () => {
    follow({ key: 'batch/stain/1', targetGrams: 0.2 });
    await runs(150.1);
    expect(live.weight()).toBeCloseTo(0.1, 9);
  });

  it('of a pan lifted off to be emptied goes in what stood in it', async () => {
    live.habit({ acceptsAlone: false });
    await stands(206);
    await stands(0);
    expect(live.lifted()).toBe(true);
    expect(live.weight()).toBe(56);
    // Back and empty, it may have gone into the bucket or back into the sack: that is asked.
    await stands(150);
    expect(live.weight()).toBe('nothing');
  });

  it('a pan lifted before anything stood in it weighs nothing', async () => {
    await stands(0);
    expect(live.weight()).toBe('nothing');
  });

  it('without a scale, or with one that is silent, the display is read by eye', async () => {
    now.set({ kind: 'silent' });
    await settle();
    expect(live.netGrams()).toBeUndefined();
    expect(live.pour()).toBeUndefined();
    expect(live.weight()).toBeUndefined();
    live.tare();
    await runs(170);
    // A tare without a reading changed nothing.
    expect(live.netGrams()).toBe(20);
  });

  it.each([
    ['silent', /Nothing comes from the scale: plug it in/],
    ['away', /The line to the scale broke and is opened again by itself/],
    ['overload', /More is on the scale than it can weigh/],
  ] as const)('a scale that is %s says what to do', async (kind, words) => {
    now.set({ kind });
    await settle();
    expect(live.trouble()).toMatch(words);
    await runs(160);
    expect(live.trouble()).toBeUndefined();
  });

  it('after a reload goes on in the middle of a pour, with the habits of this device', async () => {
    live.habit({ beeps: true, showsPanel: true });
    await stands(180);
    begin();
    follow(CLAY);
    await stands(180);
    expect(live.netGrams()).toBe(30);
    expect([live.beeps(), live.acceptsAlone(), live.showsPanel()]).toEqual([true, true, true]);
  });

  it('what an older version kept, or somebody else, is not believed', async () => {
    sessionStorage.setItem('cazuela.here.pan', '{"lineKey":7}');
    sessionStorage.setItem('cazuela.here.scale-habits', 'no');
    begin();
    follow(CLAY);
    await stands(150);
    // The line begins with what lies on the scale.
    expect(live.netGrams()).toBe(0);
    expect(live.acceptsAlone()).toBe(true);
  });

  it('weighs as finely as the scale does', async () => {
    scale.set({ ...SCALE!, divisionGrams: 0.01 });
    await runs(150.126);
    expect(live.netGrams()).toBe(0.13);
    scale.set(undefined);
    await runs(150.126);
    expect(live.netGrams()).toBe(0.1);
  });
});
