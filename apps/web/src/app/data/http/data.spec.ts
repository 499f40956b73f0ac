import { TestBed } from '@angular/core/testing';
import { firstValueFrom, Subject, throwError } from 'rxjs';
import { bucket } from '../../../testing/made-up';
import { FakeRecords, settle, STUDIO } from '../../../testing/records';
import { ApiFailure, toFailure } from './api';
import { BucketPrefetch } from './bucket-prefetch';
import { createMutation } from './mutation';
import { keyedResource } from './api-resource';
import { PreferencesStore } from '../state/preferences';
import { StudioStore } from '../state/studio-store';
import { localDay, formatWait } from '../units/times';
import { Units } from '../units/units';
import { signal } from '@angular/core';

describe('something asked of the records', () => {
  it('keeps what is known when a reload fails, and says so', async () => {
    new FakeRecords();
    const answers = [new Subject<string>(), new Subject<string>()];
    let round = 0;
    const it_ = TestBed.runInInjectionContext(() =>
      keyedResource(
        () => 'a',
        () => answers[round++]!,
      ),
    );
    await settle();
    answers[0]!.next('first');
    expect(it_.value()).toBe('first');
    it_.reload();
    await settle();
    answers[1]!.error(new Error('gone'));
    expect(it_.value()).toBe('first');
    expect(it_.failure()).toContain('cannot be reached');
  });

  it('never shows one thing under the name of another', async () => {
    new FakeRecords();
    const id = signal('a');
    const answers: Record<string, Subject<string>> = { a: new Subject(), b: new Subject() };
    const it_ = TestBed.runInInjectionContext(() =>
      keyedResource(
        () => id(),
        (key) => answers[key]!,
      ),
    );
    await settle();
    answers['a']!.next('Marisma');
    id.set('b');
    await settle();
    answers['b']!.error(new Error('gone'));
    expect(it_.value()).toBeUndefined();
  });
});

describe('a write', () => {
  it('pressed twice is done once', () => {
    new FakeRecords();
    const it_ = TestBed.runInInjectionContext(() => createMutation());
    const work = new Subject<string>();
    const done = jest.fn();
    it_.run(work, done);
    it_.run(work, done);
    expect(it_.busy()).toBe(true);
    work.next('made');
    work.complete();
    expect(done).toHaveBeenCalledTimes(1);
    expect(it_.busy()).toBe(false);
  });

  it('that failed says why and may be tried again', () => {
    new FakeRecords();
    const it_ = TestBed.runInInjectionContext(() => createMutation());
    it_.run(
      throwError(() => new Error('gone')),
      jest.fn(),
    );
    expect(it_.failure()?.isAway).toBe(true);
    expect(it_.busy()).toBe(false);
    it_.clear();
    expect(it_.failure()).toBeUndefined();
  });

  it('a failure keeps its kind', () => {
    const failure = new ApiFailure('problem', { type: 'x', title: 'x', status: 409, code: 'stale', detail: 'Changed meanwhile.' });
    expect(toFailure(failure)).toBe(failure);
    expect(failure.isAway).toBe(false);
  });
});

describe('figures in the device’s units', () => {
  let units: Units;
  beforeEach(() => {
    const records = new FakeRecords();
    records.openStudio();
    units = TestBed.inject(Units);
  });

  it('a weight shows what the scale can show', () => {
    expect(units.mass(1556.44)).toBe('1,556.4 g');
  });

  it('pounds, ounces and gallons when the device counts so', () => {
    TestBed.inject(PreferencesStore).set({ mass: 'lb', volume: 'US', temperature: 'F' });
    expect(units.mass(453.59237)).toBe('1 lb');
    expect(units.litres(3785.411784)).toBe('1.0 US gal');
    expect(units.millilitres(29.5735295625)).toBe('1.0 US fl oz');
    expect(units.temperature(1222)).toBe('2,232 °F');
  });

  it('water to pour is rounded down: too little is mended, too much is not', () => {
    expect([1319, 86, 12.7].map((millilitres) => units.pourable(millilitres))).toEqual([1310, 85, 12]);
  });

  it('what was chosen is there after a reload', () => {
    TestBed.inject(PreferencesStore).set({ theme: 'dark' });
    expect(localStorage.getItem('cazuela.preferences')).toContain('dark');
  });
});

describe('times and members', () => {
  it('waits are said in minutes and hours, never below nothing', () => {
    const now = '2026-03-10T10:00:00.000Z';
    expect(formatWait('2026-03-10T10:08:00.000Z', now)).toBe('8 min');
    expect(formatWait('2026-03-10T11:20:00.000Z', now)).toBe('1 h 20');
    expect(formatWait('2026-03-10T09:00:00.000Z', now)).toBe('0 min');
    expect(localDay(new Date(2026, 2, 9, 23, 59))).toBe('2026-03-09');
  });

  it('who is at the bench is one of the studio, the first until chosen', () => {
    const records = new FakeRecords();
    records.openStudio();
    const store = TestBed.inject(StudioStore);
    expect(store.by()).toBe('Inés');
    store.choose('Bruno');
    expect(store.by()).toBe('Bruno');
    store.choose('A stranger');
    expect(store.by()).toBe('Inés');
    expect(store.studio()?.id).toBe(STUDIO.id);
  });
});

describe('a bucket asked for prefetch', () => {
  it('is asked for once: the page takes what is on its way', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const prefetch = TestBed.inject(BucketPrefetch);
    const of = bucket();
    prefetch.start(of.id);
    prefetch.start(of.id);
    const taken = firstValueFrom(prefetch.take(of.id));
    records.answer(`/buckets/${of.id}`, of);
    expect((await taken).id).toBe(of.id);
    const again = firstValueFrom(prefetch.take(of.id));
    records.answer(`/buckets/${of.id}`, of);
    expect((await again).code).toBe('B1');
  });

  it('that failed on its way is asked for by the page itself', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const prefetch = TestBed.inject(BucketPrefetch);
    const of = bucket();
    prefetch.start(of.id);
    records.drop(`/buckets/${of.id}`);
    const taken = firstValueFrom(prefetch.take(of.id));
    await settle();
    await settle();
    records.answer(`/buckets/${of.id}`, of);
    expect((await taken).id).toBe(of.id);
  });
});
